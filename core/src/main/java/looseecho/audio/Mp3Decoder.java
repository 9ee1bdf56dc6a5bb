package looseecho.audio;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import javazoom.jl.decoder.Bitstream;
import javazoom.jl.decoder.Decoder;
import javazoom.jl.decoder.Header;
import javazoom.jl.decoder.JavaLayerException;
import javazoom.jl.decoder.Obuffer;
import looseecho.reading.Progress;

/**
 * MP3 through jlayer, with its float output kept. The information frame that encoders put first is
 * skipped, and the encoder's delay that it names is cut away, so that an MP3 lines up with the WAV
 * it was made from.
 */
final class Mp3Decoder implements AudioReader.Decoder {
  private static final int DECODER_DELAY = 529;

  @Override
  public long decode(Path path, long skip, SampleSink sink, Progress progress) throws IOException {
    try (GuardedStream in = GuardedStream.open(path, skip, progress)) {
      byte[] head = peek(in, 65536);
      int[] delay = encoderDelay(head); // {samples at the start, samples at the end} or null
      Trimmed out = new Trimmed(sink, delay == null ? 0 : delay[0] + DECODER_DELAY);
      Bitstream bits = new Bitstream(in);
      Decoder decoder = new Decoder();
      boolean first = true;
      Header header;
      while ((header = bits.readFrame()) != null) {
        in.block();
        if (!(first && delay != null)) {
          sink.format(header.frequency());
          out.channels = header.mode() == Header.SINGLE_CHANNEL ? 1 : 2;
          decoder.setOutputBuffer(out);
          decoder.decodeFrame(header, bits);
          out.flush();
        }
        first = false;
        bits.closeFrame();
        progress.step("Reading", in.done());
      }
      out.finish(delay == null ? 0 : Math.max(0, delay[1] - DECODER_DELAY));
      return -1;
    } catch (JavaLayerException e) {
      throw new IOException("damaged MP3", e);
    }
  }

  private static byte[] peek(InputStream in, int size) throws IOException {
    in.mark(size + 1);
    byte[] head = in.readNBytes(size);
    in.reset();
    return head;
  }

  /**
   * Delay and padding from the information frame ("Xing" or "Info", then the encoder's tag at +0x8D
   * of it).
   */
  private static int[] encoderDelay(byte[] head) {
    String text = new String(head, StandardCharsets.ISO_8859_1);
    int xing = text.indexOf("Xing");
    int info = text.indexOf("Info");
    int at = xing < 0 ? info : info < 0 ? xing : Math.min(xing, info);
    if (at < 13 || at + 0x90 >= head.length || !frameStarts(head, at)) {
      return null;
    }
    int tag = at + 0x8D;
    int start = (head[tag] & 0xFF) << 4 | (head[tag + 1] & 0xF0) >> 4;
    int end = (head[tag + 1] & 0x0F) << 8 | head[tag + 2] & 0xFF;
    return start == 0 && end == 0 ? new int[] {576, 0} : new int[] {start, end};
  }

  /**
   * True when a frame's sync word stands where it must for the tag to be the frame's: after 9, 17
   * or 32 bytes.
   */
  private static boolean frameStarts(byte[] head, int tag) {
    for (int side : new int[] {9, 17, 32}) {
      int at = tag - 4 - side;
      if (at >= 0 && (head[at] & 0xFF) == 0xFF && (head[at + 1] & 0xE0) == 0xE0) {
        return true;
      }
    }
    return false;
  }

  /**
   * Hands float samples on, leaving out the first ones; the last ones are held back until the end
   * is known.
   */
  private static final class Trimmed extends Obuffer {
    private static final int HELD = 4608;
    private final SampleSink sink;
    private int skip;
    private int channels = 2;
    private final float[][] frame = new float[2][1152 * 2];
    private final int[] filled = new int[2];
    private final float[] queue = new float[HELD * 2];
    private final float[] one = new float[2];
    private long queued;

    Trimmed(SampleSink sink, int skip) {
      this.sink = sink;
      this.skip = skip;
    }

    @Override
    public void append(int channel, short value) {
      frame[channel][filled[channel]++] = value / 32768f;
    }

    @Override
    public void appendSamples(int channel, float[] f) {
      for (int i = 0; i < 32; i++) {
        frame[channel][filled[channel]++] = f[i] / 32768f;
      }
    }

    void flush() {
      for (int i = 0; i < filled[0]; i++) {
        if (skip > 0) {
          skip--;
          continue;
        }
        int at = (int) (queued % HELD) * 2;
        if (queued >= HELD) {
          hand(at);
        }
        queue[at] = frame[0][i];
        queue[at + 1] = channels == 1 ? frame[0][i] : frame[1][i];
        queued++;
      }
      filled[0] = 0;
      filled[1] = 0;
    }

    private void hand(int at) {
      one[0] = queue[at];
      one[1] = queue[at + 1];
      sink.add(one, 2);
    }

    void finish(int padding) {
      long keep = Math.min(queued, HELD) - Math.min(padding, Math.min(queued, HELD));
      for (long i = 0; i < keep; i++) {
        hand((int) ((Math.max(0, queued - HELD) + i) % HELD) * 2);
      }
    }

    @Override
    public void write_buffer(int value) {
      // frames are handed on by flush()
    }

    @Override
    public void close() {
      // nothing to close
    }

    @Override
    public void clear_buffer() {
      filled[0] = 0;
      filled[1] = 0;
    }

    @Override
    public void set_stop_flag() {
      // playing is not done here
    }
  }
}
