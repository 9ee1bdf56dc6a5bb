package looseecho.pulse;

import java.util.ArrayList;
import java.util.List;

/**
 * Turns tracked beats into the final ones: on a steady grid or as played, from the music's start to
 * its end, with bars numbered. A work object of {@link PulseFinder}: made, adjusted, read once.
 */
final class BeatGrid {
  private static final double EDGE_SECONDS = 0.05;
  private static final double SAME_BEAT =
      0.3; // of a period: a tracked beat within this names the grid line

  private final List<Double> lines = new ArrayList<>();
  private final List<Integer> places = new ArrayList<>();
  private final int meter;
  private int one = -1;

  private BeatGrid(int meter) {
    this.meter = meter;
  }

  /**
   * Beats on a steady grid; their places are those of the tracked beats near them, counted on where
   * none is.
   */
  static BeatGrid steady(SteadyGrid.Fit fit, double[] times, int[] positions, int meter) {
    BeatGrid g = new BeatGrid(meter);
    double last = times[times.length - 1] + fit.period() / 2;
    int known = -1;
    int k = 0;
    for (int n = 0; fit.start() + n * fit.period() < last; n++) {
      double line = fit.start() + n * fit.period();
      while (k + 1 < times.length && Math.abs(times[k + 1] - line) <= Math.abs(times[k] - line)) {
        k++;
      }
      boolean tracked = Math.abs(times[k] - line) <= SAME_BEAT * fit.period();
      g.lines.add(line);
      g.places.add(tracked ? positions[k] : n == 0 ? 1 : g.after(g.places.get(n - 1)));
      if (tracked && known < 0) {
        known = n;
        for (int i = n - 1; i >= 0; i--) {
          g.places.set(i, g.before(g.places.get(i + 1)));
        }
      }
    }
    return g;
  }

  /**
   * Played beats: each is drawn half-way to the middle of its neighbours, which halves single
   * errors.
   */
  static BeatGrid played(double[] t, int[] positions, int meter) {
    BeatGrid g = new BeatGrid(meter);
    for (int k = 0; k < t.length; k++) {
      boolean end = k == 0 || k == t.length - 1;
      g.lines.add(end ? t[k] : 0.5 * t[k] + 0.25 * (t[k - 1] + t[k + 1]));
      g.places.add(positions[k]);
    }
    return g;
  }

  private int after(int place) {
    return place % meter + 1;
  }

  private int before(int place) {
    return (place + meter - 2) % meter + 1;
  }

  /** Continues the beats to both ends of the music, in seconds, and drops those outside it. */
  void fitTo(double start, double end) {
    double lead = lines.get(1) - lines.get(0);
    while (lines.get(0) - lead > start - EDGE_SECONDS) {
      lines.add(0, lines.get(0) - lead);
      places.add(0, before(places.get(0)));
    }
    double tail = lines.get(lines.size() - 1) - lines.get(lines.size() - 2);
    while (lines.get(lines.size() - 1) + tail < end) {
      lines.add(lines.get(lines.size() - 1) + tail);
      places.add(after(places.get(places.size() - 1)));
    }
    while (lines.size() > 2 && lines.get(0) < start - EDGE_SECONDS) {
      lines.remove(0);
      places.remove(0);
    }
    while (lines.size() > 2 && lines.get(lines.size() - 1) > end) {
      lines.remove(lines.size() - 1);
      places.remove(places.size() - 1);
    }
  }

  /** Moves every beat by so many seconds. */
  void move(double seconds) {
    lines.replaceAll(t -> t + seconds);
  }

  /** Puts the first beat of bar 1 on the beat nearest to a time; all other bars move with it. */
  void barOneAt(double time) {
    one = 0;
    for (int k = 0; k < lines.size(); k++) {
      if (Math.abs(lines.get(k) - time) < Math.abs(lines.get(one) - time)) {
        one = k;
      }
    }
    int shift = Math.floorMod(1 - places.get(one), meter);
    places.replaceAll(p -> (p - 1 + shift) % meter + 1);
  }

  /** The beats; without a set bar 1 it is the first whole bar. */
  List<Beat> beats() {
    int bar = one >= 0 ? 1 : 0;
    for (int k = 0; k <= one; k++) {
      bar -= places.get(k) == 1 ? 1 : 0;
    }
    List<Beat> out = new ArrayList<>();
    for (int k = 0; k < lines.size(); k++) {
      bar += places.get(k) == 1 ? 1 : 0;
      out.add(new Beat(lines.get(k), places.get(k), bar));
    }
    return out;
  }
}
