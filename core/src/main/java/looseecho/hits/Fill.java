package looseecho.hits;

import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import looseecho.activity.Lane;

/**
 * Fills: bars in which snare and toms play what they else do not (common practice: the last bar of
 * four, or the one before a new section).
 */
public final class Fill {
  private static final Set<Lane> LANES =
      Set.of(Lane.SNARE, Lane.SNARE_2, Lane.TOM, Lane.TOM_LOW, Lane.TOM_HIGH);
  private static final int FEWEST = 3; // strokes of a fill
  private static final double RARE = 0.3; // share of the bars in which such a stroke comes

  private Fill() {}

  /** Numbers of the bars with a fill among the bars {@code first} to before {@code end}. */
  public static List<Integer> bars(List<Hit> hits, int first, int end) {
    TypicalBar typical = TypicalBar.of(hits, first, end);
    return IntStream.range(first, end)
        .filter(bar -> hits.stream().filter(h -> unusual(h, bar, typical)).count() >= FEWEST)
        .boxed()
        .toList();
  }

  private static boolean unusual(Hit h, int bar, TypicalBar typical) {
    return h.bar() == bar
        && LANES.contains(h.lane())
        && typical.lanes().get(h.lane()).stream()
            .anyMatch(s -> s.tick() == h.tick() && s.share() <= RARE);
  }
}
