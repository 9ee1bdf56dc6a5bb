package looseecho.audio;

import com.jcraft.jogg.Packet;
import com.jcraft.jogg.Page;
import com.jcraft.jogg.StreamState;
import com.jcraft.jogg.SyncState;
import com.jcraft.jorbis.Block;
import com.jcraft.jorbis.Comment;
import com.jcraft.jorbis.DspState;
import com.jcraft.jorbis.Info;
import java.io.IOException;
import java.nio.file.Path;
import looseecho.reading.Progress;

/**
 * Ogg Vorbis through jorbis: pages to packets, three header packets, then blocks of float samples.
 */
final class VorbisDecoder implements AudioReader.Decoder {
  private static final int CHUNK = 8192;

  private final SyncState sync = new SyncState();
  private final StreamState stream = new StreamState();
  private final Page page = new Page();
  private final Packet packet = new Packet();
  private final Info info = new Info();
  private final DspState dsp = new DspState();
  private boolean started;
  private int headers;
  private Block block;
  private long lastGranule = -1;

  @Override
  public long decode(Path path, long skip, SampleSink sink, Progress progress) throws IOException {
    sync.init();
    info.init();
    Comment comment = new Comment();
    comment.init();
    try (GuardedStream in = GuardedStream.open(path, skip, progress)) {
      boolean ended = false;
      while (!ended) {
        int at = sync.buffer(CHUNK);
        int got = in.read(sync.data, at, CHUNK);
        ended = got <= 0;
        sync.wrote(Math.max(0, got));
        while (sync.pageout(page) == 1) {
          takePage(comment, sink);
        }
        progress.step("Reading", in.done());
      }
    }
    return lastGranule;
  }

  private void takePage(Comment comment, SampleSink sink) throws IOException {
    if (!started) {
      stream.init(page.serialno());
      started = true;
    }
    if (stream.pagein(page) < 0) {
      return; // a page of another stream, or a damaged one: the next one may be whole
    }
    int result;
    while ((result = stream.packetout(packet)) != 0) {
      if (result < 0) {
        continue;
      }
      if (headers < 3) {
        if (info.synthesis_headerin(comment, packet) < 0) {
          throw new IOException("damaged Vorbis header");
        }
        if (++headers == 3) {
          dsp.synthesis_init(info);
          block = new Block(dsp);
          sink.format(info.rate);
        }
      } else {
        takePacket(sink);
      }
    }
    if (headers == 3 && page.granulepos() > 0) {
      lastGranule = page.granulepos();
    }
  }

  private void takePacket(SampleSink sink) {
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
