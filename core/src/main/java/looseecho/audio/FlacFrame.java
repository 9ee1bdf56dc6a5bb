package looseecho.audio;

import java.io.IOException;

/**
 * Decodes one frame of FLAC: its header, a subframe per channel, and the stereo that they stand
 * for.
 *
 * <p>Source: RFC 9639, "Free Lossless Audio Codec (FLAC)", 2024, sections 9.1 to 9.3.
 */
final class FlacFrame {
  static final int MOST_BLOCK = 65_536;
  static final int MOST_CHANNELS = 8;
  private static final int SYNC = 0x7FFC; // fourteen bits and a zero
  private static final int[] DEPTHS = {0, 8, 12, -1, 16, 20, 24, 32};
  private static final long[][] FIXED = {{}, {1}, {2, -1}, {3, -3, 1}, {4, -6, 4, -1}};
  private static final int LEFT_SIDE = 8;
  private static final int SIDE_RIGHT = 9;
  private static final int MID_SIDE = 10;

  private final FlacBits bits;
  private final int streamDepth;
  private final long[][] samples = new long[MOST_CHANNELS][MOST_BLOCK];
  private final long[] factors = new long[32];
  private int size;
  private int channels;
  private int depth;
  private int stereo;
  private long number;
  private boolean byBlock;

  /**
   * Decodes frames one after the other.
   *
   * @param streamDepth bits of a sample where the frame does not say
   */
  FlacFrame(FlacBits bits, int streamDepth) {
    this.bits = bits;
    this.streamDepth = streamDepth;
  }

  /** Samples of the frame per channel. */
  int size() {
    return size;
  }

  int channels() {
    return channels;
  }

  int depth() {
    return depth;
  }

  /** Index of the frame's first sample, when all blocks of the stream have one size. */
  long first(int blockSize) {
    return byBlock ? number * blockSize : number;
  }

  /** A sample of one channel, a whole number. */
  long sample(int channel, int i) {
    return samples[channel][i];
  }

  /** Reads the frame that begins at the mark; throws where it is none or damaged. */
  void read() throws IOException {
    header();
    for (int c = 0; c < channels; c++) {
      boolean side = stereo == LEFT_SIDE && c == 1 || stereo == SIDE_RIGHT && c == 0;
      boolean extra = side || stereo == MID_SIDE && c == 1;
      subframe(samples[c], depth + (extra ? 1 : 0));
    }
    bits.align();
    int sum = bits.crc16();
    if (bits.bits(16) != sum) {
      throw new IOException("a frame's check sum is wrong");
    }
    bothSides();
  }

  private void header() throws IOException {
    if (bits.bits(15) != SYNC) {
      throw new IOException("no frame here");
    }
    byBlock = bits.bits(1) == 0;
    int sizeCode = (int) bits.bits(4);
    int rateCode = (int) bits.bits(4);
    int layout = (int) bits.bits(4);
    depth = DEPTHS[(int) bits.bits(3)];
    if (layout > MID_SIDE || depth < 0 || bits.bits(1) != 0 || sizeCode == 0 || rateCode == 15) {
      throw new IOException("a frame of an unknown kind");
    }
    depth = depth == 0 ? streamDepth : depth;
    channels = layout < LEFT_SIDE ? layout + 1 : 2;
    stereo = layout < LEFT_SIDE ? 0 : layout;
    number = codedNumber();
    size =
        switch (sizeCode) {
          case 1 -> 192;
          case 2, 3, 4, 5 -> 576 << sizeCode - 2;
          case 6 -> (int) bits.bits(8) + 1;
          case 7 -> (int) bits.bits(16) + 1;
          default -> 256 << sizeCode - 8;
        };
    bits.bits(rateCode == 12 ? 8 : rateCode > 12 ? 16 : 0); // the stream's rate holds
    int sum = bits.crc8();
    if (bits.bits(8) != sum) {
      throw new IOException("a header's check sum is wrong");
    }
  }

