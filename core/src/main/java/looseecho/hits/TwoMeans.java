package looseecho.hits;

import java.util.Arrays;

/**
 * Parts measurements into two groups by two-means clustering (Lloyd, "Least squares quantization in
 * PCM", IEEE Transactions on Information Theory 28, 1982), and says how far they lie apart.
 */
public final class TwoMeans {
  private static final int ROUNDS = 20;

  private final double[][] x;
  private final int[] group;
  private final double[][] centre;

  private TwoMeans(double[][] x, int[] group, double[][] centre) {
    this.x = x;
    this.group = group;
    this.centre = centre;
  }

  /** Groups of at least one measurement, each of the same number of values. */
  static TwoMeans of(double[][] x) {
    int a = 0;
    int b = 0;
    for (int i = 0; i < x.length; i++) {
      b = square(x[i], x[0]) > square(x[b], x[0]) ? i : b;
    }
    for (int i = 0; i < x.length; i++) {
      a = square(x[i], x[b]) > square(x[a], x[b]) ? i : a;
    }
    double[][] centre = {x[a].clone(), x[b].clone()};
    int[] group = new int[x.length];
    for (int round = 0; round < ROUNDS; round++) {
      for (int i = 0; i < x.length; i++) {
        group[i] = square(x[i], centre[1]) < square(x[i], centre[0]) ? 1 : 0;
      }
      for (int g = 0; g < 2; g++) {
        centre[g] = mean(x, group, g, centre[g]);
      }
    }
    return new TwoMeans(x, group, centre);
  }

  /** The same of single values. */
  public static TwoMeans of(double[] values) {
    return of(Arrays.stream(values).mapToObj(v -> new double[] {v}).toArray(double[][]::new));
  }

  /** 0 or 1 for each measurement. */
  public int[] groups() {
    return group.clone();
  }

  /** The middle of a group. */
  public double[] centre(int g) {
    return centre[g].clone();
  }

  /** How many measurements the smaller group has. */
  public int fewer() {
    int second = Arrays.stream(group).sum();
    return Math.min(second, group.length - second);
  }

  /** The smaller group. */
  int rare() {
    return 2 * Arrays.stream(group).sum() <= group.length ? 1 : 0;
  }

  /** Squared distance of both centres over the mean squared distance of all from theirs. */
  public double separation() {
    double within = 1e-9;
    for (int i = 0; i < x.length; i++) {
      within += square(x[i], centre[group[i]]) / x.length;
    }
    return square(centre[0], centre[1]) / within;
  }

  private static double[] mean(double[][] x, int[] group, int g, double[] otherwise) {
    double[] m = new double[x[0].length];
    int n = 0;
    for (int i = 0; i < x.length; i++) {
      if (group[i] == g) {
        n++;
        for (int k = 0; k < m.length; k++) {
          m[k] += x[i][k];
        }
      }
    }
    for (int k = 0; k < m.length; k++) {
      m[k] /= Math.max(1, n);
    }
    return n == 0 ? otherwise : m;
  }

  private static double square(double[] a, double[] b) {
    double sum = 0;
    for (int k = 0; k < a.length; k++) {
      sum += (a[k] - b[k]) * (a[k] - b[k]);
    }
    return sum;
  }
}
