package looseecho.audio;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;

/** Walks the chunks of a RIFF or IFF file: four letters, a length, the content, evenly padded. */
final class Chunks {
  private static final int HEAD = 8;
  private static final int MOST = 10_000;
  private static final int MOST_CONTENT = 1 << 16;

  private final FileChannel file;
  private final ByteOrder order;
  private final long end;
  private long next = 12;
  private int seen;

  /** The chunk at hand. */
  record Chunk(String id, long length, long start) {}

  Chunks(FileChannel file, ByteOrder order) throws IOException {
    this.file = file;
    this.order = order;
    this.end = file.size();
  }

  /** The next chunk, or null at the end; its length is as written, whatever the file holds. */
  Chunk next() throws IOException {
    if (next + HEAD > end || ++seen > MOST) {
      return null;
    }
    ByteBuffer head = bytes(next, HEAD);
    byte[] id = new byte[4];
    head.get(id);
    long length = head.getInt() & 0xFFFFFFFFL;
    Chunk c = new Chunk(new String(id, StandardCharsets.ISO_8859_1), length, next + HEAD);
    next = c.start() + length + (length & 1);
    return c;
  }

  /** Goes on behind a chunk whose true length stands elsewhere. */
  void behind(Chunk c, long length) {
    next = c.start() + length + (length & 1);
  }

  /** The first bytes of a chunk's content, at most what there is. */
  ByteBuffer content(Chunk c, int most) throws IOException {
    return bytes(c.start(), (int) Math.min(Math.min(c.length(), most), MOST_CONTENT));
  }

  private ByteBuffer bytes(long at, int count) throws IOException {
    ByteBuffer b = ByteBuffer.allocate((int) Math.max(0, Math.min(count, end - at))).order(order);
    int read = 1;
    while (b.hasRemaining() && read > 0) {
      read = file.read(b, at + b.position());
    }
    return b.flip();
  }
}
