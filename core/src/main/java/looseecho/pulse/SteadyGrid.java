package looseecho.pulse;

import java.util.Arrays;

/**
 * Fits one exact tempo to beat times by iteratively reweighted least squares (Huber weights; Huber,
 * "Robust Statistics", 1981) and says how well it explains them.
 *
 * <p>The tempo is snapped to a whole or half number of beats per minute when that lies within the
 * fit's own uncertainty: sequenced music nearly always has such a tempo (common practice).
 */
final class SteadyGrid {
  private static final int ROUNDS = 12;
  private static final double HUBER_SECONDS = 0.008;
  private static final double SNAP_SIGMAS = 3;
  private static final double SNAP_FLOOR_BPM = 0.012;
  private static final int LOCAL_BEATS = 8;

  /**
   * The fit: beat k lies at start + k * period.
   *
   * @param rmsMs root mean square of the deviations, the worst twentieth left out
   * @param wanderMs the largest mean deviation over eight beats in a row: a drift shows here
   */
  record Fit(double start, double period, double rmsMs, double wanderMs) {
    double bpm() {
      return 60 / period;
    }
  }

  private SteadyGrid() {}

  /** Fits at least three beats; {@code numbers[k]} is the count of beat k on the grid. */
  static Fit fit(double[] times, int[] numbers) {
    int n = times.length;
    double[] weight = new double[n];
    Arrays.fill(weight, 1);
    double a = times[0];
    double b = (times[n - 1] - times[0]) / (numbers[n - 1] - numbers[0]);
    double spread = 0;
    for (int round = 0; round < ROUNDS; round++) {
      double sw = 0;
      double sx = 0;
      double sy = 0;
      double sxx = 0;
      double sxy = 0;
      for (int i = 0; i < n; i++) {
        double w = weight[i];
        sw += w;
        sx += w * numbers[i];
        sy += w * times[i];
        sxx += w * (double) numbers[i] * numbers[i];
        sxy += w * numbers[i] * times[i];
      }
      b = (sw * sxy - sx * sy) / (sw * sxx - sx * sx);
      a = (sy - b * sx) / sw;
      spread = Math.sqrt(1 / (sw * (sxx / sw - sx / sw * (sx / sw))));
      for (int i = 0; i < n; i++) {
        double e = Math.abs(times[i] - a - b * numbers[i]);
        weight[i] = e <= HUBER_SECONDS ? 1 : HUBER_SECONDS / e;
      }
    }
    double[] deviations = deviations(times, numbers, a, b);
    double rms = trimmedRms(deviations);
    double sigmaBpm = 60 / (b * b) * spread * Math.max(rms, 0.0005);
    double snapped = Math.round(2 * 60 / b) / 2.0;
    if (Math.abs(snapped - 60 / b) < Math.max(SNAP_FLOOR_BPM, SNAP_SIGMAS * sigmaBpm)) {
      double old = b;
      b = 60 / snapped;
      a += (old - b) * weightedMean(numbers, weight);
      deviations = deviations(times, numbers, a, b);
    }
    return new Fit(a, b, 1000 * trimmedRms(deviations), 1000 * wander(deviations));
  }

  private static double weightedMean(int[] numbers, double[] weight) {
    double s = 0;
    double w = 0;
    for (int i = 0; i < numbers.length; i++) {
      s += weight[i] * numbers[i];
      w += weight[i];
    }
    return s / w;
  }

  private static double[] deviations(double[] times, int[] numbers, double a, double b) {
    double[] d = new double[times.length];
    for (int i = 0; i < d.length; i++) {
      d[i] = times[i] - a - b * numbers[i];
    }
    return d;
  }

  private static double trimmedRms(double[] d) {
    double[] sorted = Arrays.stream(d).map(Math::abs).sorted().toArray();
    int keep = Math.max(1, (int) Math.ceil(sorted.length * 0.9));
    double sum = 0;
    for (int i = 0; i < keep; i++) {
      sum += sorted[i] * sorted[i];
    }
    return Math.sqrt(sum / keep);
  }

  /** Largest absolute median of eight neighbouring deviations. */
  private static double wander(double[] d) {
    double worst = 0;
    int width = Math.min(LOCAL_BEATS, d.length);
    for (int i = 0; i + width <= d.length; i++) {
      double[] local = Arrays.copyOfRange(d, i, i + width);
      Arrays.sort(local);
      worst = Math.max(worst, Math.abs(local[width / 2]));
    }
    return worst;
  }
}
