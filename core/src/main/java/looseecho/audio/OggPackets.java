package looseecho.audio;

import com.jcraft.jogg.Packet;
import com.jcraft.jogg.Page;
import com.jcraft.jogg.StreamState;
import com.jcraft.jogg.SyncState;
import java.io.IOException;
import java.nio.file.Path;
import looseecho.reading.Progress;

/** The packets of the first stream of an Ogg file (RFC 3533), through jogg. */
final class OggPackets {
  private static final int CHUNK = 8192;

  /** What a coding makes of them. */
  interface Taker {
    /** A packet, and the page on which it ends. */
    void packet(Packet packet, Page page) throws IOException;

    /** A packet that is lost. */
    default void lost() {}

    /** All packets of a page were taken. */
    default void page(Page page) {}
  }

  private final SyncState sync = new SyncState();
  private final StreamState stream = new StreamState();
  private final Page page = new Page();
  private final Packet packet = new Packet();
  private boolean started;

  /** Goes through a file. */
  void read(Path path, long skip, Taker taker, Progress progress) throws IOException {
    sync.init();
    try (GuardedStream in = GuardedStream.open(path, skip, progress)) {
      boolean ended = false;
      while (!ended) {
        int at = sync.buffer(CHUNK);
        int got = in.read(sync.data, at, CHUNK);
        ended = got <= 0;
        sync.wrote(Math.max(0, got));
        while (sync.pageout(page) == 1) {
          take(taker);
        }
        progress.step("Reading", in.done());
      }
    }
  }

  private void take(Taker taker) throws IOException {
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
        taker.lost();
      } else {
        taker.packet(packet, page);
      }
    }
    taker.page(page);
  }
}
