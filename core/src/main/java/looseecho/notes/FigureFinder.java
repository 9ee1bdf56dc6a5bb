package looseecho.notes;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import looseecho.pulse.BarGrid;
import looseecho.pulse.Grid;
import looseecho.pulse.Pulse;

/**
 * Finds the figures that a line repeats: stretches of one, two or four bars with the same notes on
 * the same steps, give or take a few.
 *
 * <p>Likeness is the F-measure of the notes that two stretches share (step and pitch alike). The
 * shortest length wins under which most bars belong to a repeated figure (minimum description
 * length in its plainest form).
 */
public final class FigureFinder {
  private static final double ALIKE = 0.7;
  private static final double MOST = 0.7; // of the bars that have notes
  private static final int FEWEST_NOTES = 2;
  private static final int[] LENGTHS = {1, 2, 4};

  /** Tick within the stretch and pitch. */
  private record Spot(int tick, int pitch) {}

  /** Figures, those played most first; none when nothing comes back. */
  public List<Figure> find(List<Note> notes, Pulse pulse) {
    List<Figure> best = List.of();
    double covered = 0;
    for (int bars : LENGTHS) {
      List<Figure> found = find(notes, pulse, bars);
      double share = share(found, notes, pulse);
      if (share > covered + 0.1) {
        best = found;
        covered = share;
      }
      if (covered >= MOST) {
        break;
      }
    }
    return best;
  }

  private static Map<Integer, Set<Spot>> stretches(List<Note> notes, Pulse pulse, int bars) {
    Map<Integer, Set<Spot>> out = new TreeMap<>();
    BarGrid grid = pulse.grid();
    int zero = 0; // the first whole bar
    while (zero < grid.size() - 1 && grid.bars().get(zero).missing() > 0) {
      zero++;
    }
    double per = pulse.meter().value().ticksPerBeat();
    for (Note n : notes) {
      int tick = Grid.SIXTEENTH.nearest(pulse.beatsAt(n.start()) * per);
      int bar = grid.indexAt(tick) - zero;
      if (bar >= 0) {
        int first = bar / bars * bars;
        int within = (bar - first) * grid.wholeBar() + grid.inBar(tick);
        out.computeIfAbsent(grid.bars().get(zero + first).number(), k -> new HashSet<>())
            .add(new Spot(within, n.pitch()));
      }
    }
    return out;
  }

  private static List<Figure> find(List<Note> notes, Pulse pulse, int bars) {
    var stretches = stretches(notes, pulse, bars);
    List<List<Integer>> groups = new ArrayList<>();
    stretches.forEach(
        (bar, spots) -> {
          if (spots.size() < FEWEST_NOTES) {
            return;
          }
          for (List<Integer> g : groups) {
            if (alike(stretches.get(g.get(0)), spots) >= ALIKE) {
              g.add(bar);
              return;
            }
          }
          groups.add(new ArrayList<>(List.of(bar)));
        });
    groups.removeIf(g -> g.size() < 2);
    groups.sort(Comparator.comparingInt(g -> -g.size()));
    List<Figure> out = new ArrayList<>();
    for (List<Integer> g : groups) {
      Set<Spot> spots = stretches.get(g.get(0));
      String name = String.valueOf((char) ('a' + Math.min(25, out.size())));
      out.add(new Figure(name, bars, shape(spots), g, spots.size()));
    }
    return out;
  }

  private static double share(List<Figure> figures, List<Note> notes, Pulse pulse) {
    double all = stretches(notes, pulse, 1).size();
    double covered = figures.stream().mapToInt(f -> f.at().size() * f.bars()).sum();
    return all == 0 ? 0 : Math.min(1, covered / all);
  }

  private static double alike(Set<Spot> a, Set<Spot> b) {
    long shared = a.stream().filter(b::contains).count();
    return 2.0 * shared / (a.size() + b.size());
  }

  private static String shape(Set<Spot> spots) {
    int[] p =
        spots.stream().sorted(Comparator.comparingInt(Spot::tick)).mapToInt(Spot::pitch).toArray();
    int ups = 0;
    int downs = 0;
    int leaps = 0;
    for (int i = 1; i < p.length; i++) {
      int move = p[i] - p[i - 1];
      ups += move > 0 ? 1 : 0;
      downs += move < 0 ? 1 : 0;
      leaps += Math.abs(move) > 2 ? 1 : 0;
    }
    int moves = ups + downs;
    if (moves == 0) {
      return "on one note";
    }
    if (spots.stream().map(s -> Math.floorMod(s.pitch(), 12)).distinct().count() == 1) {
      return "octaves of one note";
    }
    String way = ups > 2 * downs ? "rising" : downs > 2 * ups ? "falling" : "up and down";
    return way + (leaps > 0.7 * moves ? " in leaps" : leaps < 0.3 * moves ? " by steps" : "");
  }
}
