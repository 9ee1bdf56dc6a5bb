package looseecho.pulse;

import java.util.List;
import java.util.Optional;

/**
 * The tempo of taps.
 *
 * @param bpm beats per minute, one tap per beat
 * @param spreadMs how far the taps lie from an even pulse, root mean square
 * @param taps how many taps it rests on
 */
public record TapTempo(double bpm, double spreadMs, int taps) {
  private static final int FEWEST = 4;
  private static final int MOST = 16;
  private static final double PAUSE_SECONDS = 2.5;

  /**
   * Fits an even pulse to the last taps (least squares); a pause begins a new row. Empty before the
   * fourth tap of a row.
   *
   * @param seconds times of the taps in order
   */
  public static Optional<TapTempo> of(List<Double> seconds) {
    int first = seconds.size();
    while (first > 0
        && seconds.size() - first < MOST
        && (first == seconds.size()
            || seconds.get(first) - seconds.get(first - 1) < PAUSE_SECONDS)) {
      first--;
    }
    int n = seconds.size() - first;
    if (n < FEWEST) {
      return Optional.empty();
    }
    double middle = (n - 1) / 2.0;
    double mean =
        seconds.subList(first, seconds.size()).stream().mapToDouble(t -> t).average().orElse(0);
    double xy = 0;
    double xx = 0;
    for (int k = 0; k < n; k++) {
      xy += (k - middle) * (seconds.get(first + k) - mean);
      xx += (k - middle) * (k - middle);
    }
    double period = xy / xx;
    double square = 0;
    for (int k = 0; k < n; k++) {
      double e = seconds.get(first + k) - mean - period * (k - middle);
      square += e * e / n;
    }
    return period <= 0
        ? Optional.empty()
        : Optional.of(new TapTempo(60 / period, 1000 * Math.sqrt(square), n));
  }

  /** The one of the given tempos that the taps speak for: the nearest by ratio. */
  public double nearest(List<Double> tempos) {
    return tempos.stream()
        .min(java.util.Comparator.comparingDouble(t -> Math.abs(Math.log(t / bpm))))
        .orElse(bpm);
  }
}
