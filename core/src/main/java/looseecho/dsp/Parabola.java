package looseecho.dsp;

/** Finds the top of a sampled bump between its samples. */
public final class Parabola {
  private static final double FLOOR = 1e-4;

  private Parabola() {}

  /**
   * Offset of the top of the parabola through the logarithms of three neighbouring values,
   * -0.5..0.5 of a sample; exact for a Gaussian bump. The middle value should be the largest.
   */
  public static double offset(double before, double at, double after) {
    double l = Math.log(before + FLOOR);
    double m = Math.log(at + FLOOR);
    double r = Math.log(after + FLOOR);
    double bend = l - 2 * m + r;
    return bend >= -1e-9 ? 0 : Math.max(-0.5, Math.min(0.5, 0.5 * (l - r) / bend));
  }
}
