package looseecho.hits;

import java.util.Arrays;
import java.util.List;
import looseecho.activity.Lane;

/**
 * Decides over a whole song whether a lane plays by itself. In dense music the network hears
 * percussion in what hats and drums leave in its bands: then it is claimed all the time, and nearly
 * always together with a hat or another drum. A lane that is not there costs the person more than a
 * faint one that is missed, so such a lane is dropped as a whole.
 */
final class LaneDecision {
  private static final double TOGETHER = 0.03; // seconds
  private static final double DENSE = 5; // strokes a second
  private static final double WITH_HATS = 0.75; // of them
  private static final double ALONE = 0.1;

  private LaneDecision() {}

  /** The hits of the lanes that play by themselves, in the order in which they came. */
  static List<Hit> decide(List<Hit> hits) {
    double[] own = times(hits, List.of(Lane.PERCUSSION), true);
    if (own.length < 2) {
      return hits;
    }
    double seconds =
        hits.stream().mapToDouble(Hit::time).max().orElse(0)
            - hits.stream().mapToDouble(Hit::time).min().orElse(0);
    double[] hats = times(hits, List.of(Lane.HAT_CLOSED, Lane.HAT_OPEN), true);
    double[] others = times(hits, List.of(Lane.PERCUSSION), false);
    boolean dense = own.length > DENSE * seconds;
    boolean hidden = share(own, hats) > WITH_HATS || 1 - share(own, others) < ALONE;
    return dense && hidden
        ? hits.stream().filter(h -> h.lane().base() != Lane.PERCUSSION).toList()
        : hits;
  }

  private static double[] times(List<Hit> hits, List<Lane> lanes, boolean in) {
    return hits.stream()
        .filter(h -> lanes.contains(h.lane().base()) == in)
        .mapToDouble(Hit::time)
        .sorted()
        .toArray();
  }

  /** Share of times that lie together with one of others, which are in order. */
  private static double share(double[] own, double[] others) {
    int together = 0;
    for (double t : own) {
      int at = Arrays.binarySearch(others, t - TOGETHER);
      int next = at < 0 ? -at - 1 : at;
      together += next < others.length && others[next] < t + TOGETHER ? 1 : 0;
    }
    return (double) together / own.length;
  }
}
