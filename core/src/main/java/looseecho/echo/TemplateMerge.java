package looseecho.echo;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;

/**
 * Brings a correction of what was heard into a template that has been worked on (a three-way
 * merge): what is still as it was heard follows the correction, what the person has changed stays.
 * Another tempo or key is laid on the correction, too; sections that were moved, repeated or
 * renamed keep their order and names.
 */
public final class TemplateMerge {
  private TemplateMerge() {}

  /**
   * What came of it.
   *
   * @param kept false where the heard sections changed, so that edits could not be carried over
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
    if (!sameShape(before, after)) {
      return new Merged(after, false);
    }
    Template was = retuned(before, before, mine);
    Template is = retuned(after, before, mine);
    return new Merged(
        sameShape(was, mine) ? inPlace(was, is, mine) : arranged(was, is, mine), true);
  }

  private static boolean sameShape(Template a, Template b) {
    boolean same = a.sections().size() == b.sections().size() && a.meter().equals(b.meter());
    for (int s = 0; same && s < a.sections().size(); s++) {
      same = a.sections().get(s).beats() == b.sections().get(s).beats();
    }
    return same;
  }

  /** A heard template in the tempo and key that the person has chosen for theirs. */
  private static Template retuned(Template heard, Template before, Template mine) {
    Template out = heard;
    if (mine.bpm() != before.bpm()) {
      out = Retune.tempo(out, mine.bpm(), true).template();
    }
    return mine.key().equals(before.key()) ? out : Retune.key(out, mine.key()).template();
  }

  private static Template inPlace(Template was, Template is, Template mine) {
    List<TemplateSection> sections = new ArrayList<>();
    for (int s = 0; s < mine.sections().size(); s++) {
      sections.add(section(was.sections().get(s), is.sections().get(s), mine.sections().get(s)));
    }
    Map<Part, String> names = new HashMap<>(is.names());
    names.putAll(mine.names());
    return is.with(sections).named(names);
  }

  private static TemplateSection section(
      TemplateSection was, TemplateSection is, TemplateSection own) {
    Map<DrumPart, List<Stroke>> drums = new HashMap<>();
    Map<LinePart, List<Tone>> lines = new HashMap<>();
    for (TemplateSection s : List.of(is, own)) {
      s.drums().keySet().forEach(d -> drums.put(d, chosen(was.hits(d), is.hits(d), own.hits(d))));
      s.lines()
          .keySet()
          .forEach(l -> lines.put(l, chosen(was.notes(l), is.notes(l), own.notes(l))));
    }
    return new TemplateSection(
        chosen(was.label(), is.label(), own.label()),
        chosen(was.role(), is.role(), own.role()),
        own.beats(),
        drums,
        lines,
        chosen(was.movement(), is.movement(), own.movement()));
  }

  private static <T> T chosen(T was, T is, T own) {
    return Objects.equals(own, was) ? is : own;
  }

  /** Another order of sections: those that are as one was heard follow it, the others stay. */
  private static Template arranged(Template was, Template is, Template mine) {
    List<TemplateSection> sections = new ArrayList<>();
    for (TemplateSection own : mine.sections()) {
      int from = was.sections().indexOf(own);
      sections.add(from < 0 ? own : is.sections().get(from));
    }
    return mine.with(sections);
  }
}
