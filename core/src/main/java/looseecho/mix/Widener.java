package looseecho.mix;

import looseecho.dsp.Faint;

/**
 * Spreads a mono sound over both sides, block after block: what is added on the left is taken from
 * the right, so that the sum of both sides stays the mono sound. The difference is the sound behind
 * two all-passes (M. R. Schroeder, "An artificial stereophonic effect obtained from a single audio
 * signal", JAES 1958).
 */
final class Widener {
  private static final double[] DELAYS_MS = {7.3, 11.9};
  private static final float FEED = 0.6f;
  private static final double MOST = 0.8;

  private final float[][] lines = new float[DELAYS_MS.length][];
  private final int[] at = new int[DELAYS_MS.length];
  private final float gain;

  /** Of a width 0..1. */
  Widener(int rate, double width) {
    for (int k = 0; k < lines.length; k++) {
      lines[k] = new float[(int) (DELAYS_MS[k] * rate / 1000)];
    }
    gain = (float) (MOST * width);
  }

  /** Adds the difference between the sides to a bus. */
  void spread(float[] mono, Bus bus) {
    spread(mono, bus.sides()[0], bus.sides()[1]);
  }

  /** The same to both sides. */
  void spread(float[] mono, float[] left, float[] right) {
    float[] x = mono.clone();
    for (int k = 0; k < lines.length; k++) {
      float[] line = lines[k];
      int p = at[k];
      for (int i = 0; i < x.length; i++, p = p + 1 == line.length ? 0 : p + 1) {
        float y = line[p] - FEED * x[i];
        line[p] = Faint.cut(x[i] + FEED * y);
        x[i] = y;
      }
      at[k] = p;
    }
    for (int i = 0; i < x.length; i++) {
      left[i] += gain * x[i];
      right[i] -= gain * x[i];
    }
  }
}
