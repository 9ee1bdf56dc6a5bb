package looseecho.echo;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import looseecho.echo.Edits.Edited;
import looseecho.notes.Key;
import looseecho.notes.Line;
import looseecho.pulse.BarGrid;
import looseecho.pulse.Meter;

/**
 * Room that a line leaves within a bar, and who plays in it (common practice: what is left out by
 * one is for another to answer).
 *
 * @param line that leaves it
 * @param stretch of at least a quarter
 * @param fillers parts that begin something in it
 */
public record Gap(LinePart line, Stretch stretch, List<Part> fillers) {
  public Gap {
    fillers = List.copyOf(fillers);
  }

  /** The longest gap of every bar of a section in which a line plays at all. */
  public static List<Gap> of(Template t, int section, LinePart line) {
    TemplateSection s = t.sections().get(section);
    List<Gap> out = new ArrayList<>();
    for (BarGrid.Bar bar : t.grid(section).bars()) {
      List<Tone> here =
          s.notes(line).stream()
              .filter(n -> n.tick() < bar.end() && n.end() > bar.from())
              .sorted(Comparator.comparingInt(Tone::tick))
              .toList();
      int best = bar.from();
      int longest = 0;
      int free = bar.from();
      for (Tone n : here) {
        if (n.tick() - free > longest) {
          best = free;
          longest = n.tick() - free;
        }
        free = Math.max(free, n.end());
      }
      if (bar.end() - free > longest) {
        best = free;
        longest = bar.end() - free;
      }
      if (!here.isEmpty() && longest >= Meter.QUARTER) {
        Stretch room = new Stretch(section, best, best + longest);
        out.add(new Gap(line, room, fillers(s, line, room)));
      }
    }
    return out;
  }

  private static List<Part> fillers(TemplateSection s, LinePart line, Stretch room) {
    return Part.of(s).stream()
        .filter(p -> !p.equals(line))
        .filter(
            p ->
                p instanceof DrumPart drum
                    ? s.hits(drum).stream().anyMatch(room::holds)
                    : s.notes((LinePart) p).stream().anyMatch(room::holds))
        .toList();
  }

  /**
   * Lets another line answer in the gap: the rhythm that was played just before it, a third higher
   * in the key and an octave up where it answers the bass.
   */
  public Edited answer(Template t, LinePart by) {
    TemplateSection s = t.sections().get(stretch.section());
    int length = stretch.to() - stretch.from();
    Key key = t.key();
    int octave = line.line() == Line.BASS ? key.scale().size() * 2 : 0;
    List<Tone> out = new ArrayList<>(s.notes(by));
    out.removeIf(stretch::holds);
    int added = 0;
    for (Tone n : s.notes(line)) {
      int tick = n.tick() + length;
      if (n.tick() < stretch.from() && tick >= stretch.from() && tick < stretch.to()) {
        int pitch = Math.max(0, Math.min(127, key.moved(n.pitch(), octave + 2)));
        int most = stretch.to() - tick;
        out.add(n.at(tick, n.offsetMs()).lasting(Math.min(n.lengthTicks(), most)).pitched(pitch));
        added++;
      }
    }
    int bar = t.grid(stretch.section()).at(stretch.from()).number();
    return Edits.line(
        t,
        stretch.section(),
        by,
        out,
        t.name(by) + " answers the " + t.name(line) + " in bar " + bar + ", " + added + " notes");
  }
}
