package looseecho.pulse;

import java.util.Arrays;
import looseecho.activity.Activities;
import looseecho.activity.Lane;
import looseecho.dsp.Chroma;

/**
 * Counts the beats into bars over the whole song: the likeliest count (Viterbi 1967) under what
 * each beat says about being a first one. That is the downbeat activity, held within bounds so that
 * a few loud words can't outvote a song; then, how much the harmony changes there; and how much the
 * playing does, since parts come and go on bar lines (common practice). Changes are found as peaks
 * of novelty, here the difference between the eight beats before and after, as in Foote, "Automatic
 * audio segmentation using a measure of audio novelty", ICME 2000. A bar that is cut short has a
 * price, so the count carries on through passages that say nothing.
 */
final class BarCount {
  private static final int SIDE = 8; // beats compared before and after
  private static final double EARLY = 0.03; // seconds by which a hit may come before its beat
  private static final double FLOOR = 0.03; // activities below it are alike
  private static final double MOST = 1.5; // log odds that one beat's activity can bring
  private static final double STANDS_OUT = 1.5; // a change against the mean one
  private static final double MOST_CHANGE = 4; // means that one change can bring, in log odds
  private static final double CUT_SHORT = 8; // log odds that a bar breaks off

  private BarCount() {}

  /** Places of the beats from 1; those given where there are too few beats to tell. */
  static int[] settle(Activities a, Chroma chroma, double[] times, int[] places, int meter) {
    if (times.length < 4 * SIDE) {
      return places;
    }
    double[] first = changes(a, times);
    double[] harmony = HarmonicChange.odds(chroma, times);
    for (int k = 0; k < times.length; k++) {
      double down = Math.min(PhaseSlip.peak(a, times[k], true), 0.98);
      double other = PhaseSlip.peak(a, times[k], false) - 0.75 * down;
      double odds = Math.log(Math.max(FLOOR, down)) - Math.log(Math.max(FLOOR, other));
      first[k] += harmony[k] + Math.max(-MOST, Math.min(MOST, odds));
    }
    return count(first, meter);
  }

  /** The likeliest count for log odds of being a first beat. */
  static int[] count(double[] first, int meter) {
    int[][] from = new int[first.length][meter];
    double[] best = new double[meter];
    best[0] = first[0];
    for (int k = 1; k < first.length; k++) {
      double[] now = new double[meter];
      for (int p = 0; p < meter; p++) {
        from[k][p] = (p + meter - 1) % meter;
        now[p] = best[from[k][p]];
      }
      for (int p = 0; p < meter - 1; p++) {
        if (best[p] - CUT_SHORT > now[0]) {
          now[0] = best[p] - CUT_SHORT;
          from[k][0] = p;
        }
      }
      now[0] += first[k];
      best = now;
    }
    int place = 0;
    for (int p = 1; p < meter; p++) {
      place = best[p] > best[place] ? p : place;
    }
    int[] out = new int[first.length];
    for (int k = first.length - 1; k >= 0; k--) {
      out[k] = place + 1;
      place = from[k][place];
    }
    return out;
  }

  /** What the changes of the playing say, in log odds. */
  private static double[] changes(Activities a, double[] times) {
    double[] novelty = novelty(a, times);
    double mean = Arrays.stream(novelty).average().orElse(0) + 1e-9;
    double[] out = new double[times.length];
    for (int k = 0; k < times.length; k++) {
      if (novelty[k] > STANDS_OUT * mean && top(novelty, k)) {
        out[k] = Math.min(MOST_CHANGE, novelty[k] / mean);
      }
    }
    return out;
  }

  private static boolean top(double[] x, int k) {
    for (int j = Math.max(0, k - SIDE / 2); j <= Math.min(x.length - 1, k + SIDE / 2); j++) {
      if (x[j] > x[k]) {
        return false;
      }
    }
    return true;
  }

  private static double[] novelty(Activities a, double[] times) {
    double[][] played = new double[Lane.HEARD.size()][times.length];
    for (int k = 0; k + 1 < times.length; k++) {
      int from = Math.max(0, Activities.FRAMES.nearest(times[k] - EARLY));
      int to = Math.min(a.frames(), Activities.FRAMES.nearest(times[k + 1] - EARLY));
      for (int l = 0; l < played.length; l++) {
        for (int n = from; n < to; n++) {
          played[l][k] = Math.max(played[l][k], a.lane(Lane.HEARD.get(l), n));
        }
      }
    }
    double[] out = new double[times.length];
    for (int k = SIDE; k + SIDE < times.length; k++) {
      for (double[] lane : played) {
        double difference = 0;
        for (int j = 0; j < SIDE; j++) {
          difference += lane[k + j] - lane[k - 1 - j];
        }
        out[k] += Math.abs(difference) / SIDE;
      }
    }
    return out;
  }
}
