package looseecho.audio;

import com.jcraft.jogg.Packet;
import com.jcraft.jogg.Page;
import com.jcraft.jogg.StreamState;
import com.jcraft.jogg.SyncState;
import io.github.jaredmdobson.concentus.OpusDecoder;
import io.github.jaredmdobson.concentus.OpusException;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import looseecho.reading.Progress;

/**
 * Opus in Ogg (RFC 7845) through jogg and concentus: 48 kHz, one or two channels; what the encoder
 * put in front and behind is cut away.
 */
final class OpusReader implements AudioReader.Decoder {
  private static final int CHUNK = 8192;
  private static final int RATE = 48_000;
  private static final int LONGEST = RATE * 120 / 1000; // samples of a packet
  private static final int HEAD = 19;

  private final SyncState sync = new SyncState();
  private final StreamState stream = new StreamState();
  private final Page page = new Page();
  private final Packet packet = new Packet();
  private boolean started;
  private int headers;
  private OpusDecoder decoder;
  private int channels;
  private int skipped; // samples in front that are still to be left out
  private long preSkip;
  private long end = -1; // granule of the last page

  @Override
  public long decode(Path path, long skip, SampleSink sink, Progress progress) throws IOException {
    sync.init();
    try (GuardedStream in = GuardedStream.open(path, skip, progress)) {
      boolean ended = false;
      while (!ended) {
        int at = sync.buffer(CHUNK);
        int got = in.read(sync.data, at, CHUNK);
        ended = got <= 0;
        sync.wrote(Math.max(0, got));
        while (sync.pageout(page) == 1) {
          takePage(sink);
        }
        progress.step("Reading", in.done());
      }
    } catch (OpusException e) {
      throw new IOException("damaged Opus", e);
    }
    return end < 0 ? -1 : end - preSkip;
  }

  private void takePage(SampleSink sink) throws IOException, OpusException {
    if (!started) {
      stream.init(page.serialno());
      started = true;
    }
    if (stream.pagein(page) < 0) {
      return; // a page of another stream, or a damaged one: the next one may be whole
    }
    if (page.granulepos() > 0) {
      end = page.granulepos();
    }
    int result;
    while ((result = stream.packetout(packet)) != 0) {
      if (result < 0) {
        sink.damaged();
      } else if (headers < 2) {
        header(sink);
      } else {
        sound(sink);
      }
    }
  }

  private void header(SampleSink sink) throws IOException, OpusException {
    byte[] b = packet.packet_base;
    int at = packet.packet;
    if (headers++ == 0) {
      String magic = new String(b, at, Math.min(8, packet.bytes), StandardCharsets.ISO_8859_1);
      if (!magic.equals("OpusHead") || packet.bytes < HEAD) {
        throw new IOException("damaged Opus header");
      }
      channels = b[at + 9] & 0xFF;
      if (b[at + 18] != 0 || channels < 1 || channels > 2) {
        throw new UnreadableException(
            "This Opus file has more than two channels. Save it as WAV or FLAC and try again.");
      }
      preSkip = b[at + 10] & 0xFF | (b[at + 11] & 0xFF) << 8;
      skipped = (int) preSkip;
      decoder = new OpusDecoder(RATE, channels);
      sink.format(RATE);
    }
  }

  private void sound(SampleSink sink) {
    short[] pcm = new short[LONGEST * channels];
    int samples;
    try {
      samples =
          decoder.decode(packet.packet_base, packet.packet, packet.bytes, pcm, 0, LONGEST, false);
    } catch (OpusException | RuntimeException e) {
      sink.damaged();
      return;
    }
    boolean last = page.eos() != 0 && page.granulepos() > 0;
    long room = last ? page.granulepos() - preSkip - sink.length() : Long.MAX_VALUE;
    float[] one = new float[channels];
    int from = Math.min(skipped, samples);
    skipped -= from;
    for (int i = from; i < samples && i - from < room; i++) {
      for (int c = 0; c < channels; c++) {
        one[c] = pcm[i * channels + c] / 32_768f;
      }
      sink.add(one, channels);
    }
  }
}
