package looseecho.echo;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import looseecho.activity.Lane;
import looseecho.notes.Line;

/**
 * Brings a correction of what was heard into a template that has been worked on: parts that are
 * still as they were heard follow the correction, parts that were edited stay (a three-way merge).
 */
public final class TemplateMerge {
  private TemplateMerge() {}

  /**
   * What came of it.
   *
   * @param kept false where the sections changed, so that edits could not be carried over
   */
  public record Merged(Template template, boolean kept) {}

  /**
   * Merges.
   *
   * @param before the exact template of what was heard before
   * @param after the exact template of what is heard now
   * @param mine the template at work, made from {@code before}
   */
  public static Merged merge(Template before, Template after, Template mine) {
    if (mine.equals(before)) {
      return new Merged(after, true);
    }
    boolean sameShape =
        before.sections().size() == after.sections().size()
            && mine.sections().size() == after.sections().size()
            && before.meter().equals(after.meter());
    for (int s = 0; sameShape && s < after.sections().size(); s++) {
      sameShape = after.sections().get(s).beats() == mine.sections().get(s).beats();
    }
    if (!sameShape) {
      return new Merged(after, false);
    }
    List<TemplateSection> sections = new ArrayList<>();
    for (int s = 0; s < after.sections().size(); s++) {
      TemplateSection was = before.sections().get(s);
      TemplateSection is = after.sections().get(s);
      TemplateSection own = mine.sections().get(s);
      Map<Lane, List<StepHit>> drums = new EnumMap<>(Lane.class);
      for (Lane lane : Lane.values()) {
        drums.put(lane, own.hits(lane).equals(was.hits(lane)) ? is.hits(lane) : own.hits(lane));
      }
      Map<Line, List<StepNote>> lines = new EnumMap<>(Line.class);
      for (Line line : Line.values()) {
        lines.put(line, own.notes(line).equals(was.notes(line)) ? is.notes(line) : own.notes(line));
      }
      sections.add(new TemplateSection(is.label(), is.role(), is.beats(), drums, lines));
    }
    return new Merged(after.with(sections), true);
  }
}
