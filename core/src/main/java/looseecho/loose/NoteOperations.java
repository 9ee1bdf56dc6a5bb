package looseecho.loose;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.TreeMap;
import looseecho.activity.Lane;
import looseecho.echo.Edits;
import looseecho.echo.LinePart;
import looseecho.echo.Part;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.echo.Tone;
import looseecho.echo.Turn;
import looseecho.notes.Key;
import looseecho.notes.Line;
import looseecho.pulse.BarGrid;
import looseecho.pulse.Grid;
import looseecho.pulse.Meter;

/** Other notes on the old rhythm. */
final class NoteOperations {
  private static final int[] MOVES = {-2, -1, 1, 2, 3};
  private static final int[] DEGREES = {-4, -2, 2, 3, 5}; // scale steps between related chords

  static final List<Operation> ALL =
      List.of(
          new Operation(
              "turn the riff upside down in the fourth bar",
              Aspect.NOTES,
              1,
              "its rhythm, and three bars as they are",
              (t, s, r) -> fourthBar(t, s, Turn.UPSIDE_DOWN)),
          new Operation(
              "play the riff backwards in the fourth bar",
              Aspect.NOTES,
              1,
              "its notes, and three bars as they are",
              (t, s, r) -> fourthBar(t, s, Turn.BACKWARDS)),
          new Operation(
              "a new tune on the riff's rhythm",
              Aspect.NOTES,
              60,
              "rhythm, key and range",
              NoteOperations::newTune),
          new Operation(
              "reharmonise within the key",
              Aspect.NOTES,
              45,
              "key, rhythm, and the bass under its chord",
              NoteOperations::reharmonise),
          new Operation(
              "let the bass follow the kick",
              Aspect.NOTES,
              25,
              "its notes and their order",
              NoteOperations::followKick),
          new Operation(
              "let the bass bounce off the kick",
              Aspect.NOTES,
              25,
              "its notes and their order; beat one stays",
              NoteOperations::bounceOffKick),
          new Operation(
              "lift the last bass notes of the bar",
              Aspect.NOTES,
              1,
              "the bass's rhythm and roots",
              NoteOperations::liftBass));

  private NoteOperations() {}

  private static Optional<Template> with(Template t, int section, Line line, List<Tone> notes) {
    return TimingOperations.changed(t, Edits.line(t, section, Part.of(line), notes, "").template());
  }

  private static Optional<Template> fourthBar(Template t, int section, Turn turn) {
    BarGrid grid = t.grid(section);
    List<Tone> out = new ArrayList<>();
    Map<Integer, List<Tone>> fourth = new TreeMap<>();
    for (Tone n : t.sections().get(section).notes(Line.RIFF)) {
      int bar = grid.indexAt(n.tick());
      (bar % 4 == 3 ? fourth.computeIfAbsent(bar, b -> new ArrayList<>()) : out).add(n);
    }
    fourth.values().forEach(own -> out.addAll(turn.apply(own, t.key(), grid.ticks())));
    return fourth.isEmpty() ? Optional.empty() : with(t, section, Line.RIFF, out);
  }

  /** A walk on the scale; the same step of every second bar gets the same note, so it repeats. */
  private static Optional<Template> newTune(Template t, int section, SplittableRandom r) {
    List<Tone> riff = t.sections().get(section).notes(Line.RIFF);
    if (riff.isEmpty()) {
      return Optional.empty();
    }
    Key key = t.key();
    BarGrid grid = t.grid(section);
    int low = riff.stream().mapToInt(n -> key.rung(n.pitch())).min().orElseThrow();
    int high =
        Math.max(low + 4, riff.stream().mapToInt(n -> key.rung(n.pitch())).max().orElseThrow());
    int[] tune = new int[2 * t.meter().stepsPerBar()];
    int rung = (low + high) / 2;
    for (int s = 0; s < tune.length; s++) {
      rung += MOVES[r.nextInt(MOVES.length)] * (r.nextInt(3) == 0 ? 0 : 1);
      rung = rung > high ? 2 * high - rung : rung < low ? 2 * low - rung : rung;
      tune[s] = Math.max(low, Math.min(high, rung));
    }
    List<Tone> out =
        riff.stream().map(n -> n.pitched(key.pitch(tune[twoBars(grid, n) % tune.length]))).toList();
    return with(t, section, Line.RIFF, out);
  }

