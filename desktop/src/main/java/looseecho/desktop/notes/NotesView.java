package looseecho.desktop.notes;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import looseecho.activity.Lane;
import looseecho.analysis.Analysis;
import looseecho.echo.LinePart;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.echo.Tone;
import looseecho.echo.Words;
import looseecho.hits.Hit;
import looseecho.notes.Chord;
import looseecho.notes.Interlock;
import looseecho.notes.Key;
import looseecho.notes.Line;
import looseecho.notes.Note;
import looseecho.pulse.BarGrid;
import looseecho.pulse.Meter;
import looseecho.pulse.Pulse;

/**
 * What the notes chart shows of some bars of a section.
 *
 * @param from first tick shown, counted from the section's start, as all ticks here
 * @param ticks how many are shown
 * @param beatTicks ticks of a beat
 * @param bars those shown
 * @param tickMs length of a tick
 * @param heard notes per line
 * @param echo all notes of the section per line
 * @param kicks heard kicks
 */
public record NotesView(
    Key key,
    int from,
    int ticks,
    int beatTicks,
    List<BarGrid.Bar> bars,
    double tickMs,
    Map<LinePart, List<Ribbon>> heard,
    Map<LinePart, List<Tone>> echo,
    List<Kick> kicks,
    List<ChordMark> chords) {
  /** Bars shown at a time. */
  public static final int BARS = 4;

  private static final double HALF = Meter.STEP / 2.0;

  public static final NotesView EMPTY =
      new NotesView(
          new Key(0, false),
          0,
          4 * Meter.FOUR_FOUR.ticksPerBar(),
          Meter.QUARTER,
          List.of(),
          0.5,
          Map.of(),
          Map.of(),
          List.of(),
          List.of());

  /** A heard note; {@code slideFrom} is a pitch, or its own where it does not slide. */
  public record Ribbon(
      double tick, double length, int pitch, double slideFrom, double sure, String words) {}

  /** A heard kick; true when a bass note falls with it. */
  public record Kick(double tick, boolean withBass) {}

  /** A heard chord. */
  public record ChordMark(double tick, double length, Chord chord) {}

  /** Builds the view around a bar, counted from 0 within the section. */
  public static NotesView of(Analysis a, Template t, int section, int bar) {
    if (a == null || t == null || a.pulse().isEmpty() || section < 0) {
      return EMPTY;
    }
    Pulse p = a.pulse().get();
    List<BarGrid.Bar> all = t.grid(section).bars();
    int first = Math.max(0, Math.min(all.size() - 1, bar)) / BARS * BARS;
    List<BarGrid.Bar> bars = all.subList(first, Math.min(all.size(), first + BARS));
    int from = bars.get(0).from();
    int ticks = Math.max(t.ticksPerBar(), bars.get(bars.size() - 1).end() - from);
    double per = p.meter().value().ticksPerBeat();
    double zero = p.beatsAt(t.time(section, 0, 0));
    Map<LinePart, List<Ribbon>> heard = new HashMap<>();
    heard.put(Part.of(Line.BASS), ribbons(a.tonality().bass(), a, p, zero, t.key(), from, ticks));
    heard.put(Part.of(Line.RIFF), ribbons(a.tonality().riff(), a, p, zero, t.key(), from, ticks));
    List<ChordMark> chords = new ArrayList<>();
    for (Chord c : a.tonality().chords()) {
      double tick = (p.beatsAt(c.start()) - zero) * per;
      double end = (p.beatsAt(c.end()) - zero) * per;
      if (c.sounds() && end > from + HALF && tick < from + ticks - HALF) {
        chords.add(new ChordMark(tick, end - tick, c));
      }
    }
    double beat = t.time(section, per, 0) - t.time(section, 0, 0);
    return new NotesView(
        t.key(),
        from,
        ticks,
        t.meter().ticksPerBeat(),
        bars,
        1000 * beat / per,
        heard,
        t.sections().get(section).lines(),
        kicks(a, p, zero, from, ticks),
        chords);
  }

  private static List<Ribbon> ribbons(
      List<Note> notes, Analysis a, Pulse p, double zero, Key key, int from, int ticks) {
    List<Ribbon> out = new ArrayList<>();
    for (Note n : notes) {
      double tick = (p.beatsAt(n.start()) - zero) * p.meter().value().ticksPerBeat();
      double end = (p.beatsAt(n.end()) - zero) * p.meter().value().ticksPerBeat();
      if (end > from && tick > from - HALF && tick < from + ticks - HALF) {
        double slide = n.glide().map(g -> g.from()).orElse((double) n.pitch());
        out.add(new Ribbon(tick, end - tick, n.pitch(), slide, n.confidence(), words(n, a, key)));
      }
    }
    return out;
  }

  /** A note of the echo in words. */
  String words(Tone n) {
    int inBar =
        bars.stream()
            .filter(b -> n.tick() >= b.from() && n.tick() < b.end())
            .mapToInt(b -> b.inBar(n.tick()))
            .findFirst()
            .orElse(n.tick());
    return key.noteName(n.pitch())
        + ", degree "
        + key.degree(n.pitch())
        + ", "
        + Words.step(inBar)
        + ", "
        + Words.offset(n.offsetMs())
        + ", loudness "
        + n.velocity();
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

  private static List<Kick> kicks(Analysis a, Pulse p, double zero, int from, int ticks) {
    List<Hit> kicks = a.hits().stream().filter(h -> h.lane() == Lane.KICK).toList();
    List<Double> attacks = a.tonality().bass().stream().map(Note::start).toList();
    List<Boolean> with = Interlock.together(kicks.stream().map(Hit::time).toList(), attacks);
    List<Kick> out = new ArrayList<>();
    for (int i = 0; i < kicks.size(); i++) {
      double beats = p.beatsAt(kicks.get(i).time()) - zero;
      double tick = beats * p.meter().value().ticksPerBeat();
      if (tick > from - HALF && tick < from + ticks - HALF) {
        out.add(new Kick(tick, with.get(i)));
      }
    }
    return out;
  }
}
