package looseecho.hits;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import looseecho.activity.Lane;
import looseecho.pulse.Grid;
import looseecho.pulse.Meter;

/**
 * The typical bar of some bars: per lane and step how often it is played, how loud and how late on
 * average.
 *
 * @param bars how many bars were summed up
 * @param lanes per lane the places that are ever played, in order; lanes without hits are missing
 */
public record TypicalBar(int bars, Map<Lane, List<Slot>> lanes) {
  /**
   * One place.
   *
   * @param tick in the bar, 960 to a quarter
   * @param share in how many of the bars it is played, 0..1
   * @param velocity mean, 1..127
   * @param offsetMs mean offset; rolls count only where nothing else is played
   * @param spreadMs standard deviation of the offsets
   */
  public record Slot(int tick, double share, double velocity, double offsetMs, double spreadMs) {
    /** The sixteenth that it lies on or behind, from 1. */
    public int step() {
      return tick / Meter.STEP + 1;
    }

    /** True where it lies on a sixteenth. */
    public boolean onStep() {
      return Grid.SIXTEENTH.has(tick);
    }
  }

  public TypicalBar {
    lanes = Map.copyOf(lanes);
  }

  /** Sums up the hits of bars {@code first} to before {@code end}. */
  public static TypicalBar of(List<Hit> hits, int first, int end) {
    Map<Lane, List<Slot>> lanes = new EnumMap<>(Lane.class);
    int bars = Math.max(1, end - first);
    for (Lane lane : Lane.values()) {
      Map<Integer, List<Hit>> byPlace = new java.util.TreeMap<>();
      for (Hit h : hits) {
        if (h.lane() == lane && h.bar() >= first && h.bar() < end) {
          byPlace.computeIfAbsent(h.tick(), s -> new ArrayList<>()).add(h);
        }
      }
      List<Slot> slots = new ArrayList<>();
      byPlace.forEach((tick, list) -> slots.add(slot(tick, list, bars)));
      if (!slots.isEmpty()) {
        lanes.put(lane, List.copyOf(slots));
      }
    }
    return new TypicalBar(bars, lanes);
  }

  private static Slot slot(int tick, List<Hit> hits, int bars) {
    List<Hit> plain = hits.stream().filter(h -> h.figure() != Hit.Figure.ROLL).toList();
    List<Hit> timed = plain.isEmpty() ? hits : plain;
    double velocity = hits.stream().mapToInt(Hit::velocity).average().orElse(0);
    double mean = timed.stream().mapToDouble(Hit::offsetMs).average().orElse(0);
    double variance =
        timed.stream()
            .mapToDouble(h -> (h.offsetMs() - mean) * (h.offsetMs() - mean))
            .average()
            .orElse(0);
    long played = hits.stream().mapToInt(Hit::bar).distinct().count();
    return new Slot(tick, (double) played / bars, velocity, mean, Math.sqrt(variance));
  }
}
