package looseecho;

import looseecho.audio.Audio;

/** Test signals with known answers. */
public final class Signals {
  private Signals() {}

  /** A sine on one or both channels; amplitude linear. */
  public static Audio sine(
      double hz, double amplitude, double seconds, int rate, boolean bothSides) {
    float[] left = new float[(int) (seconds * rate)];
    for (int i = 0; i < left.length; i++) {
      left[i] = (float) (amplitude * Math.sin(2 * Math.PI * hz * i / rate));
    }
    return new Audio(left, bothSides ? left.clone() : new float[left.length], rate);
  }

  /** Sounds one after the other. */
  public static Audio join(Audio... parts) {
    int length = 0;
    for (Audio a : parts) {
      length += a.length();
    }
    float[][] out = new float[2][length];
    int at = 0;
    for (Audio a : parts) {
      System.arraycopy(a.channel(0), 0, out[0], at, a.length());
      System.arraycopy(a.channel(1), 0, out[1], at, a.length());
      at += a.length();
    }
    return new Audio(out[0], out[1], parts[0].sampleRate());
  }

  /** Root mean square of a stretch of the left channel. */
  public static double rms(float[] x, int from, int to) {
    double sum = 0;
    for (int i = from; i < to; i++) {
      sum += x[i] * x[i];
    }
    return Math.sqrt(sum / (to - from));
  }
}
