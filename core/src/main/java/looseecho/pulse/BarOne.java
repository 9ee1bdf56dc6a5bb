package looseecho.pulse;

import looseecho.activity.Activities;
import looseecho.activity.Lane;

/**
 * Decides which beat is the bar's first where the downbeat activity hardly tells them apart, as
 * under an even kick: drums come and go on bar lines (common practice), so the beats on which the
 * playing changes most speak for their place. Changes are found as peaks of novelty, here the
 * difference between the eight beats before and after, as in Foote, "Automatic audio segmentation
 * using a measure of audio novelty", ICME 2000.
 */
final class BarOne {
  private static final int SIDE = 8; // beats compared before and after
  private static final double RIVAL = 0.8; // share of the best place's activity that makes a rival
  private static final double CHANGES = 0.5; // weight of the changes beside the activity
  private static final double CLEAR = 0.05; // by how much a rival must be better
  private static final double EARLY = 0.03; // seconds by which a hit may come before its beat

  private BarOne() {}

  /** Places of the beats from 1, those given where nothing speaks against them. */
  static int[] settle(Activities a, double[] times, int[] places, int meter) {
    if (times.length < 4 * SIDE || !regular(places, meter)) {
      return places;
    }
    double[] down = new double[meter];
    double[] changes = new double[meter];
    double[] novelty = novelty(a, times);
    double mean = java.util.Arrays.stream(novelty).average().orElse(0);
    double all = 1e-9;
    for (int k = 0; k < times.length; k++) {
      int shift = places[k] - 1;
      down[shift] += PhaseSlip.peak(a, times[k], true);
      if (top(novelty, k) && novelty[k] > 1.5 * mean) {
        changes[shift] += novelty[k];
        all += novelty[k];
      }
    }
    double most = java.util.Arrays.stream(down).max().orElse(0);
    int best = 0;
    for (int s = 1; s < meter; s++) {
      boolean rival = down[s] >= RIVAL * most;
      if (rival
          && score(down[s], most, changes[s], all)
              > score(down[best], most, changes[best], all) + CLEAR) {
        best = s;
      }
    }
    int[] out = new int[places.length];
    for (int k = 0; k < out.length; k++) {
      out[k] = Math.floorMod(places[k] - 1 - best, meter) + 1;
    }
    return out;
  }

  private static double score(double down, double most, double changes, double all) {
    return down / Math.max(1e-9, most) + CHANGES * changes / all;
  }

  /** True when no bar breaks off. */
  private static boolean regular(int[] places, int meter) {
    for (int k = 1; k < places.length; k++) {
      if (places[k] != places[k - 1] % meter + 1) {
        return false;
      }
    }
    return true;
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
