package looseecho.echo;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import looseecho.activity.Lane;
import looseecho.notes.Line;

/** A part of the template: a drum lane or a line of notes. */
public record Part(Optional<Lane> lane, Optional<Line> line) {
  public Part {
    if (lane.isPresent() == line.isPresent()) {
      throw new IllegalArgumentException("a part is a lane or a line");
    }
  }

  public static Part of(Lane lane) {
    return new Part(Optional.of(lane), Optional.empty());
  }

  public static Part of(Line line) {
    return new Part(Optional.empty(), Optional.of(line));
  }

  /** All parts that play in a section. */
  public static List<Part> of(TemplateSection s) {
    List<Part> out = new ArrayList<>();
    s.drums().keySet().forEach(l -> out.add(of(l)));
    s.lines().keySet().forEach(l -> out.add(of(l)));
    return out;
  }

  /** All parts that play anywhere, drums first. */
  public static List<Part> of(Template t) {
    List<Part> out = new ArrayList<>();
    for (Lane lane : Lane.SHOWN) {
      if (t.sections().stream().anyMatch(s -> !s.hits(lane).isEmpty())) {
        out.add(of(lane));
      }
    }
    for (Line line : Line.values()) {
      if (t.sections().stream().anyMatch(s -> !s.notes(line).isEmpty())) {
        out.add(of(line));
      }
    }
    return out;
  }

  public String words() {
    return lane.map(Lane::words).orElseGet(() -> line.orElseThrow().words());
  }

  /** How many hits or notes it has in a section. */
  public int size(TemplateSection s) {
    return lane.map(l -> s.hits(l).size()).orElseGet(() -> s.notes(line.orElseThrow()).size());
  }
}
