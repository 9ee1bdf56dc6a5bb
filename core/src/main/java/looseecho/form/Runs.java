package looseecho.form;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** Runs of a value in one direction, over the half beats of a track. */
final class Runs {
  static final int LONGEST = 16; // bars
  static final double STEP = 0.65; // a jump beyond this share is an edge, no run
  private static final double SLACK = 0.3; // of what counts, back and forth on the way
  private static final double ENTRY = 0.9; // of what counts, in a beat: something came in there

  private Runs() {}

  /** A stretch of half beats over which a value grows; it falls back behind its end. */
  record Run(int start, int end, double from, double to) {}

  /** Runs upwards by so much, which fall back by as much at their ends. */
  static List<Run> up(double[] raw, double least, int bar) {
    double[] y = envelope(raw);
    double slack = SLACK * least;
    List<Run> out = new ArrayList<>();
    for (int e = bar; e < raw.length - bar / 2; e++) {
      if (raw[e] - median(raw, e + 1, e + 1 + bar / 2) < least || raw[e + 1] > raw[e] - least / 2) {
        continue;
      }
      double top = Math.max(raw[e], y[e]);
      int s = e;
      double low = top;
      while (s > 0 && e - s < LONGEST * bar && y[s - 1] <= low + slack) {
        s--;
        low = Math.min(low, y[s]);
      }
      for (int k = s + 2; k <= e; k++) {
        boolean entry = y[k] - y[k - 2] > ENTRY * least && top - y[k] >= least;
        low = entry ? y[k] : low;
        s = entry ? k : s;
      }
      int quarter = lastBelow(y, s, e, low + 0.25 * (top - low));
      int most = lastBelow(y, s, e, low + 0.75 * (top - low));
      s = Math.max(s, quarter - (most - quarter) / 2); // where a straight line begins
      if (top - low >= least && e - s >= 0.75 * bar && steepest(y, s, e) < STEP * (top - low)) {
        out.add(new Run(s, e + 1, low, top));
        e += bar / 2;
      }
    }
    return out;
  }

  static int lastBelow(double[] y, int from, int to, double limit) {
    int k = to;
    while (k > from && y[k] > limit) {
      k--;
    }
    return k;
  }

  static double steepest(double[] y, int from, int to) {
    double step = 0;
    for (int k = from + 1; k <= to; k++) {
      step = Math.max(step, y[k] - y[Math.max(from, k - 2)]);
    }
    return step;
  }

  /** The lower of two half beats: what sounds on every other one counts for both. */
  static double[] envelope(double[] y) {
    double[] out = y.clone();
    for (int k = 1; k < y.length; k++) {
      out[k] = Math.min(y[k - 1], y[k]);
    }
    return out;
  }

  /** Running median over a beat and a half. */
  static double[] smooth(double[] y) {
    double[] out = new double[y.length];
    for (int k = 0; k < y.length; k++) {
      out[k] = median(y, Math.max(0, k - 1), Math.min(y.length, k + 2));
    }
    return out;
  }

  static double mean(double[] y, int from, int to) {
    return Arrays.stream(y, Math.max(0, from), Math.max(1, Math.min(y.length, to)))
        .average()
        .orElse(0);
  }

  static double median(double[] y, int from, int to) {
    double[] v =
        Arrays.copyOfRange(y, Math.max(0, from), Math.max(from + 1, Math.min(y.length, to)));
    Arrays.sort(v);
    return v[v.length / 2];
  }
}
