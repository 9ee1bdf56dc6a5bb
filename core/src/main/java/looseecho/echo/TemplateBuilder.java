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
import looseecho.notes.Chord;
import looseecho.notes.Line;
import looseecho.notes.Note;
import looseecho.pulse.Beat;
import looseecho.pulse.Pulse;

/**
 * Makes the exact template of what was heard: every hit and note at its step, with its own offset
 * and loudness.
 */
public final class TemplateBuilder {
  private static final int CHORD_LOW = 55; // lowest pitch of a chord, G3
  private static final int CHORD_LOUDNESS = 72;

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
    Map<Line, List<StepNote>> lines = new EnumMap<>(Line.class);
    lines.put(Line.BASS, notes(p, a.tonality().bass(), firstBeat, steps));
    lines.put(Line.RIFF, notes(p, a.tonality().riff(), firstBeat, steps));
    lines.put(Line.CHORDS, chords(p, a.tonality().chords(), firstBeat, steps));
    return new TemplateSection(s.label(), s.role(), endBeat - firstBeat, drums, lines);
  }

  private static List<StepNote> notes(Pulse p, List<Note> heard, int firstBeat, int steps) {
    List<StepNote> out = new ArrayList<>();
    for (Note n : heard) {
      int step = step(p, n.start(), firstBeat);
      if (step >= 0 && step < steps) {
        double length =
            Math.max(0.25, (p.beatsAt(n.end()) - p.beatsAt(n.start())) * p.stepsPerBeat());
        double slide = n.glide().map(g -> g.from() - n.pitch()).orElse(0.0);
        double slideMs = n.glide().map(g -> 1000 * (g.end() - g.start())).orElse(0.0);
        double offset = offset(p, n.start(), firstBeat, step);
        out.add(new StepNote(step, offset, length, n.pitch(), n.velocity(), slide, slideMs));
      }
    }
    return out;
  }

  /** Chords as notes, close together around middle C, the root below. */
  private static List<StepNote> chords(Pulse p, List<Chord> heard, int firstBeat, int steps) {
    List<StepNote> out = new ArrayList<>();
    for (Chord c : heard) {
      int step = Math.max(0, step(p, c.start(), firstBeat));
      int end = Math.min(steps, step(p, c.end(), firstBeat));
      if (!c.sounds() || step >= end) {
        continue;
      }
      for (int tone : c.kind().tones()) {
        int pitch = CHORD_LOW + Math.floorMod(c.root() + tone - CHORD_LOW, 12);
        out.add(new StepNote(step, 0, end - step, pitch, CHORD_LOUDNESS));
      }
    }
    return out;
  }

  private static int step(Pulse p, double time, int firstBeat) {
    return (int) Math.round((p.beatsAt(time) - firstBeat) * p.stepsPerBeat());
  }

  private static double offset(Pulse p, double time, int firstBeat, int step) {
    return 1000 * (time - p.timeAt(firstBeat + (double) step / p.stepsPerBeat()));
  }
}
