package looseecho.audio;

import java.io.EOFException;
import java.io.IOException;
import java.nio.file.Path;
import looseecho.reading.Progress;

/**
 * FLAC, frame by frame. A damaged frame is passed over and its place kept silent, so that what
 * comes after stays in time. (The libraries to be had go round in circles on damaged files.)
 *
 * <p>Source: RFC 9639, "Free Lossless Audio Codec (FLAC)", 2024.
 */
final class FlacDecoder implements AudioReader.Decoder {
  private static final int LONGEST_GAP = 30; // seconds of silence put in for damaged frames
  private static final int MOST_BLOCKS = 4096; // of metadata

  /** What the stream says of itself. */
  private record Info(int blockSize, int rate, int channels, int depth, long samples) {}

  @Override
  public long decode(Path path, long skip, SampleSink sink, Progress progress) throws IOException {
    try (GuardedStream in = GuardedStream.open(path, skip, progress)) {
      FlacBits bits = new FlacBits(in);
      Info info = info(bits);
      sink.format(info.rate());
      sink.expect(info.samples());
      FlacFrame frame = new FlacFrame(bits, info.depth());
      while (next(bits, frame, sink)) {
        in.block();
        if (frame.channels() == info.channels()) {
          take(frame, info, sink);
        }
        progress.step("Reading", in.done());
      }
      return info.samples() == 0 ? -1 : info.samples();
    }
  }

  private static Info info(FlacBits bits) throws IOException {
    bits.bits(32); // "fLaC"
    Info info = null;
    boolean last = false;
    for (int k = 0; !last && k < MOST_BLOCKS; k++) {
      last = bits.bits(1) == 1;
      int kind = (int) bits.bits(7);
      int length = (int) bits.bits(24);
      bits.mark();
      if (kind == 0 && info == null && length >= 34) {
        int size = (int) bits.bits(16);
        size = Math.min(size, (int) bits.bits(16));
        bits.bits(24);
        bits.bits(24);
        int rate = (int) bits.bits(20);
        int channels = (int) bits.bits(3) + 1;
        int depth = (int) bits.bits(5) + 1;
        long samples = bits.bits(4) << 32 | bits.bits(32);
        info = new Info(size, rate, channels, depth, samples);
      }
      skip(bits, length);
    }
    if (info == null || info.depth() < 4) {
      throw new IOException("no stream header");
    }
    return info;
  }

  private static void skip(FlacBits bits, int length) throws IOException {
    int left = length - bits.sinceMark();
    for (; left > 0; left--) {
      bits.bits(8);
      if ((left & 0xFFFF) == 0) {
        bits.mark();
      }
    }
    bits.mark();
  }

  /**
   * Reads the next whole frame; false at the end of the stream. What stands behind the last frame,
   * such as a tag, is no damage.
   */
  private static boolean next(FlacBits bits, FlacFrame frame, SampleSink sink) throws IOException {
    boolean lost = false;
    boolean more = true;
    while (more) {
      bits.mark();
      try {
        frame.read();
        if (lost) {
          sink.damaged();
        }
        return true;
      } catch (IOException e) {
        lost = true;
        more = another(bits);
      }
    }
    return false;
  }

  /** Goes to the next place at which a frame may begin, behind the mark. */
  private static boolean another(FlacBits bits) throws IOException {
    bits.back(1);
    try {
      while (true) {
        bits.mark();
        if (bits.bits(8) == 0xFF && bits.bits(7) == 0x7C) {
          bits.back(0);
          return true;
        }
        bits.back(1);
      }
    } catch (EOFException e) {
      return false;
    }
  }

  private static void take(FlacFrame frame, Info info, SampleSink sink) {
    float[] one = new float[info.channels()];
    long gap = frame.first(info.blockSize()) - sink.length();
    if (gap > 0 && gap < (long) LONGEST_GAP * info.rate() && sink.isDamaged()) {
      for (long k = 0; k < gap; k++) {
        sink.add(one, one.length);
      }
    }
    float scale = 1f / (1L << frame.depth() - 1);
    for (int i = 0; i < frame.size(); i++) {
      for (int c = 0; c < one.length; c++) {
        one[c] = frame.sample(c, i) * scale;
      }
      sink.add(one, one.length);
    }
  }
}
