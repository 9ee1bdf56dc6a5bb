package looseecho.dsp;

/**
 * The straight line through evenly spaced values, by least squares.
 *
 * @param first the line's value at the first of them
 * @param last its value at the last of them
 * @param fit coefficient of determination, 0..1
 */
public record LineFit(double first, double last, double fit) {
  /** Of the values from one index to before another. */
  public static LineFit of(double[] y, int from, int to) {
    int n = to - from;
    double mx = (n - 1) / 2.0;
    double my = 0;
    for (int i = from; i < to; i++) {
      my += y[i] / n;
    }
    double xy = 0;
    double xx = 1e-12;
    double yy = 1e-9;
    for (int i = 0; i < n; i++) {
      double d = y[from + i] - my;
      xy += (i - mx) * d;
      xx += (i - mx) * (i - mx);
      yy += d * d;
    }
    double slope = xy / xx;
    return new LineFit(my - slope * mx, my + slope * mx, xy * xy / (xx * yy));
  }

  /** How far it goes, down or up. */
  public double change() {
    return last - first;
  }
}
