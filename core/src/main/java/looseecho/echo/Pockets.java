package looseecho.echo;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import looseecho.echo.Edits.Edited;
import looseecho.pulse.BarGrid;

/**
 * Bars picked by hand from anywhere in the song, with which a part of another section is loosened:
 * each of its bars plays what one of them plays. Common practice: a handful of bars that sit well
 * serve a whole track.
 */
public record Pockets(List<Bar> bars) {
  public static final Pockets NONE = new Pockets(List.of());

  /** A bar by its section and its index there. */
  public record Bar(int section, int bar) {}

  public Pockets {
    bars = List.copyOf(bars);
  }

  /** With one more bar; one that is there already goes. */
  public Pockets toggled(Bar bar) {
    Set<Bar> all = new LinkedHashSet<>(bars);
    if (!all.add(bar)) {
      all.remove(bar);
    }
    return new Pockets(List.copyOf(all));
  }

  /** Those that a template still has. */
  private List<Bar> within(Template t) {
    return bars.stream()
        .filter(b -> b.section() < t.sections().size() && b.bar() < t.grid(b.section()).size())
        .toList();
  }

  /**
   * Lets a part of a section play the picked bars, one drawn for each of its bars, none twice in a
   * row where there are several. The same seed draws alike.
   */
  public Edited lay(Template t, int section, Part part, long seed) {
    List<Bar> there = within(t);
    if (there.isEmpty()) {
      return new Edited(t, "Pick some bars first: they are the pockets to play with");
    }
    SplittableRandom random = new SplittableRandom(seed);
    TemplateSection s = t.sections().get(section);
    int last = -1;
    List<Integer> drawn = new ArrayList<>();
    for (BarGrid.Bar target : t.grid(section).bars()) {
      int next = random.nextInt(there.size());
      next = next == last && there.size() > 1 ? (next + 1) % there.size() : next;
      last = next;
      s = bar(t, there.get(next), part, s, target);
      drawn.add(t.grid(there.get(next).section()).bars().get(there.get(next).bar()).number());
    }
    return new Edited(
        t.with(section, s),
        t.name(part) + " of " + Arrangement.name(t, section) + " from bars " + told(drawn));
  }

  private static TemplateSection bar(
      Template t, Bar from, Part part, TemplateSection into, BarGrid.Bar target) {
    TemplateSection source = t.sections().get(from.section());
    BarGrid.Bar bar = t.grid(from.section()).bars().get(from.bar());
    return part instanceof DrumPart drum
        ? into.with(drum, Arrangement.copied(source.hits(drum), bar, into.hits(drum), target))
        : into.with(
            (LinePart) part,
            Arrangement.copied(
                source.notes((LinePart) part), bar, into.notes((LinePart) part), target));
  }

  private static String told(List<Integer> numbers) {
    String all = numbers.toString().replaceAll("[\\[\\]]", "");
    return all.length() > 40 ? all.substring(0, 40).replaceFirst(",[^,]*$", " …") : all;
  }
}
