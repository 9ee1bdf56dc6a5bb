package looseecho.pulse;

import java.util.Arrays;

/**
 * Finds the one exact tempo that explains beat times, if there is one.
 *
 * <p>Method: the period is where the beats' phases agree best (the periodogram of a point process;
 * Bartlett, "The spectral analysis of point processes", 1963), which needs no counting of beats and
 * so survives stretches where the tracker lost them. The beats that agree are then numbered and
 * fitted by iteratively reweighted least squares (Huber, "Robust Statistics", 1981). The tempo is
 * snapped to a whole or half number of beats per minute when that lies within the fit's own
 * uncertainty: sequenced music nearly always has such a tempo (common practice).
 */
final class SteadyGrid {
  private static final int ROUNDS = 20;
  private static final double HUBER_SECONDS = 0.008;
  private static final double SNAP_SIGMAS = 3;
  private static final double SNAP_FLOOR_BPM = 0.03;
  private static final double BIWEIGHT_SECONDS = 0.03;
  private static final double SEARCH = 0.03; // how far the period may lie from the median gap
  private static final double STAGE_SECONDS = 600;
  private static final double AGREES = 0.12; // of a period: beats farther off the grid are left out

  /**
   * The fit: grid line k lies at start + k * period, near the first beat for k = 0.
   *
   * @param rmsMs root mean square deviation of the beats that agree
   * @param share of all beats that lie within {@code closeMs} of the grid, 0..1
   */
  record Fit(double start, double period, double rmsMs, double share) {
    double bpm() {
      return 60 / period;
    }
  }

  private SteadyGrid() {}

  /**
   * Fits at least four beats in order; beats within {@code closeMs} of the grid count as explained.
   */
  static Fit fit(double[] all, double closeMs) {
    double period = period(all);
    double phase = phase(all, period);
    double[] times =
        Arrays.stream(all).filter(t -> Math.abs(off(t, phase, period)) < AGREES).toArray();
    if (times.length < 4) {
      return new Fit(all[0], period, Double.POSITIVE_INFINITY, 0);
    }
    int[] numbers = new int[times.length];
    for (int i = 0; i < numbers.length; i++) {
      numbers[i] = (int) Math.round((times[i] - phase) / period);
    }
    Line line = snapped(fit(times, numbers));
    double[] close =
        Arrays.stream(all)
            .map(t -> Math.abs(off(t, line.start(), line.period())) * line.period() * 1000)
            .filter(d -> d <= closeMs)
            .toArray();
    double rms =
        Math.sqrt(Arrays.stream(close).map(d -> d * d).average().orElse(Double.POSITIVE_INFINITY));
    return new Fit(line.start(), line.period(), rms, (double) close.length / all.length);
  }

  /**
   * The period near the median gap at which the phases agree best. Long songs are searched in
   * stages: their first ten minutes first, then twice as much each time around what was found.
   */
  private static double period(double[] t) {
    double[] gaps = new double[t.length - 1];
    for (int i = 0; i < gaps.length; i++) {
      gaps[i] = t[i + 1] - t[i];
    }
    Arrays.sort(gaps);
    double found = gaps[gaps.length / 2];
    double reach = SEARCH;
    double seconds = STAGE_SECONDS;
    double whole = t[t.length - 1] - t[0];
    while (true) {
      double until = t[0] + seconds;
      double[] part = seconds >= whole ? t : Arrays.stream(t).filter(x -> x <= until).toArray();
      double span = Math.max(found, part[part.length - 1] - part[0]);
      double step = found / (16 * span);
      found = best(part, found, reach, step);
      if (seconds >= whole) {
        return found;
      }
      reach = 4 * step;
      seconds *= 2;
    }
  }

