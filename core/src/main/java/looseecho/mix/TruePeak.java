package looseecho.mix;

/**
 * Peaks between samples, by four times oversampling with a filter of 48 taps.
 *
 * <p>Source: Recommendation ITU-R BS.1770-4 (2015), annex 2. Departure: a Kaiser-windowed sinc of
 * the annex's length stands in for its table of coefficients; a test holds it against sines whose
 * true peak is known.
 */
public final class TruePeak {
  private static final int PHASES = 4;
  private static final int TAPS = 12;
  private static final float[][] FILTER = filter();

  private TruePeak() {}

  /** A windowed sinc with the annex's length and phases (Kaiser window, unity gain per phase). */
  private static float[][] filter() {
    float[][] f = new float[PHASES][TAPS];
    for (int p = 0; p < PHASES; p++) {
      double sum = 0;
      double[] h = new double[TAPS];
      for (int k = 0; k < TAPS; k++) {
        double t = k - (TAPS / 2 - 1) - (double) p / PHASES;
        double sinc = t == 0 ? 1 : Math.sin(Math.PI * t) / (Math.PI * t);
        double w = t / (TAPS / 2.0);
        h[k] = sinc * (Math.abs(w) >= 1 ? 0 : bessel(5 * Math.sqrt(1 - w * w)) / bessel(5));
        sum += h[k];
      }
      for (int k = 0; k < TAPS; k++) {
        f[p][k] = (float) (h[k] / sum);
      }
    }
    return f;
  }

  /** Modified Bessel function of order 0. */
  private static double bessel(double x) {
    double sum = 1;
    double term = 1;
    for (int k = 1; k < 25; k++) {
      term *= x * x / (4.0 * k * k);
      sum += term;
    }
    return sum;
  }

  /** Largest magnitude at and after sample i, before the next one. */
  static float at(float[] x, int i) {
    float peak = Math.abs(x[i]);
    for (int p = 1; p < PHASES; p++) {
      float y = 0;
      for (int k = 0; k < TAPS; k++) {
        int at = i + k - (TAPS / 2 - 1);
        y += at >= 0 && at < x.length ? FILTER[p][k] * x[at] : 0;
      }
      peak = Math.max(peak, Math.abs(y));
    }
    return peak;
  }

  /** The true peak of a channel, linear. */
  public static double of(float[] x) {
    double peak = 0;
    for (int i = 0; i < x.length; i++) {
      peak = Math.max(peak, at(x, i));
    }
    return peak;
  }
}
