package looseecho.audio;

import com.jcraft.jogg.Packet;
import com.jcraft.jogg.Page;
import io.github.jaredmdobson.concentus.OpusDecoder;
import io.github.jaredmdobson.concentus.OpusException;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import looseecho.reading.Progress;

/**
 * Opus in Ogg (RFC 7845) through concentus: 48 kHz, one or two channels; what the encoder put in
 * front and behind is cut away.
 */
final class OpusReader implements AudioReader.Decoder {
  private static final int RATE = 48_000;
  private static final int LONGEST = RATE * 120 / 1000; // samples of a packet
  private static final int HEAD = 19; // bytes of the first packet
  private static final int HEADERS = 2;

  private int headers;
  private OpusDecoder decoder;
  private int channels;
  private int skipped; // samples in front that are still to be left out
  private long preSkip;
  private long end = -1; // granule of the last page that ends a packet

  @Override
  public long decode(Path path, long skip, SampleSink sink, Progress progress) throws IOException {
    OggPackets.Taker taker =
        new OggPackets.Taker() {
          @Override
          public void packet(Packet packet, Page page) throws IOException {
            if (headers++ == 0) {
              header(packet, sink);
            } else if (headers > HEADERS) {
              sound(packet, page, sink);
            }
          }

          @Override
          public void lost() {
            sink.damaged();
          }

          @Override
          public void page(Page page) {
            end = Math.max(end, page.granulepos());
          }
        };
    new OggPackets().read(path, skip, taker, progress);
    return end < 0 ? -1 : end - preSkip;
  }

  private void header(Packet packet, SampleSink sink) throws IOException {
    byte[] b = packet.packet_base;
    int at = packet.packet;
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
    try {
      decoder = new OpusDecoder(RATE, channels);
    } catch (OpusException e) {
      throw new IOException("damaged Opus header", e);
    }
    sink.format(RATE);
  }

  private void sound(Packet packet, Page page, SampleSink sink) {
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
