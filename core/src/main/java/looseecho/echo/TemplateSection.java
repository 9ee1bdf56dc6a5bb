package looseecho.echo;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import looseecho.activity.Lane;

/**
 * One section of the template.
 *
 * @param label letter; equal letters are alike
 * @param role such as "verse"
 * @param beats length; any number, so that a bar and a half stays one
 * @param drums hits per lane in order; lanes that are not played are missing
 * @param bass notes in order
 */
public record TemplateSection(
    String label, String role, int beats, Map<Lane, List<StepHit>> drums, List<StepNote> bass) {
  public TemplateSection {
    Map<Lane, List<StepHit>> copy = new EnumMap<>(Lane.class);
    drums.forEach((lane, hits) -> copy.put(lane, List.copyOf(hits)));
    drums = java.util.Collections.unmodifiableMap(copy);
    bass = List.copyOf(bass);
  }

  /** Hits of a lane; empty when it is not played. */
  public List<StepHit> hits(Lane lane) {
    return drums.getOrDefault(lane, List.of());
  }

  /** The section with other hits in one lane. */
  TemplateSection with(Lane lane, List<StepHit> hits) {
    Map<Lane, List<StepHit>> copy = new EnumMap<>(Lane.class);
    copy.putAll(drums);
    copy.put(lane, hits);
    if (hits.isEmpty()) {
      copy.remove(lane);
    }
    return new TemplateSection(label, role, beats, copy, bass);
  }
}
