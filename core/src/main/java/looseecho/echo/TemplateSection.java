package looseecho.echo;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import looseecho.activity.Lane;
import looseecho.notes.Line;

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
    Map<Lane, List<StepHit>> drums,
    Map<Line, List<StepNote>> lines) {
  public TemplateSection {
    Map<Lane, List<StepHit>> copy = new EnumMap<>(Lane.class);
    drums.forEach((lane, hits) -> copy.put(lane, List.copyOf(hits)));
    drums = java.util.Collections.unmodifiableMap(copy);
    Map<Line, List<StepNote>> copied = new EnumMap<>(Line.class);
    lines.forEach((line, notes) -> copied.put(line, List.copyOf(notes)));
    lines = java.util.Collections.unmodifiableMap(copied);
  }

  /** Hits of a lane; empty when it is not played. */
  public List<StepHit> hits(Lane lane) {
    return drums.getOrDefault(lane, List.of());
  }

  /** The section with other hits in one lane. */
  public TemplateSection with(Lane lane, List<StepHit> hits) {
    Map<Lane, List<StepHit>> copy = new EnumMap<>(Lane.class);
    copy.putAll(drums);
    copy.put(lane, hits);
    if (hits.isEmpty()) {
      copy.remove(lane);
    }
    return new TemplateSection(label, role, beats, copy, lines);
  }

  /** Notes of a line; empty when it is not played. */
  public List<StepNote> notes(Line line) {
    return lines.getOrDefault(line, List.of());
  }

  /** The section with other notes in one line. */
  public TemplateSection with(Line line, List<StepNote> notes) {
    Map<Line, List<StepNote>> copy = new EnumMap<>(Line.class);
    copy.putAll(lines);
    copy.put(line, notes);
    if (notes.isEmpty()) {
      copy.remove(line);
    }
    return new TemplateSection(label, role, beats, drums, copy);
  }
}
