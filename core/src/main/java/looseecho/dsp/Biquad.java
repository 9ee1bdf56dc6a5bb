package looseecho.dsp;

/**
 * A second-order filter in transposed direct form II. Coefficients after R. Bristow-Johnson,
 * "Cookbook formulae for audio equalizer biquad filter coefficients" (W3C note, 2021). One per
 * channel; not thread-safe.
 */
public final class Biquad {
  /** Quality at which the pass band is flattest (Butterworth 1930). */
  public static final double BUTTERWORTH = Math.sqrt(0.5);

  private static final int STRETCH = 64; // samples after which is asked whether it still rings

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

  /** Lifts or lowers the band around {@code hz} by so many decibels. */
  public static Biquad peak(double rate, double hz, double q, double db) {
    double w = angle(rate, hz);
    double a = Math.pow(10, db / 40);
    double alpha = Math.sin(w) / (2 * q);
    double c = Math.cos(w);
    return normalised(1 + alpha * a, -2 * c, 1 - alpha * a, 1 + alpha / a, -2 * c, 1 - alpha / a);
  }

  /** Lifts or lowers what lies below {@code hz}; half of the decibels there. Slope 1. */
  public static Biquad lowShelf(double rate, double hz, double db) {
    return shelf(rate, hz, db, 1);
  }

  /** Lifts or lowers what lies above {@code hz}; half of the decibels there. Slope 1. */
  public static Biquad highShelf(double rate, double hz, double db) {
    return shelf(rate, hz, db, -1);
  }

  /** The cookbook's low shelf, and its mirror: the high one has the cosine's sign turned. */
  private static Biquad shelf(double rate, double hz, double db, int low) {
    double w = angle(rate, hz);
    double a = Math.pow(10, db / 40);
    double c = low * Math.cos(w);
    double edge = 2 * Math.sqrt(a) * Math.sin(w) * Math.sqrt(0.5);
    return normalised(
        a * ((a + 1) - (a - 1) * c + edge),
        low * 2 * a * ((a - 1) - (a + 1) * c),
        a * ((a + 1) - (a - 1) * c - edge),
        (a + 1) + (a - 1) * c + edge,
        low * -2 * ((a - 1) + (a + 1) * c),
        (a + 1) + (a - 1) * c - edge);
  }

  /** Gain at a frequency, in decibels. */
  public double decibels(double rate, double hz) {
    double w = 2 * Math.PI * hz / rate;
    double num = power(b0, b1, b2, w);
    return 10 * Math.log10(num / power(1, a1, a2, w));
  }

  private static double power(double c0, double c1, double c2, double w) {
    double re = c0 + c1 * Math.cos(w) + c2 * Math.cos(2 * w);
    double im = c1 * Math.sin(w) + c2 * Math.sin(2 * w);
    return re * re + im * im;
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
    double first = s1;
    double second = s2;
    for (int from = 0; from < x.length; from += STRETCH) {
      int end = Math.min(x.length, from + STRETCH);
      for (int i = from; i < end; i++) {
        double in = x[i];
        double y = b0 * in + first;
        first = b1 * in - a1 * y + second;
        second = b2 * in - a2 * y;
        x[i] = (float) y;
      }
      first = Faint.cut(first);
      second = Faint.cut(second);
    }
    s1 = first;
    s2 = second;
  }
}
