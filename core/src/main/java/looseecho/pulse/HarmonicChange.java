package looseecho.pulse;

import java.util.Arrays;
import looseecho.dsp.Chroma;

/**
 * What the changes of the harmony say about where bars begin: chords change on first beats more
 * often than elsewhere, as Goto and Muraoka use it for music without drums ("Real-time beat
 * tracking for drumless audio signals", Speech Communication 1999; from memory). Here a change is
 * one less the cosine of the chroma of two beats before and two after, bass and the rest apart.
 */
final class HarmonicChange {
  private static final int SIDE = 2; // beats; one is too restless, four blur neighbouring chords
  private static final double WEIGHT = 0.8; // log odds for a change of twice the mean
  private static final double MOST = 1.5; // log odds that one beat can bring

  private HarmonicChange() {}

  /** Log odds of being a first beat, for each beat; 0 where there is nothing to compare. */
  static double[] odds(Chroma chroma, double[] times) {
    int n = times.length;
    double[][] beats = new double[n][];
    for (int k = 0; k < n; k++) {
      double end = k + 1 < n ? times[k + 1] : 2 * times[k] - times[k - 1];
      beats[k] = chroma.sum(times[k], end);
      for (int c = 0; c < beats[k].length; c++) {
        beats[k][c] = Math.sqrt(beats[k][c]); // one long note must not speak for all
      }
    }
    double[] change = new double[n];
    Arrays.fill(change, Double.NaN); // where one side is silent it says nothing
    for (int k = 1; k < n; k++) {
      change[k] = 1 - cosine(sum(beats, k - SIDE, k), sum(beats, k, k + SIDE));
    }
    double mean = Arrays.stream(change).filter(c -> c >= 0).average().orElse(0) + 1e-9;
    return Arrays.stream(change)
        .map(c -> Double.isNaN(c) ? 0 : WEIGHT * (c / mean - 1))
        .map(odds -> Math.max(-MOST, Math.min(MOST, odds)))
        .toArray();
  }

  private static double[] sum(double[][] beats, int from, int to) {
    double[] out = new double[beats[0].length];
    for (int k = Math.max(0, from); k < Math.min(beats.length, to); k++) {
      for (int c = 0; c < out.length; c++) {
        out[c] += beats[k][c];
      }
    }
    return out;
  }

  private static double cosine(double[] a, double[] b) {
    double ab = 0;
    double aa = 0;
    double bb = 0;
    for (int c = 0; c < a.length; c++) {
      ab += a[c] * b[c];
      aa += a[c] * a[c];
      bb += b[c] * b[c];
    }
    return Math.min(1, ab / Math.sqrt(aa * bb)); // NaN of nothing
  }
}
