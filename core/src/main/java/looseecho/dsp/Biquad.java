package looseecho.dsp;

/**
 * A second-order filter in transposed direct form II. Coefficients after R. Bristow-Johnson,
 * "Cookbook formulae for audio equalizer biquad filter coefficients" (W3C note, 2021). One per
 * channel; not thread-safe.
 */
public final class Biquad {
  private final double b0;
  private final double b1;
  private final double b2;
  private final double a1;
  private final double a2;
  private double s1;
  private double s2;

  /** Takes normalised coefficients (a0 = 1). */
  public Biquad(double b0, double b1, double b2, double a1, double a2) {
    this.b0 = b0;
    this.b1 = b1;
    this.b2 = b2;
    this.a1 = a1;
    this.a2 = a2;
  }

  /** Low-pass at {@code hz} with quality {@code q}. */
  public static Biquad lowPass(double rate, double hz, double q) {
    double w = angle(rate, hz);
    double c = Math.cos(w);
    double alpha = Math.sin(w) / (2 * q);
    return normalised((1 - c) / 2, 1 - c, (1 - c) / 2, 1 + alpha, -2 * c, 1 - alpha);
  }

  /** High-pass at {@code hz} with quality {@code q}. */
  public static Biquad highPass(double rate, double hz, double q) {
    double w = angle(rate, hz);
    double c = Math.cos(w);
    double alpha = Math.sin(w) / (2 * q);
    return normalised((1 + c) / 2, -(1 + c), (1 + c) / 2, 1 + alpha, -2 * c, 1 - alpha);
  }

  /** Band-pass around {@code hz}, peak gain 1. */
  public static Biquad bandPass(double rate, double hz, double q) {
    double w = angle(rate, hz);
    double alpha = Math.sin(w) / (2 * q);
    return normalised(alpha, 0, -alpha, 1 + alpha, -2 * Math.cos(w), 1 - alpha);
  }

  private static double angle(double rate, double hz) {
    return 2 * Math.PI * Math.min(hz, 0.49 * rate) / rate;
  }

  private static Biquad normalised(
      double b0, double b1, double b2, double a0, double a1, double a2) {
    return new Biquad(b0 / a0, b1 / a0, b2 / a0, a1 / a0, a2 / a0);
  }

  /**
   * Takes over the memory of another filter, so that a moving filter does not click. Returns
   * itself.
   */
  public Biquad continuing(Biquad other) {
    s1 = other.s1;
    s2 = other.s2;
    return this;
  }

  /** Filters one sample. */
  public double next(double x) {
    double y = b0 * x + s1;
    s1 = b1 * x - a1 * y + s2;
    s2 = b2 * x - a2 * y;
    return y;
  }

  /** Filters an array in place. */
  public void run(float[] x) {
    for (int i = 0; i < x.length; i++) {
      x[i] = (float) next(x[i]);
    }
  }
}
