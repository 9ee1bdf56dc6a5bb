package looseecho.echo;

import java.util.ArrayList;
import java.util.Comparator;
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
    int end = t.ticks(section);
    String words = from.words() + " from elsewhere on the " + to.words();
    if (to.lane().isPresent()) {
      List<Stroke> hits = drums.getOrDefault(from.lane().get(), List.of());
      List<Stroke> out = new ArrayList<>();
      for (int zero = 0; zero < end; zero += ticks) {
        for (Stroke h : hits) {
          if (zero + h.tick() < end) {
            out.add(h.at(zero + h.tick(), h.offsetMs()));
          }
        }
      }
      return Edits.part(t, section, to.lane().get(), out, words + ", " + out.size() + " hits");
    }
    List<Tone> out = new ArrayList<>();
    for (int zero = 0; zero < end; zero += ticks) {
      for (Tone n : lines.getOrDefault(from.line().orElseThrow(), List.of())) {
        int tick = zero + n.tick();
        if (tick < end) {
          out.add(n.at(tick, n.offsetMs()).lasting(Math.min(n.lengthTicks(), end - tick)));
        }
      }
    }
    out.sort(Comparator.comparingDouble(Placed::order));
    return Edits.line(
        t, section, to.line().orElseThrow(), out, words + ", " + out.size() + " notes");
  }
}
