package looseecho.echo;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import looseecho.activity.Lane;
import looseecho.analysis.Analysis;
import looseecho.form.Section;
import looseecho.hits.Hit;
import looseecho.notes.Note;
import looseecho.pulse.Beat;
import looseecho.pulse.Pulse;

/**
 * Makes the exact template of what was heard: every hit and note at its step, with its own offset
 * and loudness.
 */
public final class TemplateBuilder {
  /** Empty when no beat was heard. */
  public Optional<Template> build(Analysis a) {
    return a.pulse().filter(p -> !a.form().sections().isEmpty()).map(p -> build(a, p));
  }

  private static Template build(Analysis a, Pulse p) {
    List<Section> heard = a.form().sections();
    int[] first = new int[heard.size() + 1];
    for (int i = 0; i < heard.size(); i++) {
      first[i] = (int) Math.round(p.beatsAt(heard.get(i).start()));
    }
    first[heard.size()] =
        Math.max(
            first[heard.size() - 1] + 1,
            (int) Math.round(p.beatsAt(heard.get(heard.size() - 1).end())));
    List<TemplateSection> sections = new ArrayList<>();
    for (int i = 0; i < heard.size(); i++) {
      sections.add(section(a, p, heard.get(i), first[i], first[i + 1]));
    }
    List<Beat> map = new ArrayList<>();
    for (int k = first[0]; k <= first[heard.size()]; k++) {
      boolean inside = k < p.beats().size();
      map.add(
          inside
              ? p.beats().get(k)
              : new Beat(p.timeAt(k), 1, map.isEmpty() ? 1 : map.get(map.size() - 1).bar() + 1));
    }
    return new Template(
        p.tempo().value(), p.meter().value(), a.tonality().key().value(), map, sections);
  }

  private static TemplateSection section(
      Analysis a, Pulse p, Section s, int firstBeat, int endBeat) {
    int steps = (endBeat - firstBeat) * p.stepsPerBeat();
    Map<Lane, List<StepHit>> drums = new EnumMap<>(Lane.class);
    for (Hit h : a.hits()) {
      int step = step(p, h.time(), firstBeat);
      if (step >= 0 && step < steps) {
        drums
            .computeIfAbsent(h.lane(), l -> new ArrayList<>())
            .add(new StepHit(step, offset(p, h.time(), firstBeat, step), h.velocity()));
      }
    }
    List<StepNote> bass = new ArrayList<>();
    for (Note n : a.tonality().bass()) {
      int step = step(p, n.start(), firstBeat);
      if (step >= 0 && step < steps) {
        double length =
            Math.max(0.25, (p.beatsAt(n.end()) - p.beatsAt(n.start())) * p.stepsPerBeat());
        bass.add(
            new StepNote(
                step, offset(p, n.start(), firstBeat, step), length, n.pitch(), n.velocity()));
      }
    }
    return new TemplateSection(s.label(), s.role(), endBeat - firstBeat, drums, bass);
  }

  private static int step(Pulse p, double time, int firstBeat) {
    return (int) Math.round((p.beatsAt(time) - firstBeat) * p.stepsPerBeat());
  }

  private static double offset(Pulse p, double time, int firstBeat, int step) {
    return 1000 * (time - p.timeAt(firstBeat + (double) step / p.stepsPerBeat()));
  }
}
