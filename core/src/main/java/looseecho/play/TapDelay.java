package looseecho.play;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;

/**
 * How much later a tap comes in than the click that it meant: the way of the sound to the ear and
 * of the stroke to the program, and the habit of the hand. The middle of all taps, so that single
 * slips don't count.
 *
 * @param ms positive: late
 * @param spreadMs the median distance from it
 */
public record TapDelay(double ms, double spreadMs, int taps) {
  /** Fewer taps say too little. */
  public static final int LEAST = 8;

  private static final double EARLIEST = 0.15; // seconds; a hand that expects the click
  private static final double UNEVEN_MS = 40;

  /**
   * Of taps on even clicks.
   *
   * @param gap between two clicks, in seconds; the first is at 0
   * @param taps in seconds
   */
  public static Optional<TapDelay> of(double gap, List<Double> taps) {
    if (taps.size() < LEAST) {
      return Optional.empty();
    }
    List<Double> late = new ArrayList<>();
    for (double t : taps) {
      double at = (t + EARLIEST) % gap;
      late.add(1000 * ((at < 0 ? at + gap : at) - EARLIEST));
    }
    double middle = median(late);
    double spread = median(late.stream().map(l -> Math.abs(l - middle)).toList());
    return Optional.of(new TapDelay(middle, spread, taps.size()));
  }

  /** False when the taps lie so unevenly that their middle means nothing. */
  public boolean even() {
    return spreadMs <= UNEVEN_MS;
  }

  private static double median(List<Double> values) {
    List<Double> sorted = new ArrayList<>(values);
    Collections.sort(sorted);
    int n = sorted.size();
    return (sorted.get((n - 1) / 2) + sorted.get(n / 2)) / 2;
  }
}
