package looseecho.layers;

import java.util.List;
import looseecho.activity.Lane;
import looseecho.hits.Hit;
import looseecho.reading.Ordered;

/** What a layer is likely there for: rules of common practice. */
final class Jobs {
  private static final double SUB_HZ = 105; // a bass that ends below is felt, not followed
  private static final double TOGETHER = 0.03; // seconds
  private static final double WIDE = 0.5; // share of the sides: it is there to be wide

  private Jobs() {}

  /** Of a drum's strokes, among all of the track in order of time. */
  static String of(Lane lane, List<Hit> own, List<Hit> all) {
    return switch (lane.base()) {
      case KICK, SNARE, TOM -> "body";
      case CLAP -> 2 * onSnares(own, all) > own.size() ? "width" : "body"; // makes a snare wide
      case HAT_CLOSED, HAT_OPEN -> "air";
      case CYMBAL -> lane == Lane.RIDE ? "air" : "tail";
      default -> "texture";
    };
  }

  private static long onSnares(List<Hit> own, List<Hit> all) {
    return own.stream()
        .filter(
            h ->
                all
                    .subList(
                        Ordered.first(all, Hit::time, h.time() - TOGETHER),
                        Ordered.first(all, Hit::time, h.time() + TOGETHER))
                    .stream()
                    .anyMatch(o -> o.lane().base() == Lane.SNARE))
        .count();
  }

  /**
   * Of held sounds.
   *
   * @param struck true where its sounds die away before the next
   */
  static String of(String family, BandPowers powers, boolean struck) {
    return switch (family) {
      case "bass" -> powers.edges()[1] <= SUB_HZ ? "sub" : "body";
      case "chords" -> powers.image().width() > WIDE ? "width" : struck ? "body" : "bed";
      default -> "lead";
    };
  }
}
