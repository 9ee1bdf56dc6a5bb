package looseecho.palette;

import java.util.Arrays;

/**
 * How far a sound of one's own is from a heard one: the mean difference of their levels over time
 * and frequency in decibels, where at least one of them is loud. The candidate may be louder or
 * softer, and cut shorter: both are told as remedies.
 */
public final class PictureDistance {
  private static final double DEPTH = 42; // decibels below the loudest that count
  private static final double MOST = 24; // decibels that one cell can be off
  private static final double NEAR_TOP = 18;
  private static final double[] SHORTER = {0, 25, 50, 90, 150, 240}; // dB a second

  private PictureDistance() {}

  /**
   * A comparison.
   *
   * @param distance mean difference in decibels
   * @param gainDb what the candidate has to be lifted by
   * @param shorterDbPerSecond how much faster it has to die away
   */
  public record Found(double distance, double gainDb, double shorterDbPerSecond) {}

  /** Compares, at the best lift and length. */
  public static Found between(Picture heard, Picture other) {
    return between(heard, other, Region.WHOLE);
  }

  /** Compares a region of both. */
  public static Found between(Picture heard, Picture other, Region region) {
    Found best = null;
    double top = top(heard, region);
    for (double faster : SHORTER) {
      Found f = between(heard, other, region, faster, top);
      if (best == null || f.distance() + penalty(f) < best.distance() + penalty(best)) {
        best = f;
      }
    }
    return best;
  }

  private static double penalty(Found f) {
    return f.shorterDbPerSecond() == 0 ? 0 : 0.35;
  }

  private static double top(Picture heard, Region region) {
    double top = -1e9;
    for (int n = 0; n < Picture.FRAMES; n++) {
      for (int k = 0; k < Picture.BANDS; k++) {
        top = region.holds(n, k) ? Math.max(top, heard.at(n, k)) : top;
      }
    }
    return region == Region.WHOLE ? heard.top() : top;
  }

  private static Found between(
      Picture heard, Picture other, Region region, double faster, double top) {
    double gain = gain(heard, other, region, faster, top);
    double sum = 0;
    double count = 0;
    for (int n = 0; n < Picture.FRAMES; n++) {
      double fall = faster * Picture.time(n);
      double frame = n < 24 ? 1 : 1.5;
      for (int k = 0; k < Picture.BANDS; k++) {
        if (!region.holds(n, k)) {
          continue;
        }
        double h = Math.max(-DEPTH, heard.at(n, k) - top);
        double c = Math.max(-DEPTH, other.at(n, k) - fall + gain - top);
        if (heard.isSure(n, k)) {
          double w = frame * (1 + Math.max(h, c) / DEPTH);
          sum += w * Math.min(MOST, Math.abs(h - c));
          count += w;
        } else if (c > h + 2) { // it would have been heard
          double w = frame * (1 + c / DEPTH);
          sum += w * Math.min(MOST, c - h - 2);
          count += w;
        }
      }
    }
    return new Found(sum / Math.max(1e-9, count), gain, faster);
  }

  /** The lift by which the loud cells of the heard sound agree best: the median difference. */
  private static double gain(
      Picture heard, Picture other, Region region, double faster, double top) {
    double[] d = new double[Picture.FRAMES * Picture.BANDS];
    int n = 0;
    for (int f = 0; f < Picture.FRAMES; f++) {
      for (int k = 0; k < Picture.BANDS; k++) {
        if (region.holds(f, k) && heard.isSure(f, k) && heard.at(f, k) > top - NEAR_TOP) {
          d[n++] = heard.at(f, k) - other.at(f, k) + faster * Picture.time(f);
        }
      }
    }
    Arrays.sort(d, 0, n);
    return n == 0 ? 0 : d[n / 2];
  }
}
