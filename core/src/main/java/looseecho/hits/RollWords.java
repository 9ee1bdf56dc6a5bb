package looseecho.hits;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import looseecho.pulse.Pulse;

/**
 * Tells rolls that come back on the same steps as one: "hat roll ..., steps 13 to 16, every bar".
 */
public final class RollWords {
  private static final double BACK = 0.6; // steps before the roll's end its last stroke lies

  private final Places places;
  private final Pulse pulse;

  public RollWords(Pulse pulse) {
    this.pulse = pulse;
    this.places = new Places(pulse);
  }

  /**
   * One line for each kind, of the rolls that begin in bars {@code first} to before {@code end}.
   */
  public List<String> of(List<Roll> rolls, int first, int end) {
    Map<String, Set<Integer>> kinds = new LinkedHashMap<>();
    for (Roll r : rolls) {
      Place from = places.at(r.start());
      if (from.bar() >= first && from.bar() < end) {
        int steps = pulse.meter().value().stepsPerBar();
        Place to = places.at(r.end() - BACK * stepSeconds(r.start()));
        boolean downbeat = to.bar() == from.bar() + 1 && to.step() == 1; // it leads into it
        int until = downbeat ? steps : to.step();
        String where =
            until == from.step() ? ", step " + until : ", steps " + from.step() + " to " + until;
        boolean over = !downbeat && to.bar() != from.bar();
        String kind = r.words() + (over ? ", from step " + from.step() : where);
        kinds.computeIfAbsent(kind, k -> new TreeSet<>()).add(from.bar());
      }
    }
    List<String> out = new ArrayList<>();
    kinds.forEach((kind, bars) -> out.add(kind + ", " + often(bars, first, end)));
    return out;
  }

  private double stepSeconds(double time) {
    double beats = pulse.beatsAt(time);
    return (pulse.timeAt(beats + 1) - pulse.timeAt(beats)) / pulse.stepsPerBeat();
  }

  private static String often(Set<Integer> bars, int first, int end) {
    if (bars.size() == end - first && bars.size() > 1) {
      return "every bar";
    }
    List<Integer> all = new ArrayList<>(bars);
    for (int n : new int[] {2, 4, 8}) {
      boolean regular = all.size() > 1;
      for (int k = 1; k < all.size(); k++) {
        regular &= all.get(k) - all.get(k - 1) == n;
      }
      if (regular) {
        return "every " + n + " bars from bar " + all.get(0);
      }
    }
    return (all.size() == 1 ? "bar " : "bars ") + all.toString().replaceAll("[\\[\\]]", "");
  }
}
