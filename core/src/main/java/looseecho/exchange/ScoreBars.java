package looseecho.exchange;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.TreeMap;
import looseecho.echo.DrumPart;
import looseecho.echo.LinePart;
import looseecho.echo.Part;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.echo.Tone;
import looseecho.pulse.BarGrid;
import looseecho.pulse.Meter;

/**
 * Cuts a part into what can be written as notes: each quarter holds sixteenths or their triplets,
 * whichever lie nearer, and what lasts longer is tied.
 */
final class ScoreBars {
  private static final int SIXTEENTH = Meter.STEP;
  private static final int TRIPLET = Meter.QUARTER / 6;

  private static final int[] STRAIGHT = {960, 720, 480, 240};
  private static final int[] TRIPLETS = {640, 320, 160, 80};

  private ScoreBars() {}

  /**
   * A bar.
   *
   * @param first true for the first of a section
   */
  record Bar(int ticks, boolean first, List<Cell> cells) {}

  /**
   * A note or a rest.
   *
   * @param pitches of a line's notes; empty for a stroke or a rest
   * @param velocity 0 for a rest
   * @param from true where it goes on from the one before
   * @param on true where it goes on
   */
  record Cell(int ticks, List<Integer> pitches, int velocity, boolean from, boolean on) {}

  /** A note value. */
  record Value(String type, boolean dotted, boolean triplet) {}

  /** What begins together. */
  private record Start(List<Integer> pitches, int velocity, int end) {}

  /** The bars of a part in a section. */
  static List<Bar> of(Template t, int section, Part part) {
    BarGrid grid = t.grid(section);
    NavigableMap<Integer, Start> starts = starts(t.sections().get(section), part, grid);
    List<Bar> out = new ArrayList<>();
    for (int k = 0; k < grid.size(); k++) {
      BarGrid.Bar bar = grid.bars().get(k);
      out.add(new Bar(bar.ticks(), k == 0, cells(starts, bar.from(), bar.end())));
    }
    return out;
  }

  private static NavigableMap<Integer, Start> starts(TemplateSection s, Part part, BarGrid grid) {
    NavigableMap<Integer, Start> raw = new TreeMap<>();
    if (part instanceof DrumPart d) {
      for (Stroke h : s.hits(d)) {
        raw.merge(h.tick(), new Start(List.of(), h.velocity(), h.tick()), ScoreBars::louder);
      }
    } else {
      for (Tone n : s.notes((LinePart) part)) {
        raw.merge(
            n.tick(), new Start(List.of(n.pitch()), n.velocity(), n.end()), ScoreBars::together);
      }
    }
    NavigableMap<Integer, Start> out = new TreeMap<>();
    for (Map.Entry<Integer, Start> e : raw.entrySet()) {
      BarGrid.Bar bar = grid.at(Math.min(grid.ticks() - 1, Math.max(0, e.getKey())));
      int quarter = (e.getKey() - bar.from()) / Meter.QUARTER * Meter.QUARTER + bar.from();
      int line = line(raw, quarter);
      int at = quarter + Math.round((e.getKey() - quarter) / (float) line) * line;
      if (at < grid.ticks()) {
        out.merge(
            at, e.getValue(), part instanceof DrumPart ? ScoreBars::louder : ScoreBars::together);
      }
    }
    return out;
  }

  private static Start louder(Start a, Start b) {
    return a.velocity() >= b.velocity() ? a : b;
  }

  private static Start together(Start a, Start b) {
    List<Integer> pitches = new ArrayList<>(a.pitches());
    b.pitches().stream().filter(p -> !pitches.contains(p)).forEach(pitches::add);
    pitches.sort(null);
    return new Start(pitches, Math.max(a.velocity(), b.velocity()), Math.max(a.end(), b.end()));
  }

  /** The line of a quarter that its events lie nearer to. */
  private static int line(NavigableMap<Integer, Start> raw, int quarter) {
    double straight = 0;
    double triplet = 0;
    for (int tick : raw.subMap(quarter, quarter + Meter.QUARTER).keySet()) {
      straight += off(tick - quarter, SIXTEENTH);
      triplet += off(tick - quarter, TRIPLET);
    }
    return triplet < straight ? TRIPLET : SIXTEENTH;
  }

  private static double off(int tick, int line) {
    return Math.abs(tick - Math.round(tick / (double) line) * line);
  }

  /** Notes and rests from a tick to before another, none across a quarter. */
  private static List<Cell> cells(NavigableMap<Integer, Start> starts, int from, int to) {
    List<Cell> out = new ArrayList<>();
    Start sounding = null;
    Map.Entry<Integer, Start> before = starts.lowerEntry(from);
    if (before != null && before.getValue().end() >= from + SIXTEENTH) {
      sounding = before.getValue(); // tied over the bar line
    }
    boolean begun = sounding != null;
    int at = from;
    while (at < to) {
      Start here = starts.get(at);
      if (here != null) {
        sounding = here;
        begun = false;
      }
      Integer next = starts.higherKey(at);
      int quarter = from + ((at - from) / Meter.QUARTER + 1) * Meter.QUARTER;
      int end = Math.min(Math.min(quarter, to), next == null ? to : next);
      boolean drum = sounding != null && sounding.pitches().isEmpty();
      boolean over = sounding != null && !drum && begun && sounding.end() < at + SIXTEENTH / 2;
      if (sounding == null || over || drum && begun) {
        sounding = null;
        rests(out, end - at);
      } else {
        boolean on =
            !drum && end != (next == null ? -1 : next) && sounding.end() >= end + SIXTEENTH / 2;
        notes(out, end - at, sounding, begun, on);
        begun = true;
      }
      at = end;
    }
    return out;
  }

  private static void rests(List<Cell> out, int ticks) {
    for (int t : parts(ticks)) {
      out.add(new Cell(t, List.of(), 0, false, false));
    }
  }

  private static void notes(List<Cell> out, int ticks, Start s, boolean from, boolean on) {
    List<Integer> parts = parts(ticks);
    boolean drum = s.pitches().isEmpty();
    for (int k = 0; k < parts.size(); k++) {
      if (drum && k > 0) {
        rests(out, parts.get(k));
      } else {
        boolean last = k == parts.size() - 1;
        out.add(
            new Cell(
                parts.get(k), s.pitches(), s.velocity(), from || k > 0, !drum && (!last || on)));
      }
    }
  }

  /** Lengths that have a note value, the longest first. */
  private static List<Integer> parts(int ticks) {
    List<Integer> out = new ArrayList<>();
    int left = ticks;
    for (int length : ticks % SIXTEENTH == 0 ? STRAIGHT : TRIPLETS) {
      while (left >= length) {
        out.add(length);
        left -= length;
      }
    }
    return out;
  }

  /** The value of a length in ticks. */
  static Value value(int ticks) {
    return switch (ticks) {
      case 960 -> new Value("quarter", false, false);
      case 720 -> new Value("eighth", true, false);
      case 640 -> new Value("quarter", false, true);
      case 480 -> new Value("eighth", false, false);
      case 320 -> new Value("eighth", false, true);
      case 240 -> new Value("16th", false, false);
      case 160 -> new Value("16th", false, true);
      case 80 -> new Value("32nd", false, true);
      default -> throw new IllegalArgumentException("no note value: " + ticks + " ticks");
    };
  }
}
