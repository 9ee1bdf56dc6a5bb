package looseecho.audio;

import java.util.concurrent.CompletableFuture;

/**
 * Stereo sound, in memory, mapped from a file or still being read. Immutable: arrays are copied
 * out, and those taken over must not be written to again.
 */
public final class Audio {
  /** Slowest and fastest sampling rate, in hertz. */
  public static final int MIN_RATE = 1_000;

  public static final int MAX_RATE = 768_000;
  private static final double CANCELLED = 0.1; // -20 dB of what the sides differ by
  private static final double SILENT = 1e-4;
  private static final int STRETCH = 1 << 15;

  /** Takes the sound a stretch at a time. */
  @FunctionalInterface
  public interface Taker {
    /** A copy of both sides from a sample on, both of one length. */
    void take(int from, float[] left, float[] right);
  }

  private final Side left;
  private final Side right;
  private final float turn; // 1, or -1 for a right side of opposite polarity
  private final int sampleRate;

  /**
   * Takes ownership of both arrays; the caller must not write to them again.
   *
   * @param left samples, nominally -1..1
   * @param right as many samples
   * @param sampleRate in hertz, 1000..768000
   */
  public Audio(float[] left, float[] right, int sampleRate) {
    this(Samples.of(left), Samples.of(right), sampleRate);
  }

  /** The same from mapped files. */
  Audio(Side left, Side right, int sampleRate) {
    this(left, right, sampleRate, 1);
  }

  private Audio(Side left, Side right, int sampleRate, float turn) {
    if (left.length() != right.length()) {
      throw new IllegalArgumentException(
          "channels differ in length: " + left.length() + ", " + right.length());
    }
    if (sampleRate < MIN_RATE || sampleRate > MAX_RATE) {
      throw new IllegalArgumentException(
          "sampleRate must be 1000..768000 (was: " + sampleRate + ")");
    }
    this.left = left;
    this.right = right;
    this.sampleRate = sampleRate;
    this.turn = turn;
  }

  /**
   * Sound that is still being read: whoever looks at a sample waits for it, and gets what went
   * wrong.
   *
   * @param length of what comes, in samples
   * @param sampleRate of what comes, in hertz
   */
  public static Audio coming(int length, int sampleRate, CompletableFuture<Audio> sound) {
    CompletableFuture<Audio> fitting = sound.thenApply(a -> a.checked(length, sampleRate));
    return new Audio(
        new ComingSide(length, fitting.thenApply(a -> a.left)),
        new ComingSide(length, fitting.thenApply(a -> a.right)),
        sampleRate);
  }

  private Audio checked(int samples, int rate) {
    if (length() != samples || sampleRate != rate || turn < 0) {
      throw new IllegalArgumentException(
          "need " + samples + " samples at " + rate + " (was: " + length() + ")");
    }
    return this;
  }

  /** Number of samples per channel. */
  public int length() {
    return left.length();
  }

  public int sampleRate() {
    return sampleRate;
  }

  /** Length in seconds. */
  public double duration() {
    return (double) left.length() / sampleRate;
  }

  public float left(int i) {
    return left.get(i);
  }

  public float right(int i) {
    return turn * right.get(i);
  }

  /** A copy of one channel: 0 left, 1 right. */
  public float[] channel(int c) {
    return channel(c, 0, length());
  }

  /** A copy of a stretch of one channel; silence outside the sound. */
  public float[] channel(int c, int from, int count) {
    float[] out = (c == 0 ? left : right).copy(from, count);
    for (int i = 0; c == 1 && turn < 0 && i < out.length; i++) {
      out[i] = -out[i];
    }
    return out;
  }

  /** The middle, (left + right) / 2, as a new array. */
  public float[] mono() {
    return mono(0, length());
  }

  /** The middle of the samples {@code from} to before {@code to}. */
  public float[] mono(int from, int to) {
    float[] l = channel(0, from, to - from);
    float[] r = channel(1, from, to - from);
    for (int i = 0; i < l.length; i++) {
      l[i] = 0.5f * (l[i] + r[i]);
    }
    return l;
  }

  /** Copies interleaved left, right into {@code out}; silence beyond the end. */
  public void read(int from, float[] out, int samples) {
    float[] l = channel(0, from, samples);
    float[] r = channel(1, from, samples);
    for (int i = 0; i < samples; i++) {
      out[2 * i] = l[i];
      out[2 * i + 1] = r[i];
    }
  }

  /** Hands over all of the sound, in stretches from the beginning on. */
  public void each(Taker taker) {
    for (int from = 0; from < length(); from += STRETCH) {
      int count = Math.min(STRETCH, length() - from);
      taker.take(from, channel(0, from, count), channel(1, from, count));
    }
  }

  /** The largest absolute sample. */
  public float peak() {
    float[] most = {0};
    each((from, l, r) -> most[0] = Math.max(most[0], Math.max(peak(l), peak(r))));
    return most[0];
  }

  private static float peak(float[] x) {
    float most = 0;
    for (float v : x) {
      most = Math.max(most, Math.abs(v));
    }
    return most;
  }

  /** The part from sample {@code from} to before {@code to}. */
  public Audio slice(int from, int to) {
    Side l = left.slice(from, to - from);
    return new Audio(l, right.slice(from, to - from), sampleRate, turn);
  }

  /** The same with the right side's polarity turned round. */
  public Audio rightTurned() {
    return new Audio(left, right, sampleRate, -turn);
  }

  /** Mean square, of both sides on average; 0 without samples. */
  public double power() {
    double[] sum = {0};
    // Half of the powers of sum and difference is that of both sides.
    each((from, l, r) -> sum[0] += (power(l, r, 1) + power(l, r, -1)) / 4);
    return sum[0] / Math.max(1, length());
  }

  /** True when both sides are the same to the sample. */
  public boolean sidesAreEqual() {
    for (int i = 0; i < length(); i++) {
      if (left(i) != right(i)) {
        return false;
      }
    }
    return true;
  }

  /** True when both sides together are all but silent, though each of them sounds. */
  public boolean sidesCancel() {
    double[] powers = new double[2]; // of the sum, of the difference
    each(
        (from, l, r) -> {
          powers[0] += power(l, r, 1);
          powers[1] += power(l, r, -1);
        });
    double rms = Math.sqrt(powers[1] / Math.max(1, length())) / 2;
    return rms > SILENT && Math.sqrt(powers[0]) < CANCELLED * Math.sqrt(powers[1]);
  }

  private static double power(float[] l, float[] r, double sign) {
    double sum = 0;
    for (int i = 0; i < l.length; i++) {
      double x = l[i] + sign * r[i];
      sum += x * x;
    }
    return sum;
  }
}
