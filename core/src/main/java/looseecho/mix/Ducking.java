package looseecho.mix;

import java.util.Arrays;

/**
 * Ducking by the kick.
 *
 * @param depthDb how far a hit pushes the level down, 0 or more
 * @param recoveryMs how long until it is back
 * @param shape of the way back
 */
public record Ducking(double depthDb, double recoveryMs, Duck.Shape shape) {
  /** Rounded. */
  public Ducking(double depthDb, double recoveryMs) {
    this(depthDb, recoveryMs, Duck.Shape.ROUND);
  }

  /** The recovery of a rounded way back that is nine tenths there, in decibels, after a time. */
  public static double whole(double depthDb, double ms) {
    double low = Math.pow(10, -depthDb / 20);
    double there = Math.pow(10, -0.1 * depthDb / 20);
    double back = low < 1 ? (there - low) / (1 - low) : 1;
    return ms * Math.PI / Math.acos(1 - 2 * back);
  }

  /**
   * Gain per sample for hits at the given samples, in order; the attack takes 2 ms so that it does
   * not click.
   */
  public float[] envelope(int[] hits, int length, int rate) {
    float[] out = new float[length];
    Arrays.fill(out, 1);
    int attack = rate / 500;
    float[] gain = gain(attack, (int) (recoveryMs * rate / 1000));
    for (int n = 0; n < hits.length; n++) {
      int from = hits[n] - attack;
      int down = Math.min(attack, length - from); // what came before is still coming back
      for (int k = Math.max(0, -from); k < down; k++) {
        out[from + k] = Math.min(out[from + k], gain[k]);
      }
      int back = Math.max(hits[n], 0); // behind the hit nothing before it is lower
      int end = Math.min(from + gain.length, length);
      if (end > back) {
        System.arraycopy(gain, back - from, out, back, end - back);
      }
    }
    return out;
  }

  /** Of one hit: down, and back. */
  private float[] gain(int attack, int recovery) {
    double low = Math.pow(10, -depthDb / 20);
    float[] gain = new float[attack + Math.max(0, recovery)];
    for (int k = 0; k < gain.length; k++) {
      int i = k - attack;
      double back = i < 0 ? -(double) i / attack : shape.at((double) i / recovery);
      gain[k] = (float) (low + (1 - low) * back);
    }
    return gain;
  }
}
