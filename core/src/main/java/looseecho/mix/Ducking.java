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

  /**
   * Gain per sample for hits at the given samples; the attack takes 2 ms so that it does not click.
   */
  public float[] envelope(int[] hits, int length, int rate) {
    float[] out = new float[length];
    Arrays.fill(out, 1);
    double low = Math.pow(10, -depthDb / 20);
    int attack = rate / 500;
    int recovery = (int) (recoveryMs * rate / 1000);
    float[] gain = new float[attack + Math.max(0, recovery)];
    for (int k = 0; k < gain.length; k++) {
      int i = k - attack;
      double back = i < 0 ? -(double) i / attack : shape.at((double) i / recovery);
      gain[k] = (float) (low + (1 - low) * back);
    }
    for (int hit : hits) {
      int from = hit - attack;
      int end = Math.min(gain.length, length - from);
      for (int k = Math.max(0, -from); k < end; k++) {
        out[from + k] = Math.min(out[from + k], gain[k]);
      }
    }
    return out;
  }
}
