package looseecho.dsp;

/**
 * Power of one frequency in a short stretch under a Hann window. Source: G. Goertzel, "An algorithm
 * for the evaluation of finite trigonometric series", American Mathematical Monthly 65, 1958.
 */
public final class Goertzel {
  private Goertzel() {}

  /** Power against the stretch's length: the same sound reads the same through any window. */
  public static double power(float[] x, double hz, double rate) {
    double c = 2 * Math.cos(2 * Math.PI * hz / rate);
    double a = 0;
    double b = 0;
    for (int i = 0; i < x.length; i++) {
      double hann = 0.5 - 0.5 * Math.cos(2 * Math.PI * i / x.length);
      double s = hann * x[i] + c * a - b;
      b = a;
      a = s;
    }
    return (a * a + b * b - c * a * b) / Math.max(1.0, (double) x.length * x.length);
  }
}
