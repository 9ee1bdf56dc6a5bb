package looseecho.echo;

import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import looseecho.activity.Lane;
import looseecho.notes.Line;
import looseecho.reading.Limits;

/**
 * One section of the template.
 *
 * @param label letter; equal letters are alike
 * @param role such as "verse"
 * @param beats length; any number, so that a bar and a half stays one
 * @param drums hits per drum in order; drums that are not played are missing
 * @param lines notes per line in order; lines that are not played are missing
 * @param movement what moves in it and what leads into it
 */
public record TemplateSection(
    String label,
    String role,
    int beats,
    Map<DrumPart, List<Stroke>> drums,
    Map<LinePart, List<Tone>> lines,
    Movement movement) {
  public TemplateSection {
    movement = movement == null ? Movement.NONE : movement;
    Limits.text("label", label);
    Limits.text("role", role);
    Limits.within("beats", beats, 1, Limits.BEATS); // one of none would never come to an end
    drums = played(drums);
    lines = played(lines);
  }

  /** One in which nothing moves. */
  public TemplateSection(
      String label,
      String role,
      int beats,
      Map<DrumPart, List<Stroke>> drums,
      Map<LinePart, List<Tone>> lines) {
    this(label, role, beats, drums, lines, Movement.NONE);
  }

  /** The same moving otherwise. */
  public TemplateSection with(Movement other) {
    return new TemplateSection(label, role, beats, drums, lines, other);
  }

  private static <P extends Part, E> Map<P, List<E>> played(Map<P, List<E>> parts) {
    Map<P, List<E>> copy = new TreeMap<>();
    parts.forEach(
        (part, events) -> {
          if (!events.isEmpty()) {
            copy.put(part, List.copyOf(events));
          }
        });
    return Collections.unmodifiableMap(copy);
  }

  /** Hits and notes of all parts. */
  int events() {
    return drums.values().stream().mapToInt(List::size).sum()
        + lines.values().stream().mapToInt(List::size).sum();
  }

  /** Hits of a drum; empty when it is not played. */
  public List<Stroke> hits(DrumPart drum) {
    return drums.getOrDefault(drum, List.of());
  }

  /** Hits of the first drum of a kind. */
  public List<Stroke> hits(Lane lane) {
    return hits(Part.of(lane));
  }

  /** The drums of a kind that play. */
  public List<DrumPart> drums(Lane lane) {
    return drums.keySet().stream().filter(d -> d.lane() == lane).toList();
  }

  /** Hits of all drums of a kind. */
  public Stream<Stroke> all(Lane lane) {
    return drums.entrySet().stream()
        .filter(e -> e.getKey().lane() == lane)
        .flatMap(e -> e.getValue().stream());
  }

  /** Notes of a line; empty when it is not played. */
  public List<Tone> notes(LinePart line) {
    return lines.getOrDefault(line, List.of());
  }

  /** Notes of the first line of a kind. */
  public List<Tone> notes(Line line) {
    return notes(Part.of(line));
  }

  /** The section with other hits of one drum. */
  public TemplateSection with(DrumPart drum, List<Stroke> hits) {
    Map<DrumPart, List<Stroke>> copy = new HashMap<>(drums);
    copy.put(drum, hits);
    return new TemplateSection(label, role, beats, copy, lines, movement);
  }

  /** The section with other notes in one line. */
  public TemplateSection with(LinePart line, List<Tone> notes) {
    Map<LinePart, List<Tone>> copy = new HashMap<>(lines);
    copy.put(line, notes);
    return new TemplateSection(label, role, beats, drums, copy, movement);
  }

  /** The section with one part alone. */
  TemplateSection only(Part part) {
    TemplateSection silent = new TemplateSection(label, role, beats, Map.of(), Map.of(), movement);
    return part instanceof DrumPart drum
        ? silent.with(drum, hits(drum))
        : silent.with((LinePart) part, notes((LinePart) part));
  }

  /** The section in which a part does not play. */
  public TemplateSection without(Part part) {
    return part instanceof DrumPart drum
        ? with(drum, List.<Stroke>of())
        : with((LinePart) part, List.<Tone>of());
  }

  /** The section with another length and all its parts changed in one way. */
  TemplateSection changed(
      int newBeats, UnaryOperator<List<Stroke>> hits, UnaryOperator<List<Tone>> notes) {
    Map<DrumPart, List<Stroke>> d = new HashMap<>();
    drums.forEach((drum, all) -> d.put(drum, hits.apply(all)));
    Map<LinePart, List<Tone>> l = new HashMap<>();
    lines.forEach((line, all) -> l.put(line, notes.apply(all)));
    return new TemplateSection(label, role, newBeats, d, l, movement);
  }
}
