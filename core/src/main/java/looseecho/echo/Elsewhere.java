package looseecho.echo;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import looseecho.activity.Lane;
import looseecho.echo.Edits.Edited;
import looseecho.notes.Line;

/**
 * Parts from elsewhere: of another section, project, or a file, to be put into a section with their
 * hits and notes. What is shorter than the section goes round.
 *
 * @param ticks how long it is
 */
public record Elsewhere(int ticks, Map<Lane, List<Stroke>> drums, Map<Line, List<Tone>> lines) {
  public Elsewhere {
    drums = Map.copyOf(drums);
    lines = Map.copyOf(lines);
    if (ticks < 1) {
      throw new IllegalArgumentException("ticks must be at least 1 (was: " + ticks + ")");
    }
  }

  /** A section of a template. */
  public static Elsewhere of(Template t, int section) {
    TemplateSection s = t.sections().get(section);
    return new Elsewhere(t.ticks(section), s.drums(), s.lines());
  }

  /** The parts that play there. */
  public List<Part> parts() {
    List<Part> out = new ArrayList<>();
    Lane.SHOWN.stream().filter(drums::containsKey).forEach(l -> out.add(Part.of(l)));
    Line.SHOWN.stream().filter(lines::containsKey).forEach(l -> out.add(Part.of(l)));
    return out;
  }

  /** Lets a part of a section play what a part of the same kind plays there. */
  public Edited into(Template t, int section, Part from, Part to) {
    if (from.lane().isPresent() != to.lane().isPresent()) {
      return new Edited(t, "Hits can't be played by a line of notes, nor notes by a drum.");
    }
    TemplateSection laid = laid(t, section, from, to);
    int count = to.size(laid);
    String words =
        from.words()
            + " from elsewhere on the "
            + to.words()
            + ", "
            + count
            + (to.lane().isPresent() ? " hits" : " notes");
    return new Edited(t.with(section, laid), words);
  }

  /** A section in which a part plays what one of the same kind plays here. */
  TemplateSection laid(Template t, int section, Part from, Part to) {
    TemplateSection s = t.sections().get(section);
    int end = t.ticks(section);
    return to.lane().isPresent()
        ? s.with(
            to.lane().get(),
            round(drums.getOrDefault(from.lane().orElseThrow(), List.of()), ticks, end))
        : s.with(
            to.line().orElseThrow(),
            round(lines.getOrDefault(from.line().orElseThrow(), List.of()), ticks, end));
  }

  /** Events that go on from their start every so many ticks, until an end. */
  static <E extends Placed<E>> List<E> round(List<E> events, int every, int end) {
    List<E> out = new ArrayList<>();
    for (int zero = 0; zero < end; zero += every) {
      for (E e : events) {
        int tick = zero + e.tick();
        if (tick < end) {
          out.add(e.at(tick, e.offsetMs()).endingBy(end));
        }
      }
    }
    return out;
  }
}
