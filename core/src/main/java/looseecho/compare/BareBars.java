package looseecho.compare;

import java.util.Optional;
import looseecho.echo.Part;
import looseecho.echo.Placed;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.pulse.BarGrid;

/** Finds the bar in which a part plays with the fewest others: there it is judged best. */
public final class BareBars {
  private BareBars() {}

  /**
   * A bar.
   *
   * @param number from 1 over the whole template
   * @param start seconds
   * @param others parts that play beside it
   */
  public record Bare(int number, double start, int others) {}

  /** The barest bar of a part; the one with most of its own events among equals. */
  public static Optional<Bare> of(Template t, Part part) {
    Bare best = null;
    long most = 0;
    int number = 1;
    for (int k = 0; k < t.sections().size(); k++) {
      TemplateSection s = t.sections().get(k);
      for (BarGrid.Bar bar : t.grid(k).bars()) {
        long own = in(s, part, bar);
        int others =
            (int) Part.of(s).stream().filter(p -> !p.equals(part) && in(s, p, bar) > 0).count();
        boolean barer = best == null || others < best.others();
        if (own > 0 && (barer || others == best.others() && own > most)) {
          best = new Bare(number, t.time(k, bar.from(), 0), others);
          most = own;
        }
        number++;
      }
    }
    return Optional.ofNullable(best);
  }

  private static long in(TemplateSection s, Part part, BarGrid.Bar bar) {
    var events =
        part.asDrum().isPresent()
            ? s.hits(part.asDrum().get())
            : s.notes(part.asLine().orElseThrow());
    return events.stream()
        .mapToInt(Placed::tick)
        .filter(at -> at >= bar.from() && at < bar.end())
        .count();
  }
}
