package looseecho.layers;

import java.util.List;
import looseecho.activity.Lane;
import looseecho.hits.Hit;

/** What a layer is likely there for: rules of common practice. */
final class Jobs {
  private static final double SUB_HZ = 105; // a bass that ends below is felt, not followed
  private static final double WIDE = 0.5; // share of the sides: it is there to be wide
  private static final double SHORT = 0.2; // bars: chords that are struck, not held

  private Jobs() {}

  /** Of a drum, beside all hits of the track. */
  static String of(Lane lane, List<Hit> hits) {
    boolean snare = hits.stream().filter(h -> h.lane().base() == Lane.SNARE).count() > 8;
    return switch (lane.base()) {
      case KICK, SNARE, TOM -> "body";
      case CLAP -> snare ? "width" : "body"; // on top of a snare it makes the stroke wide
      case HAT_CLOSED, HAT_OPEN -> "air";
      case CYMBAL -> lane == Lane.RIDE ? "air" : "tail";
      default -> "texture";
    };
  }

  /**
   * Of held sounds.
   *
   * @param heldBars mean length of a note
   */
  static String of(String family, BandPowers powers, double heldBars) {
    return switch (family) {
      case "bass" -> powers.edges()[1] <= SUB_HZ ? "sub" : "body";
      case "chords" -> powers.image().width() > WIDE ? "width" : heldBars < SHORT ? "body" : "bed";
      default -> "lead";
    };
  }
}
