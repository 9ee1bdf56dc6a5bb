package looseecho.audio;

import java.util.Arrays;

/**
 * Stereo sound in memory. Immutable: arrays are copied in and out, except through {@link #mono()}'s
 * own result.
 */
public final class Audio {
  private final float[] left;
  private final float[] right;
  private final int sampleRate;

  /**
   * Takes ownership of both arrays; the caller must not write to them again.
   *
   * @param left samples, nominally -1..1
   * @param right as many samples
   * @param sampleRate in hertz, 1000..768000
   */
  public Audio(float[] left, float[] right, int sampleRate) {
    if (left.length != right.length) {
      throw new IllegalArgumentException(
          "channels differ in length: " + left.length + ", " + right.length);
    }
    if (sampleRate < 1000 || sampleRate > 768000) {
      throw new IllegalArgumentException(
          "sampleRate must be 1000..768000 (was: " + sampleRate + ")");
    }
    this.left = left;
    this.right = right;
    this.sampleRate = sampleRate;
  }

  /** Number of samples per channel. */
  public int length() {
    return left.length;
  }

  public int sampleRate() {
    return sampleRate;
  }

  /** Length in seconds. */
  public double duration() {
    return (double) left.length / sampleRate;
  }

  public float left(int i) {
    return left[i];
  }

  public float right(int i) {
    return right[i];
  }

  /** A copy of one channel: 0 left, 1 right. */
  public float[] channel(int c) {
    return (c == 0 ? left : right).clone();
  }

  /** The middle, (left + right) / 2, as a new array. */
  public float[] mono() {
    float[] m = new float[left.length];
    for (int i = 0; i < m.length; i++) {
      m[i] = 0.5f * (left[i] + right[i]);
    }
    return m;
  }

  /** Copies interleaved left, right into {@code out}; silence beyond the end. */
  public void read(int from, float[] out, int samples) {
    for (int i = 0; i < samples; i++) {
      int at = from + i;
      boolean inside = at >= 0 && at < left.length;
      out[2 * i] = inside ? left[at] : 0;
      out[2 * i + 1] = inside ? right[at] : 0;
    }
  }

  /** The largest absolute sample. */
  public float peak() {
    float p = 0;
    for (int i = 0; i < left.length; i++) {
      p = Math.max(p, Math.max(Math.abs(left[i]), Math.abs(right[i])));
    }
    return p;
  }

  /** The part from sample {@code from} to before {@code to}. */
  public Audio slice(int from, int to) {
    return new Audio(
        Arrays.copyOfRange(left, from, to), Arrays.copyOfRange(right, from, to), sampleRate);
  }
}
