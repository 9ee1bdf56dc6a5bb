package looseecho.echo;

import java.util.Collections;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import looseecho.activity.Lane;
import looseecho.notes.Line;
import looseecho.reading.Limits;

/**
 * One section of the template.
 *
 * @param label letter; equal letters are alike
 * @param role such as "verse"
 * @param beats length; any number, so that a bar and a half stays one
 * @param drums hits per lane in order; lanes that are not played are missing
 * @param lines notes per line in order; lines that are not played are missing
 */
public record TemplateSection(
    String label,
    String role,
    int beats,
    Map<Lane, List<Stroke>> drums,
    Map<Line, List<Tone>> lines) {
  public TemplateSection {
    Limits.text("label", label);
    Limits.text("role", role);
    Limits.within("beats", beats, 1, Limits.BEATS); // one of none would never come to an end
    drums = played(new EnumMap<>(Lane.class), drums);
    lines = played(new EnumMap<>(Line.class), lines);
  }

  private static <K, V> Map<K, List<V>> played(Map<K, List<V>> copy, Map<K, List<V>> parts) {
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

  /** Hits of a lane; empty when it is not played. */
  public List<Stroke> hits(Lane lane) {
    return drums.getOrDefault(lane, List.of());
  }

  /** Notes of a line; empty when it is not played. */
  public List<Tone> notes(Line line) {
    return lines.getOrDefault(line, List.of());
  }

  /** The section with other hits in one lane. */
  public TemplateSection with(Lane lane, List<Stroke> hits) {
    Map<Lane, List<Stroke>> copy = new HashMap<>(drums);
    copy.put(lane, hits);
    return new TemplateSection(label, role, beats, copy, lines);
  }

  /** The section with other notes in one line. */
  public TemplateSection with(Line line, List<Tone> notes) {
    Map<Line, List<Tone>> copy = new HashMap<>(lines);
    copy.put(line, notes);
    return new TemplateSection(label, role, beats, drums, copy);
  }

  /** The section with another length and all its parts changed in one way. */
  TemplateSection changed(
      int newBeats, UnaryOperator<List<Stroke>> hits, UnaryOperator<List<Tone>> notes) {
    Map<Lane, List<Stroke>> d = new HashMap<>();
    drums.forEach((lane, all) -> d.put(lane, hits.apply(all)));
    Map<Line, List<Tone>> l = new HashMap<>();
    lines.forEach((line, all) -> l.put(line, notes.apply(all)));
    return new TemplateSection(label, role, newBeats, d, l);
  }
}