  /**
   * The best period of those whose frequencies lie a step apart. From one to the next every beat's
   * phasor turns by the same angle, so no sine is taken twice.
   */
  private static double best(double[] t, double middle, double reach, double step) {
    double first = 1 / (middle * (1 + reach));
    double apart = step / middle;
    int n = t.length;
    double[] re = new double[n];
    double[] im = new double[n];
    double[] cos = new double[n];
    double[] sin = new double[n];
    for (int i = 0; i < n; i++) {
      double x = 2 * Math.PI * (t[i] - t[0]);
      re[i] = Math.cos(x * first);
      im[i] = Math.sin(x * first);
      cos[i] = Math.cos(x * apart);
      sin[i] = Math.sin(x * apart);
    }
    double best = middle;
    double most = -1;
    for (double f = first; f <= 1 / (middle * (1 - reach)); f += apart) {
      double sumRe = 0;
      double sumIm = 0;
      for (int i = 0; i < n; i++) {
        double a = re[i];
        double b = im[i];
        sumRe += a;
        sumIm += b;
        re[i] = a * cos[i] - b * sin[i];
        im[i] = a * sin[i] + b * cos[i];
      }
      double length = sumRe * sumRe + sumIm * sumIm;
      if (length > most) {
        most = length;
        best = 1 / f;
      }
    }
    return best;
  }

  /** Seconds of the grid line nearest to the first beat. */
  private static double phase(double[] t, double period) {
    double re = 0;
    double im = 0;
    for (double x : t) {
      re += Math.cos(2 * Math.PI * (x - t[0]) / period);
      im += Math.sin(2 * Math.PI * (x - t[0]) / period);
    }
    return t[0] + Math.atan2(im, re) / (2 * Math.PI) * period;
  }

  /** Distance from the grid in periods, -0.5..0.5. */
  private static double off(double t, double phase, double period) {
    double x = (t - phase) / period;
    return x - Math.rint(x);
  }

  /**
   * A fitted line, the uncertainty of its period, and the mean number of the beats that carry it.
   */
  private record Line(double start, double period, double sigma, double centre) {}

  /**
   * Least squares, first with Huber's weights, then with Tukey's biweight, which lets go of lost
   * stretches altogether.
   */
  private static Line fit(double[] times, int[] numbers) {
    int n = times.length;
    double[] weight = new double[n];
    Arrays.fill(weight, 1);
    Line line = null;
    for (int round = 0; round < ROUNDS; round++) {
      line = weighted(times, numbers, weight);
      for (int i = 0; i < n; i++) {
        double e = Math.abs(times[i] - line.start() - line.period() * numbers[i]);
        double t = Math.max(0, 1 - e / BIWEIGHT_SECONDS * (e / BIWEIGHT_SECONDS));
        double huber = e <= HUBER_SECONDS ? 1 : HUBER_SECONDS / e;
        weight[i] = round < ROUNDS / 2 ? huber : t * t + 1e-6;
      }
    }
    return line;
  }

  private static Line weighted(double[] times, int[] numbers, double[] weight) {
    double sw = 0;
    double sx = 0;
    double sy = 0;
    for (int i = 0; i < times.length; i++) {
      sw += weight[i];
      sx += weight[i] * numbers[i];
      sy += weight[i] * times[i];
    }
    double centre = sx / sw;
    double sxx = 0;
    double sxy = 0;
    for (int i = 0; i < times.length; i++) {
      sxx += weight[i] * (numbers[i] - centre) * (numbers[i] - centre);
      sxy += weight[i] * (numbers[i] - centre) * (times[i] - sy / sw);
    }
    double period = sxy / sxx;
    double start = sy / sw - period * centre;
    double see = 0;
    for (int i = 0; i < times.length; i++) {
      double e = times[i] - start - period * numbers[i];
      see += weight[i] * e * e;
    }
    return new Line(start, period, Math.sqrt((see / sw + 1e-8) / sxx), centre);
  }

  /**
   * The line with its tempo moved to a whole or half number when that is within its uncertainty.
   */
  private static Line snapped(Line line) {
    double bpm = 60 / line.period();
    double round = Math.round(2 * bpm) / 2.0;
    double sigmaBpm = bpm / line.period() * line.sigma();
    if (Math.abs(round - bpm) >= Math.max(SNAP_FLOOR_BPM, SNAP_SIGMAS * sigmaBpm)) {
      return line;
    }
    double period = 60 / round;
    return new Line(
        line.start() + (line.period() - period) * line.centre(),
        period,
        line.sigma(),
        line.centre());
  }
}
