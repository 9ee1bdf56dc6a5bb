package looseecho.echo;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import looseecho.echo.Edits.Edited;

/**
 * Parts from elsewhere: of another section, project, or a file, to be put into a section with their
 * hits and notes. What is shorter than the section goes round.
 *
 * @param ticks how long it is
 * @param names of parts that are not called by their kind
 */
public record Elsewhere(
    int ticks,
    Map<DrumPart, List<Stroke>> drums,
    Map<LinePart, List<Tone>> lines,
    Map<Part, String> names) {
  public Elsewhere {
    drums = Map.copyOf(drums);
    lines = Map.copyOf(lines);
    names = Map.copyOf(names);
    if (ticks < 1) {
      throw new IllegalArgumentException("ticks must be at least 1 (was: " + ticks + ")");
    }
  }

  /** A section of a template. */
  public static Elsewhere of(Template t, int section) {
    TemplateSection s = t.sections().get(section);
    return new Elsewhere(t.ticks(section), s.drums(), s.lines(), t.names());
  }

  /** The parts that play there. */
  public List<Part> parts() {
    TreeSet<Part> out = new TreeSet<>(drums.keySet());
    out.addAll(lines.keySet());
    return new ArrayList<>(out);
  }

  /** How a part is called there. */
  public String name(Part part) {
    return names.getOrDefault(part, part.words());
  }

  /** Lets a part of a section play what a part of the same kind plays there. */
  public Edited into(Template t, int section, Part from, Part to) {
    if (from.asDrum().isPresent() != to.asDrum().isPresent()) {
      return new Edited(t, "Hits can't be played by a line of notes, nor notes by a drum.");
    }
    Template listed = listed(t, from, to);
    TemplateSection laid = laid(listed, section, from, to);
    int count = to.size(laid);
    String words =
        name(from)
            + " from elsewhere on the "
            + t.name(to)
            + ", "
            + count
            + (to instanceof DrumPart ? " hits" : " notes");
    return new Edited(listed.with(section, laid), words);
  }

  /** A part that is new to the template comes with its name. */
  private Template listed(Template t, Part from, Part to) {
    boolean known = to.number() == 1 || Part.of(t).contains(to);
    Template with = known ? t : Parts.add(t, to).template();
    return known || !names.containsKey(from)
        ? with
        : Parts.name(with, to, names.get(from)).template();
  }

  /** A section in which a part plays what one of the same kind plays here. */
  TemplateSection laid(Template t, int section, Part from, Part to) {
    TemplateSection s = t.sections().get(section);
    int end = t.ticks(section);
    return to instanceof DrumPart drum
        ? s.with(drum, round(drums.getOrDefault(from, List.of()), ticks, end))
        : s.with((LinePart) to, round(lines.getOrDefault(from, List.of()), ticks, end));
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
