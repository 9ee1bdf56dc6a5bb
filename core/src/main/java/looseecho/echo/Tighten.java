package looseecho.echo;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import looseecho.echo.Edits.Edited;
import looseecho.pulse.BarGrid;
import looseecho.pulse.Grid;

/**
 * Pulls strokes to their lines, each to that of its own division. On other lines than their own
 * they go to the nearest one; no two strokes of a drum ever come to lie on one place: of two that
 * would, the farther one keeps its own.
 */
public final class Tighten {
  private Tighten() {}

  /**
   * All drums of all sections.
   *
   * @param strength 0 leaves how late each is, 1 puts it on its line
   */
  public static Edited all(Template t, double strength) {
    Template out = t;
    for (int s = 0; s < t.sections().size(); s++) {
      out = Edits.quantise(out, s, strength).template();
    }
    return new Edited(
        out, "All drums pulled to their lines by " + Math.round(100 * strength) + " %");
  }

  /** All drums of all sections on the lines of one grid, as late against them as they are heard. */
  public static Edited onto(Template t, Grid grid) {
    Template out = t;
    for (int s = 0; s < t.sections().size(); s++) {
      for (DrumPart drum : t.sections().get(s).drums().keySet()) {
        List<Stroke> moved = moved(out, s, out.sections().get(s).hits(drum), grid);
        out = Edits.part(out, s, drum, moved, "").template();
      }
    }
    return new Edited(out, "All drums on " + grid.words());
  }

  private static List<Stroke> moved(Template t, int section, List<Stroke> hits, Grid grid) {
    BarGrid bars = t.grid(section);
    List<Stroke> nearestFirst = new ArrayList<>(hits);
    nearestFirst.sort(
        java.util.Comparator.comparingInt(h -> Math.abs(line(bars, h, grid) - h.tick())));
    Set<Integer> taken = new HashSet<>();
    List<Stroke> out = new ArrayList<>();
    for (Stroke h : nearestFirst) {
      int line = line(bars, h, grid);
      boolean free = line >= 0 && line < bars.ticks() && taken.add(line);
      int place = free ? line : h.tick();
      if (!free) {
        taken.add(place);
      }
      double now = t.time(section, h);
      double offset = 1000 * (now - t.time(section, place, 0));
      out.add(h.at(place, offset));
    }
    return out;
  }

  private static int line(BarGrid bars, Stroke h, Grid grid) {
    BarGrid.Bar bar = bars.at(h.tick());
    return bar.tick(grid.nearest(bar.inBar(h.tick())));
  }
}
