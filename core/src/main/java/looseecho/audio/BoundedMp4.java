package looseecho.audio;

import java.io.EOFException;
import java.io.IOException;
import java.io.RandomAccessFile;
import net.sourceforge.jaad.mp4.MP4InputStream;

/**
 * The bytes of an MPEG-4 file for a parser that does not know when to stop: what lies beyond the
 * end is told as an end, and asking more often than there are bytes, too.
 */
final class BoundedMp4 extends MP4InputStream {
  private static final int SLACK = 10_000; // questions beyond one for each byte

  private final RandomAccessFile file;
  private final long length;
  private long asked;

  BoundedMp4(RandomAccessFile file) throws IOException {
    this.file = file;
    this.length = file.length();
  }

  private void ask(long ahead) throws IOException {
    if (++asked > length + SLACK || file.getFilePointer() + ahead > length) {
      throw new EOFException("the file ends early");
    }
  }

  @Override
  public int read() throws IOException {
    ask(1);
    return file.read();
  }

  @Override
  public int read(byte[] to, int from, int count) throws IOException {
    ask(count);
    return file.read(to, from, count);
  }

  @Override
  public long skip(long count) throws IOException {
    ask(count);
    file.seek(file.getFilePointer() + Math.max(0, count));
    return Math.max(0, count);
  }

  @Override
  public void seek(long at) throws IOException {
    if (at < 0 || at > length) {
      throw new EOFException("the file ends early");
    }
    file.seek(at);
  }

  @Override
  public long getOffset() throws IOException {
    return file.getFilePointer();
  }

  @Override
  public boolean seekSupported() {
    return true;
  }

  @Override
  public boolean hasLeft() throws IOException {
    return file.getFilePointer() < length - 1;
  }

  @Override
  public int available() throws IOException {
    return (int) Math.min(Integer.MAX_VALUE, length - file.getFilePointer());
  }

  @Override
  public void close() throws IOException {
    file.close();
  }
}
