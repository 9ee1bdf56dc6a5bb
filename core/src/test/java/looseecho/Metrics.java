package looseecho;

import java.util.Arrays;

/**
 * The measures by which listening is judged, after the definitions of the MIREX evaluations (beats
 * within 70 ms, onsets within 50 ms, section edges within 0.5 or 3 s, tempo within 4 %) and of
 * Raffel and others, "mir_eval: a transparent implementation of common MIR metrics", ISMIR 2014.
 */
public final class Metrics {
  public static final double BEAT = 0.07;
  public static final double ONSET = 0.05;
  public static final double TEMPO = 0.04;

  private Metrics() {}

  /** F measure; each event is matched at most once, as many as possible in all. */
  public static double f(double[] truth, double[] found, double window) {
    double[] a = truth.clone();
    double[] b = found.clone();
    Arrays.sort(a);
    Arrays.sort(b);
    int matched = 0;
    // With one window for all, matching the earliest first matches as many as can be.
    for (int i = 0, j = 0; i < a.length && j < b.length; ) {
      double d = b[j] - a[i];
      if (Math.abs(d) <= window) {
        matched++;
        i++;
        j++;
      } else if (d < 0) {
        j++;
      } else {
        i++;
      }
    }
    return a.length + b.length == 0 ? 1 : 2.0 * matched / (a.length + b.length);
  }

  /** True when a tempo is right within 4 %. */
  public static boolean tempo(double truth, double found) {
    return Math.abs(found / truth - 1) <= TEMPO;
  }

  /** True when a tempo or its double, half, triple or third is right within 4 %. */
  public static boolean tempoOrRelated(double truth, double found) {
    return Arrays.stream(new double[] {1, 2, 0.5, 3, 1 / 3.0})
        .anyMatch(r -> tempo(truth * r, found));
  }
}
