package looseecho.echo;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import looseecho.pulse.BarGrid;
import looseecho.pulse.Meter;
import looseecho.reading.Limits;

/** Changes to a template. Each gives a new template and leaves the old one as it was. */
public final class Edits {
  /**
   * A new template and what was done, in words.
   *
   * @param gesture names moves that undo takes back together, see {@link History}; empty for none
   */
  public record Edited(Template template, String words, String gesture) {
    public Edited(Template template, String words) {
      this(template, words, "");
    }

    /** The same as a move of a gesture. */
    public Edited move(String of) {
      return new Edited(template, words, of);
    }
  }

  private Edits() {}

  /**
   * Puts a stroke on a place, or takes away what lies there.
   *
   * @param everyBar true to do the same in every bar of the section that has the place
   */
  public static Edited toggle(Template t, Cell cell, int velocity, boolean everyBar) {
    TemplateSection s = t.sections().get(cell.section());
    DrumPart drum = cell.drum();
    BarGrid grid = t.grid(cell.section());
    int place = grid.inBar(cell.tick());
    boolean there = s.hits(drum).stream().anyMatch(cell::holds);
    List<Stroke> hits = new ArrayList<>(s.hits(drum));
    int[] all = everyBar ? grid.everywhere(place).toArray() : new int[] {cell.tick()};
    for (int at : all) {
      hits.removeIf(cell.at(at)::holds);
      if (!there) {
        hits.add(new Stroke(at, offsetOf(s.hits(drum), place, grid), velocity));
      }
    }
    String words =
        Words.step(place)
            + (everyBar ? " of every bar" : " of bar " + grid.at(cell.tick()).number());
    return part(
        t,
        cell.section(),
        drum,
        hits,
        (there ? "Took " : "Put ") + t.name(drum) + (there ? " off " : " on ") + words);
  }

  /**
   * Changes the strokes that lie on one place.
   *
   * @param gesture what the change is a move of; empty where each is undone by itself
   * @param words what a changed stroke is now, to follow its name
   */
  public static Edited change(
      Template t,
      Cell cell,
      UnaryOperator<Stroke> how,
      String gesture,
      Function<Stroke, String> words) {
    DrumPart drum = cell.drum();
    String place = Words.step(t.grid(cell.section()).inBar(cell.tick()));
    String told = "There is no " + t.name(drum) + " on " + place;
    List<Stroke> hits = new ArrayList<>();
    for (Stroke h : t.sections().get(cell.section()).hits(drum)) {
      Stroke changed = cell.holds(h) ? how.apply(h) : h;
      told = cell.holds(h) ? t.name(drum) + " on " + place + words.apply(changed) : told;
      hits.add(changed);
    }
    return part(t, cell.section(), drum, hits, told)
        .move(gesture.isEmpty() ? "" : gesture + " " + cell);
  }

  /** Makes the strokes on one place louder and later. */
  public static Edited shape(Template t, Cell cell, int louder, double laterMs) {
    return change(
        t,
        cell,
        h -> h.at(h.tick(), h.offsetMs() + laterMs).loud(h.velocity() + louder),
        "shape",
        h -> ": loudness " + h.velocity() + ", " + Words.offset(h.offsetMs()));
  }

  /** Puts the next ornament on the strokes of one place. */
  public static Edited ornament(Template t, Cell cell) {
    return change(
        t,
        cell,
        h -> h.with(h.manner().with(h.manner().ornament().next())),
        "",
        h -> ": " + h.manner().ornament().words());
  }

  /**
   * Cuts the strokes of one place off sooner or later.
   *
   * @param longer half sixteenths by which they last longer; one that rings is first cut after a
   *     quarter, and one that lasts longer than that rings again
   */
  public static Edited length(Template t, Cell cell, int longer) {
    return change(
        t,
        cell,
        h -> h.with(h.manner().lasting(next(h.manner().lengthTicks(), longer))),
        "length",
        h ->
            h.manner().lengthTicks() == 0
                ? " rings out"
                : String.format(
                    Locale.ROOT,
                    " lasts %.1f sixteenths",
                    h.manner().lengthTicks() / (double) Meter.STEP));
  }

  private static int next(int lengthTicks, int longer) {
    int half = Meter.STEP / 2;
    int now = lengthTicks == 0 ? Meter.QUARTER + half : lengthTicks;
    int next = Math.max(half, now + longer * half);
    return next > Meter.QUARTER ? 0 : next;
  }

  /** Gives a lane of a section other hits. */
  public static Edited part(
      Template t, int section, DrumPart drum, List<Stroke> hits, String words) {
    TemplateSection s = t.sections().get(section);
    return new Edited(replace(t, section, s.with(drum, sorted(new ArrayList<>(hits)))), words);
  }

  /** Gives a line of a section other notes. */
  public static Edited line(
      Template t, int section, LinePart line, List<Tone> notes, String words) {
    List<Tone> sorted = new ArrayList<>(notes);
    sorted.sort(Comparator.<Tone>comparingDouble(Placed::order).thenComparingInt(Tone::pitch));
    TemplateSection s = t.sections().get(section);
    return new Edited(replace(t, section, s.with(line, sorted)), words);
  }

  /**
   * Pulls the hits of a lane to their steps.
   *
   * @param strength 0 leaves them, 1 puts them on the grid
   */
  public static Edited quantise(Template t, int section, DrumPart drum, double strength) {
    List<Stroke> hits = felt(t.sections().get(section).hits(drum), 1 - strength);
    String words = "Quantised " + t.name(drum) + " by " + Math.round(100 * strength) + " %";
    return part(t, section, drum, hits, words);
  }

  /** Strokes so many times as far off their lines, within the limits. */
  static List<Stroke> felt(List<Stroke> hits, double amount) {
    double most = Limits.OFFSET_MS;
    return hits.stream()
        .map(h -> h.at(h.tick(), Math.max(-most, Math.min(most, amount * h.offsetMs()))))
        .toList();
  }

  /** Pulls all drums of a section to their steps. */
  public static Edited quantise(Template t, int section, double strength) {
    Template out = t;
    for (DrumPart drum : t.sections().get(section).drums().keySet()) {
      out = quantise(out, section, drum, strength).template();
    }
    return new Edited(out, "Quantised the whole kit by " + Math.round(100 * strength) + " %");
  }

  /**
   * A new hit takes the offset that its lane has on the same step of other bars: the groove is
   * kept.
   */
  private static double offsetOf(List<Stroke> hits, int place, BarGrid grid) {
    return hits.stream()
        .filter(h -> grid.inBar(h.tick()) == place)
        .mapToDouble(Stroke::offsetMs)
        .average()
        .orElse(0);
  }

  private static List<Stroke> sorted(List<Stroke> hits) {
    hits.sort(Comparator.comparingDouble(Placed::order));
    return hits;
  }

  private static Template replace(Template t, int section, TemplateSection with) {
    return t.with(section, with);
  }
}
