package looseecho.mix;

import looseecho.audio.Audio;
import looseecho.audio.SampleSink;

/** A stereo strip of fixed length that sounds are laid onto. Not thread-safe. */
public final class Bus {
  private final float[] left;
  private final float[] right;
  private final int rate;

  public Bus(int length, int rate) {
    this.left = new float[length];
    this.right = new float[length];
    this.rate = rate;
  }

  /**
   * Adds a mono sound.
   *
   * @param seconds when its sample 0 sounds; a fraction of a sample is rounded
   * @param pan -1 left .. 1 right, constant power
   */
  public void add(float[] sound, double seconds, double gain, double pan) {
    int at = (int) Math.round(seconds * rate);
    double angle = (pan + 1) * Math.PI / 4;
    float l = (float) (gain * Math.cos(angle) * Math.sqrt(2));
    float r = (float) (gain * Math.sin(angle) * Math.sqrt(2));
    int end = Math.min(sound.length, left.length - at);
    for (int i = Math.max(0, -at); i < end; i++) {
      left[at + i] += l * sound[i];
    }
    for (int i = Math.max(0, -at); i < end; i++) {
      right[at + i] += r * sound[i];
    }
  }

  /** Adds another bus. */
  public void add(Bus other, double gain) {
    float g = (float) gain;
    for (int i = 0; i < left.length; i++) {
      left[i] += g * other.left[i];
    }
    for (int i = 0; i < right.length; i++) {
      right[i] += g * other.right[i];
    }
  }

  /** Multiplies by an envelope, one value per sample. */
  public void shape(float[] envelope) {
    for (int i = 0; i < left.length; i++) {
      left[i] *= envelope[i];
      right[i] *= envelope[i];
    }
  }

  /** Adds what is on the bus to a sound that grows, by a gain per sample, such as a limiter's. */
  void into(SampleSink sink, float[] gains) {
    float[] pair = new float[2];
    for (int i = 0; i < gains.length; i++) {
      pair[0] = left[i] * gains[i];
      pair[1] = right[i] * gains[i];
      sink.add(pair, 2);
    }
  }

  public int length() {
    return left.length;
  }

  public int rate() {
    return rate;
  }

  /** A copy of what is on the bus, by a gain. */
  public Audio audio(double gain) {
    float[] l = left.clone();
    float[] r = right.clone();
    for (int i = 0; i < l.length; i++) {
      l[i] *= (float) gain;
      r[i] *= (float) gain;
    }
    return new Audio(l, r, rate);
  }

  /** Both sides themselves, for the package's own work. */
  float[][] sides() {
    return new float[][] {left, right};
  }

  public float left(int i) {
    return left[i];
  }

  public float right(int i) {
    return right[i];
  }

  void set(int i, float l, float r) {
    left[i] = l;
    right[i] = r;
  }
}
