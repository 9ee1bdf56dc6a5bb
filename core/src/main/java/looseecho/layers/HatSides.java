package looseecho.layers;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import looseecho.activity.Lane;
import looseecho.hits.Hit;
import looseecho.hits.TwoMeans;
import looseecho.separate.Stem;

/** Hats that stand on two sides are two layers, each with its own strokes. */
final class HatSides {
  private static final int FEWEST = 8; // on each side
  private static final double SHARE = 0.2;
  private static final double APART = 0.5; // of places, -1 to 1
  private static final double SEPARATION = 8; // of the two groups, as TwoMeans has it

  private final StemMeter meter;

  HatSides(StemMeter meter) {
    this.meter = meter;
  }

  /** A lane's strokes by the name of their layer; one layer where they stand together. */
  Map<String, List<Hit>> part(String name, Lane lane, List<Hit> hits) {
    boolean hats = lane.base() == Lane.HAT_CLOSED || lane.base() == Lane.HAT_OPEN;
    boolean parted = name.endsWith(" left") || name.endsWith(" right");
    if (!hats || parted || hits.size() < 2 * FEWEST) {
      return Map.of(name, hits);
    }
    TwoMeans two =
        TwoMeans.of(hits.stream().mapToDouble(h -> meter.pan(Stem.HATS, h.time())).toArray());
    double first = two.centre(0)[0];
    double second = two.centre(1)[0];
    boolean often = two.fewer() >= Math.max(FEWEST, SHARE * hits.size());
    if (!often || Math.abs(first - second) < APART || two.separation() < SEPARATION) {
      return Map.of(name, hits);
    }
    Map<String, List<Hit>> out = new TreeMap<>();
    for (int k = 0; k < hits.size(); k++) {
      boolean left = two.groups()[k] == (first < second ? 0 : 1);
      out.computeIfAbsent(name + (left ? " left" : " right"), n -> new ArrayList<>())
          .add(hits.get(k));
    }
    return out;
  }
}
