package looseecho.hits;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import looseecho.activity.Lane;
import looseecho.reading.Ordered;

/**
 * Decides over a whole song whether a lane plays at all. A lane that is not there costs the person
 * more than a faint one that is missed, so two kinds are dropped as a whole: those of which most
 * strokes are doubtful, and a clap that nearly always comes with a far clearer snare, since noisy
 * snares sound like one. Thresholds were chosen on composed pieces and songs of our own making
 * (docs/accuracy.md).
 */
final class LaneDecision {
  /** Median confidence below which a lane is none; a kick is always believed. */
  private static final Map<Lane, Double> LEAST =
      Map.of(
          Lane.CLAP, 0.55,
          Lane.HAT_CLOSED, 0.57,
          Lane.HAT_OPEN, 0.56,
          Lane.TOM, 0.57,
          Lane.CYMBAL, 0.55,
          Lane.PERCUSSION, 0.56);

  /** The same where a lane is struck all the time, as only the main ones are. */
  private static final Map<Lane, Double> LEAST_STEADY =
      Map.of(Lane.SNARE, 0.59, Lane.HAT_CLOSED, 0.61);

  private static final double STEADY = 1.2; // strokes a second

  private static final double RARE = 10 / 60.0; // strokes a second: a crash now and then is usual
  private static final double TOGETHER = 0.03; // seconds

  private static final double TOGETHER_OF = 0.85; // of a lane that is a part of another
  private static final double SNARE_CLEARER = 0.25; // in confidence, in the middle
  private static final double CLAP_CLEARER = 0.12;

  private LaneDecision() {}

  /** The hits of the lanes that play by themselves, in the order in which they came. */
  static List<Hit> decide(List<Hit> hits) {
    double seconds =
        hits.stream().mapToDouble(Hit::time).max().orElse(0)
            - hits.stream().mapToDouble(Hit::time).min().orElse(0);
    Set<Lane> doubtful =
        Lane.HEARD.stream().filter(l -> isDoubtful(l, hits, seconds)).collect(Collectors.toSet());
    List<Hit> sure = hits.stream().filter(h -> !doubtful.contains(h.lane().base())).toList();
    List<Hit> claps = apart(sure, Lane.CLAP, Lane.SNARE, SNARE_CLEARER);
    return apart(claps, Lane.SNARE, Lane.CLAP, CLAP_CLEARER);
  }

  /** Without a lane that is a part of another's sound: struck with it, and less clear. */
  private static List<Hit> apart(List<Hit> hits, Lane part, Lane whole, double least) {
    List<Hit> parts = hits.stream().filter(h -> h.lane() == part).toList();
    double[] clearer =
        parts.stream()
            .flatMap(p -> with(p, whole, hits).map(w -> w.confidence() - p.confidence()).stream())
            .mapToDouble(d -> d)
            .sorted()
            .toArray();
    boolean own =
        clearer.length < TOGETHER_OF * parts.size()
            || parts.isEmpty()
            || clearer[clearer.length / 2] < least;
    return own ? hits : hits.stream().filter(h -> h.lane() != part).toList();
  }

  /** The stroke of a lane that is struck together with a hit. */
  private static Optional<Hit> with(Hit hit, Lane lane, List<Hit> hits) {
    int from = Ordered.first(hits, Hit::time, hit.time() - TOGETHER);
    return hits.subList(from, Ordered.first(hits, Hit::time, hit.time() + TOGETHER)).stream()
        .filter(h -> h.lane() == lane)
        .findFirst();
  }

  private static boolean isDoubtful(Lane lane, List<Hit> hits, double seconds) {
    double[] sure =
        hits.stream()
            .filter(h -> h.lane().base() == lane)
            .mapToDouble(Hit::confidence)
            .sorted()
            .toArray();
    boolean rare = lane == Lane.CYMBAL && sure.length < RARE * seconds;
    double least = LEAST.getOrDefault(lane, 0.0);
    if (sure.length > STEADY * seconds) {
      least = LEAST_STEADY.getOrDefault(lane, least);
    }
    return sure.length > 0 && !rare && sure[sure.length / 2] < least;
  }
}
