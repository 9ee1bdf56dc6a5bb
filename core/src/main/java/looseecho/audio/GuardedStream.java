package looseecho.audio;

import java.io.BufferedInputStream;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import looseecho.reading.Progress;

/**
 * The bytes of a sound file for a decoder that may not know when to stop: cancelling, a deadline
 * and an end that is asked for over and over go straight through it, whatever it catches.
 */
final class GuardedStream extends FilterInputStream {
  private static final int MOST_ENDS = 64;
  private static final long SECONDS = 60;
  private static final long SECONDS_PER_MEGABYTE = 20; // silence may be packed very tightly
  private static final long BLOCK_BYTES = 4; // no coding has a block of samples in fewer

  private final Progress progress;
  private final long deadline;
  private final long size;
  private long read;
  private long blocks;
  private int ends;
  private long marked;

  private GuardedStream(InputStream in, long size, Progress progress) {
    super(in);
    this.size = size;
    this.progress = progress;
    long seconds = SECONDS + SECONDS_PER_MEGABYTE * (size >> 20);
    this.deadline = System.nanoTime() + seconds * 1_000_000_000L;
  }

  /** Opens a file behind what stands in front of its sound. */
  static GuardedStream open(Path path, long skip, Progress progress) throws IOException {
    InputStream in = new BufferedInputStream(Files.newInputStream(path), 1 << 16);
    in.skipNBytes(skip);
    return new GuardedStream(in, Math.max(1, Files.size(path) - skip), progress);
  }

  /** A decoder goes round in circles. Not an IOException, which decoders swallow. */
  static final class StuckException extends RuntimeException {
    private static final long serialVersionUID = 1;

    StuckException(String why) {
      super(why);
    }
  }

  /** Share of the file that has been read, 0..1. */
  double done() {
    return Math.min(1, (double) read / size);
  }

  /** To be called for every block of samples that came out. */
  void block() {
    if (++blocks > read / BLOCK_BYTES + 1) {
      throw new StuckException("more blocks than the file can hold");
    }
    check();
  }

  private void check() {
    if (progress.cancelled()) {
      throw new Progress.CancelledException();
    }
    if (System.nanoTime() > deadline) {
      throw new StuckException("decoding takes too long for a file of this size");
    }
  }

  private int took(int n) {
    check();
    if (n > 0) {
      read += n;
      ends = 0;
    } else if (++ends > MOST_ENDS) {
      throw new StuckException("the decoder does not notice the end");
    }
    return n;
  }

  @Override
  public int read() throws IOException {
    int b = super.read();
    took(b < 0 ? -1 : 1);
    return b;
  }

  @Override
  public int read(byte[] b, int off, int len) throws IOException {
    return took(super.read(b, off, len));
  }

  @Override
  public synchronized void mark(int limit) {
    super.mark(limit);
    marked = read;
  }

  @Override
  public synchronized void reset() throws IOException {
    super.reset();
    read = marked;
  }
}
