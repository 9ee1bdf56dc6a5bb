package looseecho.echo;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import looseecho.echo.Edits.Edited;
import looseecho.pulse.BarGrid;
import looseecho.pulse.Grid;

/** Quicker writing: one stroke of the brush over a stretch of a drum, or over many bars. */
public final class Brush {
  private Brush() {}

  /** Where a bar is copied to. */
  public enum Where {
    ALL("every bar") {
      @Override
      boolean takes(int from, int bar) {
        return true;
      }
    },
    EVERY_SECOND("every second bar") {
      @Override
      boolean takes(int from, int bar) {
        return bar % 2 == from % 2;
      }
    },
    LAST_OF_FOUR("the last of every four bars") {
      @Override
      boolean takes(int from, int bar) {
        return bar % 4 == 3;
      }
    },
    /** Three alike, and the fourth as it is: three and one. */
    THREE_OF_FOUR("the first three of every four bars") {
      @Override
      boolean takes(int from, int bar) {
        return bar % 4 != 3;
      }
    };

    private final String words;

    Where(String words) {
      this.words = words;
    }

    abstract boolean takes(int from, int bar);

    public String words() {
      return words;
    }
  }

  /** What is left out of a pattern. */
  public enum Level {
    EIGHTHS("eighths between the beats"),
    SIXTEENTHS("sixteenths between the eighths");

    private final String words;

    Level(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }

    private boolean holds(int inBar, int beat) {
      int eighth = Grid.EIGHTH.ticks();
      return this == EIGHTHS ? inBar % eighth == 0 && inBar % beat != 0 : inBar % eighth != 0;
    }
  }

  /** A stroke on every so many lines of a grid, from the stretch's start on; others there go. */
  public static Edited every(
      Template t, DrumPart drum, Stretch s, Grid grid, int lines, int velocity) {
    List<Stroke> out = outside(t, drum, s);
    IntStream.iterate(s.from(), tick -> tick < s.to(), tick -> tick + grid.ticks() * lines)
        .forEach(tick -> out.add(new Stroke(tick, 0, velocity)));
    String each = lines == 1 ? "all " : Words.nth(lines) + " of the ";
    return Edits.part(
        t, s.section(), drum, out, t.name(drum) + " on " + each + grid.words() + told(t, s));
  }

  /** Loudness along a line from the first stroke to the last. */
  public static Edited ramp(Template t, DrumPart drum, Stretch s, int first, int last) {
    List<Stroke> here = inside(t, drum, s);
    List<Stroke> out = outside(t, drum, s);
    for (int k = 0; k < here.size(); k++) {
      double share = here.size() < 2 ? 1 : (double) k / (here.size() - 1);
      out.add(here.get(k).loud(first + share * (last - first)));
    }
    String way = last > first ? " louder" : " softer";
    return Edits.part(t, s.section(), drum, out, t.name(drum) + way + " and" + way + told(t, s));
  }

  /**
   * Pitch by strokes: each {@code nth} one is so many semitones from where the ones before were.
   *
   * @param steady true to go back after it ("every second two lower"), false to go on from there
   *     ("one higher per hit")
   */
  public static Edited pitch(
      Template t, DrumPart drum, Stretch s, int nth, double semitones, boolean steady) {
    List<Stroke> here = inside(t, drum, s);
    List<Stroke> out = outside(t, drum, s);
    for (int k = 0; k < here.size(); k++) {
      Stroke h = here.get(k);
      int times = steady ? (k % nth == nth - 1 ? 1 : 0) : k / nth;
      double by = times * semitones;
      out.add(h.with(h.manner().pitched(h.manner().pitch() + by, h.manner().bend())));
    }
    String words =
        t.name(drum)
            + ": "
            + Words.nth(nth)
            + " hit "
            + Words.semitones(Math.abs(semitones))
            + (semitones < 0 ? " lower" : " higher")
            + told(t, s);
    return Edits.part(t, s.section(), drum, out, words);
  }

  /** Takes a part out of a stretch; a note that reaches into it ends there. */
  public static Edited erase(Template t, Part part, Stretch s) {
    String words = "No " + t.name(part) + told(t, s);
    if (part instanceof DrumPart drum) {
      return Edits.part(t, s.section(), drum, outside(t, drum, s), words);
    }
    LinePart line = (LinePart) part;
    List<Tone> out = new ArrayList<>();
    for (Tone n : t.sections().get(s.section()).notes(line)) {
      if (!s.holds(n)) {
        out.add(n.tick() < s.from() ? n.endingBy(s.from()) : n);
      }
    }
    return Edits.line(t, s.section(), line, out, words);
  }

  /** Leaves out the eighths or the sixteenths of a drum. */
  public static Edited without(Template t, DrumPart drum, Stretch s, Level level) {
    BarGrid grid = t.grid(s.section());
    int beat = t.meter().ticksPerBeat();
    Predicate<Stroke> gone = h -> s.holds(h) && level.holds(grid.inBar(h.tick()), beat);
    List<Stroke> out =
        t.sections().get(s.section()).hits(drum).stream().filter(gone.negate()).toList();
    return Edits.part(
        t, s.section(), drum, out, t.name(drum) + " without " + level.words() + told(t, s));
  }

  /** Copies a bar of a part to others of its section. */
  public static Edited spread(Template t, int section, Part part, int bar, Where where) {
    Template out = t;
    int count = t.grid(section).size();
    for (int b = 0; b < count; b++) {
      if (b != bar && where.takes(bar, b)) {
        out = Arrangement.copyBar(out, section, part, bar, b).template();
      }
    }
    int number = t.grid(section).bars().get(bar).number();
    return new Edited(out, t.name(part) + " of bar " + number + " in " + where.words());
  }

  /** More or less of the feel: 0 puts a part on its lines, 1 leaves it, 2 doubles what is off. */
  public static Edited feel(Template t, int section, DrumPart drum, double amount) {
    List<Stroke> out = Edits.felt(t.sections().get(section).hits(drum), amount);
    String words = t.name(drum) + " at " + Math.round(100 * amount) + " % of its feel";
    return Edits.part(t, section, drum, out, words);
  }

  private static List<Stroke> inside(Template t, DrumPart drum, Stretch s) {
    return t.sections().get(s.section()).hits(drum).stream().filter(s::holds).toList();
  }

  private static List<Stroke> outside(Template t, DrumPart drum, Stretch s) {
    List<Stroke> out = new ArrayList<>(t.sections().get(s.section()).hits(drum));
    out.removeIf(s::holds);
    return out;
  }

  private static String told(Template t, Stretch s) {
    BarGrid grid = t.grid(s.section());
    BarGrid.Bar first = grid.at(s.from());
    BarGrid.Bar last = grid.at(s.to() - 1L);
    boolean whole = s.from() == first.from() && s.to() == last.end();
    String bars =
        first.number() == last.number()
            ? " in bar " + first.number()
            : " in bars " + first.number() + " to " + last.number();
    return whole ? bars : bars + " from " + Words.step(grid.inBar(s.from()));
  }
}
