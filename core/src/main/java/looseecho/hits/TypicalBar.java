package looseecho.hits;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import looseecho.activity.Lane;

/**
 * The typical bar of some bars: per lane and step how often it is played, how loud and how late on
 * average.
 *
 * @param bars how many bars were summed up
 * @param lanes per lane the steps that are ever played, in order; lanes without hits are missing
 */
public record TypicalBar(int bars, Map<Lane, List<Slot>> lanes) {
  /**
   * One step.
   *
   * @param step from 1
   * @param share in how many of the bars it is played, 0..1
   * @param velocity mean, 1..127
   * @param offsetMs mean offset
   * @param spreadMs standard deviation of the offsets
   */
  public record Slot(int step, double share, double velocity, double offsetMs, double spreadMs) {}

  public TypicalBar {
    lanes = Map.copyOf(lanes);
  }

  /** Sums up the hits of bars {@code first} to before {@code end}. */
  public static TypicalBar of(List<Hit> hits, int first, int end) {
    Map<Lane, List<Slot>> lanes = new EnumMap<>(Lane.class);
    int bars = Math.max(1, end - first);
    for (Lane lane : Lane.values()) {
      Map<Integer, List<Hit>> bySteps = new java.util.TreeMap<>();
      for (Hit h : hits) {
        if (h.lane() == lane && h.bar() >= first && h.bar() < end) {
          bySteps.computeIfAbsent(h.step(), s -> new ArrayList<>()).add(h);
        }
      }
      List<Slot> slots = new ArrayList<>();
      bySteps.forEach((step, list) -> slots.add(slot(step, list, bars)));
      if (!slots.isEmpty()) {
        lanes.put(lane, List.copyOf(slots));
      }
    }
    return new TypicalBar(bars, lanes);
  }

  private static Slot slot(int step, List<Hit> hits, int bars) {
    double velocity = hits.stream().mapToInt(Hit::velocity).average().orElse(0);
    double mean = hits.stream().mapToDouble(Hit::offsetMs).average().orElse(0);
    double variance =
        hits.stream()
            .mapToDouble(h -> (h.offsetMs() - mean) * (h.offsetMs() - mean))
            .average()
            .orElse(0);
    long played = hits.stream().mapToInt(Hit::bar).distinct().count();
    return new Slot(step, (double) played / bars, velocity, mean, Math.sqrt(variance));
  }
}