  /** A number in one to seven bytes, coded as UTF-8 codes letters. */
  private long codedNumber() throws IOException {
    int first = (int) bits.bits(8);
    int ones = Integer.numberOfLeadingZeros(~(first << 24));
    if (ones == 0) {
      return first;
    }
    if (ones == 1 || ones > 7) {
      throw new IOException("no number");
    }
    long value = first & (0x7F >> ones);
    for (int k = 1; k < ones; k++) {
      value = value << 6 | bits.bits(8) & 0x3F;
    }
    return value;
  }

  private void subframe(long[] out, int width) throws IOException {
    if (bits.bits(1) != 0) {
      throw new IOException("no subframe");
    }
    int kind = (int) bits.bits(6);
    int wasted = bits.bits(1) == 0 ? 0 : bits.zeros(width) + 1;
    int used = width - wasted;
    if (used < 1) {
      throw new IOException("no bits left");
    }
    if (kind == 0) {
      java.util.Arrays.fill(out, 0, size, bits.signed(used));
    } else if (kind == 1) {
      for (int i = 0; i < size; i++) {
        out[i] = bits.signed(used);
      }
    } else if (kind >= 8 && kind <= 12) {
      int order = kind - 8;
      warmUp(out, order, used);
      System.arraycopy(FIXED[order], 0, factors, 0, order);
      residual(out, order);
      predict(out, order, 0);
    } else if (kind >= 32) {
      linear(out, kind - 31, used);
    } else {
      throw new IOException("a subframe of an unknown kind");
    }
    for (int i = 0; wasted > 0 && i < size; i++) {
      out[i] <<= wasted;
    }
  }

  private void linear(long[] out, int order, int used) throws IOException {
    warmUp(out, order, used);
    int precision = (int) bits.bits(4) + 1;
    int shift = (int) bits.signed(5);
    if (precision == 16 || shift < 0) {
      throw new IOException("a predictor of an unknown kind");
    }
    for (int k = 0; k < order; k++) {
      factors[k] = bits.signed(precision);
    }
    residual(out, order);
    predict(out, order, shift);
  }

  private void warmUp(long[] out, int order, int used) throws IOException {
    if (order > size) {
      throw new IOException("a block shorter than its predictor");
    }
    for (int i = 0; i < order; i++) {
      out[i] = bits.signed(used);
    }
  }

  private void predict(long[] out, int order, int shift) {
    for (int i = order; i < size; i++) {
      long sum = 0;
      for (int k = 0; k < order; k++) {
        sum += factors[k] * out[i - 1 - k];
      }
      out[i] += sum >> shift;
    }
  }

  /** What the predictor leaves, in partitions of Rice codes. */
  private void residual(long[] out, int order) throws IOException {
    int method = (int) bits.bits(2);
    int partitions = 1 << bits.bits(4);
    if (method > 1 || size % partitions != 0 || size / partitions < order) {
      throw new IOException("a residual of an unknown kind");
    }
    int width = 4 + method;
    int escape = (1 << width) - 1;
    int at = order;
    for (int p = 0; p < partitions; p++) {
      int end = size / partitions * (p + 1);
      int parameter = (int) bits.bits(width);
      int raw = parameter == escape ? (int) bits.bits(5) : 0;
      for (; at < end; at++) {
        if (parameter == escape) {
          out[at] = raw == 0 ? 0 : bits.signed(raw);
        } else {
          long value = (long) bits.zeros(Integer.MAX_VALUE / 2) << parameter;
          value |= bits.bits(parameter);
          out[at] = value >>> 1 ^ -(value & 1);
        }
      }
    }
  }

  private void bothSides() {
    for (int i = 0; stereo > 0 && i < size; i++) {
      long a = samples[0][i];
      long b = samples[1][i];
      switch (stereo) {
        case LEFT_SIDE -> samples[1][i] = a - b;
        case SIDE_RIGHT -> samples[0][i] = a + b;
        default -> {
          long mid = a << 1 | b & 1;
          samples[0][i] = mid + b >> 1;
          samples[1][i] = mid - b >> 1;
        }
      }
    }
  }
}