  /** The sixteenth of a note, counted over bars two by two. */
  private static int twoBars(BarGrid grid, Tone n) {
    int bar = grid.indexAt(n.tick());
    int ticks = bar % 2 * grid.wholeBar() + grid.bars().get(bar).inBar(n.tick());
    return Math.round(ticks / (float) Meter.STEP);
  }

  /** Moves chords, bass and riff of every fourth and third bar of four to a related degree. */
  private static Optional<Template> reharmonise(Template t, int section, SplittableRandom r) {
    int by = DEGREES[r.nextInt(DEGREES.length)];
    BarGrid grid = t.grid(section);
    Template out = t;
    for (LinePart line : t.sections().get(section).lines().keySet()) {
      List<Tone> moved = new ArrayList<>();
      int octave = line.line() == Line.BASS && by > 3 ? -t.key().scale().size() : 0;
      for (Tone n : t.sections().get(section).notes(line)) {
        boolean there = grid.indexAt(n.tick()) % 4 >= 2 && t.key().has(n.pitch());
        int pitch = t.key().moved(n.pitch(), by + octave);
        moved.add(there && pitch >= 24 && pitch < 120 ? n.pitched(pitch) : n);
      }
      out = Edits.line(out, section, line, moved, "").template();
    }
    return TimingOperations.changed(t, out);
  }

  /** Every bass note goes to the kick nearest to it, where one is within an eighth. */
  private static Optional<Template> followKick(Template t, int section, SplittableRandom r) {
    List<Stroke> kicks = t.sections().get(section).all(Lane.KICK).toList();
    List<Tone> out = new ArrayList<>();
    for (Tone n : t.sections().get(section).notes(Line.BASS)) {
      Optional<Stroke> near =
          kicks.stream()
              .min(Comparator.comparingInt(k -> Math.abs(k.tick() - n.tick())))
              .filter(k -> Math.abs(k.tick() - n.tick()) <= Grid.EIGHTH.ticks());
      out.add(near.map(k -> n.at(k.tick(), k.offsetMs())).orElse(n));
    }
    return with(t, section, Line.BASS, oneByOne(out));
  }

  /** A bass note that falls with a kick comes an eighth later; beat one of the bar stays. */
  private static Optional<Template> bounceOffKick(Template t, int section, SplittableRandom r) {
    BarGrid grid = t.grid(section);
    List<Stroke> kicks = t.sections().get(section).all(Lane.KICK).toList();
    List<Tone> out = new ArrayList<>();
    for (Tone n : t.sections().get(section).notes(Line.BASS)) {
      int later = n.tick() + Grid.EIGHTH.ticks();
      boolean with = kicks.stream().anyMatch(k -> Math.abs(k.tick() - n.tick()) < Meter.STEP / 2);
      boolean free = kicks.stream().noneMatch(k -> Math.abs(k.tick() - later) < Meter.STEP / 2);
      boolean moves = with && free && grid.inBar(n.tick()) != 0 && later < grid.ticks();
      out.add(moves ? n.at(later, n.offsetMs()) : n);
    }
    return with(t, section, Line.BASS, oneByOne(out));
  }

  /** A single line: of notes on one place the last stays, and each ends where the next begins. */
  private static List<Tone> oneByOne(List<Tone> notes) {
    TreeMap<Integer, Tone> places = new TreeMap<>();
    notes.forEach(n -> places.put(n.tick(), n));
    List<Tone> out = new ArrayList<>();
    for (Tone n : places.values()) {
      Integer next = places.higherKey(n.tick());
      int most = next == null ? n.lengthTicks() : next - n.tick();
      out.add(n.lasting(Math.min(n.lengthTicks(), most)));
    }
    return out;
  }

  private static Optional<Template> liftBass(Template t, int section, SplittableRandom r) {
    BarGrid grid = t.grid(section);
    int bar = t.meter().stepsPerBar();
    int from = (bar * 3 / 4 - r.nextInt(Math.max(1, bar / 8))) * Meter.STEP;
    List<Tone> out =
        t.sections().get(section).notes(Line.BASS).stream()
            .map(
                n -> grid.inBar(n.tick()) >= from && n.pitch() < 48 ? n.pitched(n.pitch() + 12) : n)
            .toList();
    return with(t, section, Line.BASS, out);
  }
}
