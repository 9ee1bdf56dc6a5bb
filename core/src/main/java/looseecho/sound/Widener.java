package looseecho.sound;

/**
 * Spreads a mono sound over both sides: what is added on the left is taken from the right, so that
 * the sum of both sides stays the mono sound. The difference is the sound behind two all-passes (M.
 * R. Schroeder, "An artificial stereophonic effect obtained from a single audio signal", JAES
 * 1958).
 */
final class Widener {
  private static final double[] DELAYS_MS = {7.3, 11.9};
  private static final float FEED = 0.6f;
  private static final double MOST = 0.8;

  private Widener() {}

  /** Adds the difference between the sides to a bus; {@code width} 0..1. */
  static void spread(float[] mono, double width, Bus bus) {
    float[] x = mono.clone();
    for (double ms : DELAYS_MS) {
      float[] line = new float[(int) (ms * bus.rate() / 1000)];
      for (int i = 0, p = 0; i < x.length; i++, p = (p + 1) % line.length) {
        float y = line[p] - FEED * x[i];
        line[p] = x[i] + FEED * y;
        x[i] = y;
      }
    }
    float[][] sides = bus.sides();
    float gain = (float) (MOST * width);
    for (int i = 0; i < x.length; i++) {
      sides[0][i] += gain * x[i];
      sides[1][i] -= gain * x[i];
    }
  }
}
