package looseecho.hits;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import looseecho.activity.Lane;
import looseecho.pulse.Pulse;

/**
 * How the hits sit on the beat.
 *
 * @param swing of all hits together; empty with too few second notes
 * @param families swing of each family of lanes that plays enough of them
 * @param division the grid that explains the hits; empty with too few
 */
public record Feel(
    Optional<Swing> swing, Map<Family, Swing> families, Optional<Division> division) {
  public static final Feel NONE = new Feel(Optional.empty(), Map.of(), Optional.empty());

  /** Lanes that are played by one hand, so to speak. */
  public enum Family {
    DRUMS("kick and snare", Lane.KICK, Lane.SNARE, Lane.CLAP),
    HATS("hats and cymbals", Lane.HAT_CLOSED, Lane.HAT_OPEN, Lane.CYMBAL),
    PERCUSSION("percussion and toms", Lane.PERCUSSION, Lane.TOM);

    private final String words;
    private final List<Lane> lanes;

    Family(String words, Lane... lanes) {
      this.words = words;
      this.lanes = List.of(lanes);
    }

    public String words() {
      return words;
    }

    public List<Lane> lanes() {
      return lanes;
    }
  }

  public Feel {
    families = Map.copyOf(families);
  }

  /**
   * Reads the feel of some hits; rolls and flams have one of their own and do not count. In
   * compound meters nothing is swung: the threes are written.
   */
  public static Feel of(List<Hit> all, Pulse pulse) {
    List<Hit> hits = all.stream().filter(h -> h.figure() == Hit.Figure.SINGLE).toList();
    if (pulse.meter().value().compound()) {
      return new Feel(Optional.empty(), Map.of(), Division.of(hits, pulse, Optional.empty()));
    }
    Optional<Swing> swing = Swing.of(hits, pulse);
    Map<Family, Swing> families = new EnumMap<>(Family.class);
    for (Family f : Family.values()) {
      Swing.of(hits.stream().filter(h -> f.lanes().contains(h.lane().base())).toList(), pulse)
          .ifPresent(s -> families.put(f, s));
    }
    return new Feel(swing, families, Division.of(hits, pulse, swing));
  }
}
