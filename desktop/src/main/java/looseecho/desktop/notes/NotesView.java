package looseecho.desktop.notes;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import looseecho.activity.Lane;
import looseecho.analysis.Analysis;
import looseecho.echo.StepNote;
import looseecho.echo.Template;
import looseecho.hits.Hit;
import looseecho.notes.Chord;
import looseecho.notes.Interlock;
import looseecho.notes.Key;
import looseecho.notes.Line;
import looseecho.notes.Note;
import looseecho.pulse.Pulse;

/**
 * What the notes chart shows of some bars of a section.
 *
 * @param from first step shown, counted from the section's start
 * @param steps steps shown
 * @param barNumber number of the first bar shown
 * @param heard notes per line, steps counted from the section's start
 * @param echo all notes of the section per line
 * @param kicks heard kicks
 */
public record NotesView(
    Key key,
    int from,
    int steps,
    int stepsPerBeat,
    int stepsPerBar,
    int barNumber,
    double stepMs,
    Map<Line, List<Ribbon>> heard,
    Map<Line, List<StepNote>> echo,
    List<Kick> kicks,
    List<ChordMark> chords) {
  /** Bars shown at a time. */
  public static final int BARS = 4;

  public static final NotesView EMPTY =
      new NotesView(
          new Key(0, false), 0, 64, 4, 16, 1, 125, Map.of(), Map.of(), List.of(), List.of());

  /** A heard note; {@code slideFrom} is a pitch, or its own where it does not slide. */
  public record Ribbon(
      double step, double length, int pitch, double slideFrom, double sure, String words) {}

  /** A heard kick; true when a bass note falls with it. */
  public record Kick(double step, boolean withBass) {}

  /** A heard chord. */
  public record ChordMark(double step, double length, Chord chord) {}

  /** Builds the view around a bar, counted from 0 within the section. */
  public static NotesView of(Analysis a, Template t, int section, int bar) {
    if (a == null || t == null || a.pulse().isEmpty() || section < 0) {
      return EMPTY;
    }
    Pulse p = a.pulse().get();
    int perBar = t.stepsPerBar();
    int all = t.sections().get(section).beats() * t.meter().stepsPerBeat();
    int from = bar / BARS * BARS * perBar;
    int steps = Math.max(perBar, Math.min(BARS * perBar, all - from));
    double zero = p.beatsAt(t.time(section, 0, 0));
    Map<Line, List<Ribbon>> heard = new EnumMap<>(Line.class);
    heard.put(Line.BASS, ribbons(a.tonality().bass(), a, p, zero, t.key(), from, steps));
    heard.put(Line.RIFF, ribbons(a.tonality().riff(), a, p, zero, t.key(), from, steps));
    List<ChordMark> chords = new ArrayList<>();
    for (Chord c : a.tonality().chords()) {
      double step = (p.beatsAt(c.start()) - zero) * p.stepsPerBeat();
      double end = (p.beatsAt(c.end()) - zero) * p.stepsPerBeat();
      if (c.sounds() && end > from + 0.5 && step < from + steps - 0.5) {
        chords.add(new ChordMark(step, end - step, c));
      }
    }
    double beat =
        t.beats().get(t.firstBeat(section) + 1).time() - t.beats().get(t.firstBeat(section)).time();
    return new NotesView(
        t.key(),
        from,
        steps,
        p.stepsPerBeat(),
        perBar,
        Math.max(0, t.beats().get(t.firstBeat(section)).bar()) + from / perBar,
        1000 * beat / p.stepsPerBeat(),
        heard,
        t.sections().get(section).lines(),
        kicks(a, p, zero, from, steps),
        chords);
  }

  private static List<Ribbon> ribbons(
      List<Note> notes, Analysis a, Pulse p, double zero, Key key, int from, int steps) {
    List<Ribbon> out = new ArrayList<>();
    for (Note n : notes) {
      double step = (p.beatsAt(n.start()) - zero) * p.stepsPerBeat();
      double end = (p.beatsAt(n.end()) - zero) * p.stepsPerBeat();
      if (end > from && step > from - 0.5 && step < from + steps - 0.5) {
        double slide = n.glide().map(g -> g.from()).orElse((double) n.pitch());
        out.add(new Ribbon(step, end - step, n.pitch(), slide, n.confidence(), words(n, a, key)));
      }
    }
    return out;
  }

  private static String words(Note n, Analysis a, Key key) {
    StringBuilder s = new StringBuilder(key.noteName(n.pitch()));
    s.append(", degree ").append(key.degree(n.pitch()));
    Chord c = a.tonality().chordAt(n.start() + 0.02);
    if (c != null && c.sounds()) {
      String part = c.part(n.pitch());
      s.append(part.isEmpty() ? ", not of " : ", the " + part + " of ").append(c.words(key));
    }
    s.append(", loudness ").append(n.velocity());
    n.glide()
        .ifPresent(
            g -> s.append(", slides in from ").append(key.noteName((int) Math.round(g.from()))));
    s.append(n.sub() ? ", sub" : "").append(n.doubled() ? ", doubled an octave away" : "");
    return s.toString();
  }

  private static List<Kick> kicks(Analysis a, Pulse p, double zero, int from, int steps) {
    List<Hit> kicks = a.hits().stream().filter(h -> h.lane() == Lane.KICK).toList();
    List<Double> attacks = a.tonality().bass().stream().map(Note::start).toList();
    List<Boolean> with = Interlock.together(kicks.stream().map(Hit::time).toList(), attacks);
    List<Kick> out = new ArrayList<>();
    for (int i = 0; i < kicks.size(); i++) {
      double step = (p.beatsAt(kicks.get(i).time()) - zero) * p.stepsPerBeat();
      if (step > from - 0.5 && step < from + steps - 0.5) {
        out.add(new Kick(step, with.get(i)));
      }
    }
    return out;
  }
}
