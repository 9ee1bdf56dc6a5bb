package looseecho.handover;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import looseecho.analysis.Analysis;
import looseecho.compare.Comparison;
import looseecho.echo.Arrangement;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.exchange.StemNames;
import looseecho.layers.HeardLayer;
import looseecho.project.Project;

/**
 * What there is to hand on.
 *
 * @param name of the echo
 * @param stems how the files of stems are called
 * @param project template, sounds and logbook
 * @param heard what was heard of the track; empty where it was not kept
 * @param layers of the track; empty where nobody has listened for them
 * @param comparison of the echo with the track; empty where it was not made
 */
public record Handover(
    String name,
    StemNames stems,
    Project project,
    Optional<Analysis> heard,
    List<HeardLayer> layers,
    Optional<Comparison> comparison) {
  public Handover {
    layers = List.copyOf(layers);
  }

  public Template template() {
    return project.template();
  }

  /** The same with some parts only. */
  public Handover only(Set<Part> parts) {
    Template t = template();
    List<TemplateSection> kept =
        t.sections().stream()
            .map(
                s -> {
                  TemplateSection out = s;
                  for (Part p : Part.of(s)) {
                    out = parts.contains(p) ? out : out.without(p);
                  }
                  return out;
                })
            .toList();
    return with(t.with(kept));
  }

  /** The same with some sections only, by their numbers from 0; with all where there is none. */
  public Handover sections(Set<Integer> kept) {
    Template t = template();
    if (kept.isEmpty()) {
      return this;
    }
    for (int k = t.sections().size() - 1; k >= 0; k--) {
      t = kept.contains(k) ? t : Arrangement.remove(t, k).template();
    }
    return with(t);
  }

  private Handover with(Template t) {
    return new Handover(name, stems, project.with(t), heard, layers, comparison);
  }
}
