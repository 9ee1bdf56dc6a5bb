package looseecho.echo;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import looseecho.analysis.Analysis;
import looseecho.form.Section;
import looseecho.hits.GridFinder;
import looseecho.notes.Chord;
import looseecho.notes.Line;
import looseecho.notes.Note;
import looseecho.pulse.Beat;
import looseecho.pulse.Grid;
import looseecho.pulse.Meter;
import looseecho.pulse.Pulse;

/**
 * Makes the exact template of what was heard: every hit and note at its step, with its own offset
 * and loudness.
 */
public final class TemplateBuilder {
  private static final int CHORD_LOW = 55; // lowest pitch of a chord, G3
  private static final int CHORD_LOUDNESS = 72;
  private static final int SHORTEST = Meter.STEP / 4;

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
    Heard all = Heard.of(a, p);
    for (int i = 0; i < heard.size(); i++) {
      sections.add(section(a, p, all, heard.get(i), first[i], first[i + 1]));
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
            p.tempo().value(), p.meter().value(), a.tonality().key().value(), map, sections)
        .named(all.drums().names());
  }

  private static TemplateSection section(
      Analysis a, Pulse p, Heard all, Section s, int firstBeat, int endBeat) {
    int ticks = (endBeat - firstBeat) * p.meter().value().ticksPerBeat();
    Map<DrumPart, List<Stroke>> drums = new HashMap<>();
    StrokeWriter strokes = new StrokeWriter(p, firstBeat, ticks);
    all.drums().hits().forEach((drum, own) -> drums.put(drum, strokes.write(own)));
    Map<LinePart, List<Tone>> lines = new HashMap<>();
    lines.put(Part.of(Line.BASS), notes(p, all.bass(), firstBeat, ticks));
    lines.put(Part.of(Line.RIFF), notes(p, all.riff(), firstBeat, ticks));
    List<Tone> held = notes(p, all.chords(), firstBeat, ticks);
    lines.put(
        Part.of(Line.CHORDS),
        held.isEmpty() ? chords(p, a.tonality().chords(), firstBeat, ticks) : held);
    Movement movement = new HeardMovement(p, a.form().events()).of(firstBeat, endBeat);
    return new TemplateSection(s.label(), s.role(), endBeat - firstBeat, drums, lines, movement);
  }

  /** What is heard, by part; every note with its line in ticks from the first beat. */
  private record Heard(HeardDrums drums, Lines bass, Lines riff, Lines chords) {
    static Heard of(Analysis a, Pulse p) {
      GridFinder grid = new GridFinder(p, a.feel().swing());
      return new Heard(
          HeardDrums.of(a.hits()),
          Lines.of(grid, a.tonality().bass()),
          Lines.of(grid, a.tonality().riff()),
          Lines.of(grid, a.tonality().voiced()));
    }
  }

  private record Lines(List<Note> notes, long[] at) {
    static Lines of(GridFinder grid, List<Note> notes) {
      return new Lines(
          notes, grid.lines(notes.stream().mapToDouble(Note::start).sorted().toArray()));
    }
  }

  private static List<Tone> notes(Pulse p, Lines lines, int firstBeat, int ticks) {
    List<Tone> out = new ArrayList<>();
    long first = (long) firstBeat * p.meter().value().ticksPerBeat();
    for (int k = 0; k < lines.notes().size(); k++) {
      Note n = lines.notes().get(k);
      int tick = (int) (lines.at()[k] - first);
      if (tick >= 0 && tick < ticks) {
        double beats = p.beatsAt(n.end()) - p.beatsAt(n.start());
        int length = (int) Math.max(SHORTEST, Math.round(beats * p.meter().value().ticksPerBeat()));
        double slide = n.glide().map(g -> g.from() - n.pitch()).orElse(0.0);
        double slideMs = n.glide().map(g -> 1000 * (g.end() - g.start())).orElse(0.0);
        double offset = offset(p, n.start(), firstBeat, tick);
        out.add(new Tone(tick, offset, length, n.pitch(), n.velocity(), slide, slideMs));
      }
    }
    return out;
  }

  /** Chords as notes, close together around middle C, the root below. */
  private static List<Tone> chords(Pulse p, List<Chord> heard, int firstBeat, int ticks) {
    List<Tone> out = new ArrayList<>();
    for (Chord c : heard) {
      int tick = Math.max(0, tick(p, c.start(), firstBeat));
      int end = Math.min(ticks, tick(p, c.end(), firstBeat));
      if (!c.sounds() || tick >= end) {
        continue;
      }
      for (int tone : c.kind().tones()) {
        int pitch = CHORD_LOW + Math.floorMod(c.root() + tone - CHORD_LOW, 12);
        out.add(new Tone(tick, 0, end - tick, pitch, CHORD_LOUDNESS));
      }
    }
    return out;
  }

  /** The nearest sixteenth, in ticks. */
  private static int tick(Pulse p, double time, int firstBeat) {
    return Grid.SIXTEENTH.nearest((p.beatsAt(time) - firstBeat) * p.meter().value().ticksPerBeat());
  }

  private static double offset(Pulse p, double time, int firstBeat, int tick) {
    double beats = (double) tick / p.meter().value().ticksPerBeat();
    return 1000 * (time - p.timeAt(firstBeat + beats));
  }
}
