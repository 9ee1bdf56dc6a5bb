package looseecho.audio;

import com.jcraft.jogg.Packet;
import com.jcraft.jogg.Page;
import com.jcraft.jorbis.Block;
import com.jcraft.jorbis.Comment;
import com.jcraft.jorbis.DspState;
import com.jcraft.jorbis.Info;
import java.io.IOException;
import java.nio.file.Path;
import looseecho.reading.Progress;

/** Ogg Vorbis through jorbis: three header packets, then blocks of float samples. */
final class VorbisDecoder implements AudioReader.Decoder {
  private static final int HEADERS = 3;

  private final Info info = new Info();
  private final Comment comment = new Comment();
  private final DspState dsp = new DspState();
  private int headers;
  private Block block;
  private long lastGranule = -1;

  @Override
  public long decode(Path path, long skip, SampleSink sink, Progress progress) throws IOException {
    info.init();
    comment.init();
    OggPackets.Taker taker =
        new OggPackets.Taker() {
          @Override
          public void packet(Packet packet, Page page) throws IOException {
            if (headers < HEADERS) {
              header(packet, sink);
            } else {
              sound(packet, page, sink);
            }
          }

          @Override
          public void page(Page page) {
            if (headers == HEADERS && page.granulepos() > 0) {
              lastGranule = page.granulepos();
            }
          }
        };
    new OggPackets().read(path, skip, taker, progress);
    return lastGranule;
  }

  private void header(Packet packet, SampleSink sink) throws IOException {
    if (info.synthesis_headerin(comment, packet) < 0) {
      throw new IOException("damaged Vorbis header");
    }
    if (++headers == HEADERS) {
      dsp.synthesis_init(info);
      block = new Block(dsp);
      sink.format(info.rate);
    }
  }

  private void sound(Packet packet, Page page, SampleSink sink) {
    if (block.synthesis(packet) == 0) {
      dsp.synthesis_blockin(block);
    }
    float[][][] pcm = new float[1][][];
    int[] index = new int[info.channels];
    float[] one = new float[info.channels];
    int samples;
    while ((samples = dsp.synthesis_pcmout(pcm, index)) > 0) {
      boolean last = page.eos() != 0 && page.granulepos() > 0;
      long room =
          last
              ? page.granulepos() - sink.length()
              : samples; // the last page says where the music ends
      for (int i = 0; i < Math.min(samples, room); i++) {
        for (int c = 0; c < one.length; c++) {
          one[c] = pcm[0][c][index[c] + i];
        }
        sink.add(one, one.length);
      }
      dsp.synthesis_read(samples);
    }
  }
}
