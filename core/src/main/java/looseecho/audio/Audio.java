package looseecho.audio;

import java.nio.FloatBuffer;

/**
 * Stereo sound, in memory or mapped from a file. Immutable: arrays are copied out, and those taken
 * over must not be written to again.
 */
public final class Audio {
  private final FloatBuffer left;
  private final FloatBuffer right;
  private final int sampleRate;

  /**
   * Takes ownership of both arrays; the caller must not write to them again.
   *
   * @param left samples, nominally -1..1
   * @param right as many samples
   * @param sampleRate in hertz, 1000..768000
   */
  public Audio(float[] left, float[] right, int sampleRate) {
    this(FloatBuffer.wrap(left), FloatBuffer.wrap(right), sampleRate);
  }

  /** The same from buffers, such as a mapped file. */
  Audio(FloatBuffer left, FloatBuffer right, int sampleRate) {
    if (left.limit() != right.limit()) {
      throw new IllegalArgumentException(
          "channels differ in length: " + left.limit() + ", " + right.limit());
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
    return left.limit();
  }

  public int sampleRate() {
    return sampleRate;
  }

  /** Length in seconds. */
  public double duration() {
    return (double) left.limit() / sampleRate;
  }

  public float left(int i) {
    return left.get(i);
  }

  public float right(int i) {
    return right.get(i);
  }

  /** A copy of one channel: 0 left, 1 right. */
  public float[] channel(int c) {
    float[] out = new float[length()];
    (c == 0 ? left : right).get(0, out);
    return out;
  }

  /** The middle, (left + right) / 2, as a new array. */
  public float[] mono() {
    return mono(0, length());
  }

  /** The middle of the samples {@code from} to before {@code to}. */
  public float[] mono(int from, int to) {
    float[] m = new float[to - from];
    for (int i = 0; i < m.length; i++) {
      m[i] = 0.5f * (left.get(from + i) + right.get(from + i));
    }
    return m;
  }

  /** Copies interleaved left, right into {@code out}; silence beyond the end. */
  public void read(int from, float[] out, int samples) {
    for (int i = 0; i < samples; i++) {
      int at = from + i;
      boolean inside = at >= 0 && at < left.limit();
      out[2 * i] = inside ? left.get(at) : 0;
      out[2 * i + 1] = inside ? right.get(at) : 0;
    }
  }

  /** The largest absolute sample. */
  public float peak() {
    float p = 0;
    for (int i = 0; i < left.limit(); i++) {
      p = Math.max(p, Math.max(Math.abs(left.get(i)), Math.abs(right.get(i))));
    }
    return p;
  }

  /** The part from sample {@code from} to before {@code to}. */
  public Audio slice(int from, int to) {
    return new Audio(left.slice(from, to - from), right.slice(from, to - from), sampleRate);
  }
}
