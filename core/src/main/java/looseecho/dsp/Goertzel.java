package looseecho.dsp;

/**
 * Power of single frequencies in a short stretch under a Hann window. Source: G. Goertzel, "An
 * algorithm for the evaluation of finite trigonometric series", American Mathematical Monthly 65,
 * 1958.
 */
public final class Goertzel {
  private final double[] windowed;
  private final double rate;

  /** For one stretch, at {@code rate} hertz. */
  public Goertzel(float[] x, double rate) {
    this.rate = rate;
    windowed = new double[x.length];
    for (int i = 0; i < x.length; i++) {
      windowed[i] = (0.5 - 0.5 * Math.cos(2 * Math.PI * i / x.length)) * x[i];
    }
  }

  /** Power against the stretch's length: the same sound reads the same through any window. */
  public double power(double hz) {
    double c = 2 * Math.cos(2 * Math.PI * hz / rate);
    double a = 0;
    double b = 0;
    for (double x : windowed) {
      double s = x + c * a - b;
      b = a;
      a = s;
    }
    double length = Math.max(1, windowed.length);
    return (a * a + b * b - c * a * b) / (length * length);
  }
}
