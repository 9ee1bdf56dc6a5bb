package looseecho.pulse;

import java.util.Arrays;
import java.util.Optional;
import looseecho.activity.Activities;

/**
 * Mends a pulse that slipped by half a beat in the middle of a steady song, as happens under broken
 * beats: sequenced music does not jump, so one phase is chosen for all of it. The phase with more
 * beat activity and, under its best bar lines, more downbeat activity wins.
 */
final class PhaseSlip {
  private static final double LEAST = 0.08; // share of the beats on each side of the slip
  private static final int NEAR = 3; // frames
  private static final double DOWNBEAT_WEIGHT = 1;
  private static final double STAY = 1.08;

  private PhaseSlip() {}

  /** Beats and their places in the bar. */
  record Mended(double[] times, int[] places) {}

  /**
   * Even beats in one phase; empty when the beats lie in the better phase already, or on no steady
   * grid.
   *
   * @param share of the beats that both grids together must explain
   */
  static Optional<Mended> mend(
      Activities a, double[] times, double closeMs, double share, int meter) {
    SteadyGrid.Fit halves = SteadyGrid.fit(withMiddles(times), closeMs); // both phases lie on it
    SteadyGrid.Fit fit =
        new SteadyGrid.Fit(halves.start(), 2 * halves.period(), halves.rmsMs(), halves.share());
    double on = share(times, fit.start(), fit.period(), closeMs);
    double off = share(times, fit.start() + fit.period() / 2, fit.period(), closeMs);
    boolean slipped = Math.min(on, off) >= LEAST;
    if (on + off < share) {
      return Optional.empty();
    }
    double end = times[times.length - 1];
    Mended best = null;
    double most = Double.NEGATIVE_INFINITY;
    double own = on >= off ? 0 : 0.5;
    double chosen = own;
    for (double shift : new double[] {0, 0.5}) {
      double start = fit.start() + shift * fit.period();
      start -= Math.floor((start - times[0] + fit.period() / 4) / fit.period()) * fit.period();
      int n = Math.max(1, (int) ((end - start) / fit.period() + 0.25) + 1);
      double[] line = new double[n];
      double beats = 0;
      double[] downs = new double[meter];
      for (int k = 0; k < n; k++) {
        line[k] = start + k * fit.period();
        beats += peak(a, line[k], false);
        downs[k % meter] += peak(a, line[k], true);
      }
      int one = 0;
      for (int k = 1; k < meter; k++) {
        one = downs[k] > downs[one] ? k : one;
      }
      double score = (beats + DOWNBEAT_WEIGHT * meter * downs[one]) / n;
      score *= !slipped && shift == own ? STAY : 1; // one phase throughout must be clearly worse
      if (score > most) {
        most = score;
        chosen = shift;
        int[] places = new int[n];
        for (int k = 0; k < n; k++) {
          places[k] = Math.floorMod(k - one, meter) + 1;
        }
        best = new Mended(line, places);
      }
    }
    return slipped || chosen != own ? Optional.of(best) : Optional.empty();
  }

  private static double[] withMiddles(double[] t) {
    double[] out = new double[2 * t.length - 1];
    for (int k = 0; k < t.length; k++) {
      out[2 * k] = t[k];
      if (k + 1 < t.length) {
        out[2 * k + 1] = 0.5 * (t[k] + t[k + 1]);
      }
    }
    return out;
  }

  private static double share(double[] times, double start, double period, double closeMs) {
    return (double)
            Arrays.stream(times)
                .filter(
                    t -> {
                      double x = (t - start) / period;
                      return 1000 * Math.abs(x - Math.rint(x)) * period <= closeMs;
                    })
                .count()
        / times.length;
  }

  /** Beat or downbeat activity about a time. */
  static double peak(Activities a, double time, boolean down) {
    int centre = Activities.FRAMES.nearest(time);
    double top = 0;
    for (int n = Math.max(0, centre - NEAR); n <= Math.min(a.frames() - 1, centre + NEAR); n++) {
      top = Math.max(top, down ? a.downbeat(n) : a.beat(n));
    }
    return top;
  }
}
