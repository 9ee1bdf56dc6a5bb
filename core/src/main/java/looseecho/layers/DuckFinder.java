package looseecho.layers;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import looseecho.audio.Audio;
import looseecho.hits.Hit;
import looseecho.layers.HeardLayer.Span;
import looseecho.notes.Note;
import looseecho.separate.Stem;

/**
 * Hears what pushes a layer down. What stands wide is looked at in the sides of the mix, where no
 * drum fills the gap that it makes; what stands narrow in its group as it was parted from the mix,
 * under the notes that are held.
 */
final class DuckFinder {
  private static final double WIDE = 0.1; // share of the sides
  private static final double FAR_DB = 4; // of what stands narrow and has a room at the sides
  private static final double ALIKE = 0.85; // of what is parted to a curve that comes back
  private static final String KICK = "kick";
  private static final double FULL = 0.75; // of the velocity of a loud stroke
  private static final double NEAR = 0.06; // seconds

  private final StemMeter meter;
  private final float[] sides;
  private final BarSwell swell;
  private final double[] kicks;
  private final double[] snares;

  /**
   * In a sound.
   *
   * @param line seconds of any bar line
   */
  DuckFinder(Audio audio, StemMeter meter, Played played, double line) {
    this.meter = meter;
    this.sides = SideCourse.of(audio);
    this.swell = new BarSwell(line, played.bar());
    this.kicks = struck(played.hits(), Stem.KICK);
    this.snares = struck(played.hits(), Stem.SNARE);
  }

  /** Times of a group's strokes, in order; ghost notes push nothing. */
  private static double[] struck(List<Hit> hits, Stem stem) {
    List<Hit> own = hits.stream().filter(h -> Stem.of(h.lane()) == stem).toList();
    double usual =
        own.stream()
            .mapToInt(Hit::velocity)
            .sorted()
            .skip(own.size() * 4L / 5)
            .findFirst()
            .orElse(0);
    return own.stream()
        .filter(h -> h.velocity() >= FULL * usual)
        .mapToDouble(Hit::time)
        .sorted()
        .toArray();
  }

  /**
   * Of a layer of notes.
   *
   * @param width the sides' share of it, from 120 Hz to 2 kHz
   */
  Optional<HeardLayer.Duck> find(Stem stem, List<Note> notes, List<Span> active, double width) {
    float[] own = meter.loudness(stem);
    boolean clear = stem == Stem.BASS && meter.kickKnown(); // what the kick hid is seen
    Optional<HeardLayer.Duck> parted =
        new DuckMeter(own)
            .find(
                held(notes),
                clear ? kick() : kick(meter.loudness(Stem.KICK)),
                snare(meter.loudness(Stem.SNARE)))
            .filter(f -> f.back().fit() >= ALIKE)
            .map(f -> clear && f.duck().by().equals(KICK) ? f.fitted() : f.duck());
    if (stem != Stem.CHORDS) {
      return parted;
    }
    Optional<HeardLayer.Duck> aside =
        new DuckMeter(sides)
            .find(active, kick(), snare())
            .map(DuckMeter.Found::duck)
            .filter(d -> width > WIDE || d.depthDb() > FAR_DB);
    return aside
        .or(() -> swell.find(own, active))
        .or(() -> width > WIDE ? Optional.empty() : parted);
  }

  /** Where it hides nothing. */
  DuckMeter.Drum kick() {
    return kick(new float[0]);
  }

  /** Where it hides nothing. */
  DuckMeter.Drum snare() {
    return snare(new float[0]);
  }

  private DuckMeter.Drum kick(float[] power) {
    return new DuckMeter.Drum(KICK, kicks, power);
  }

  private DuckMeter.Drum snare(float[] power) {
    return new DuckMeter.Drum("snare", snares, power);
  }

  /** One pitch without a gap is one tone: what comes back from a dip looks like a new note. */
  static List<Span> held(List<Note> notes) {
    List<Span> out = new ArrayList<>();
    Map<Integer, Span> open = new HashMap<>();
    for (Note n : notes.stream().sorted(Comparator.comparingDouble(Note::start)).toList()) {
      Span before = open.get(n.pitch());
      boolean on = before != null && n.start() - before.end() < NEAR;
      open.put(n.pitch(), new Span(on ? before.start() : n.start(), n.end()));
      if (before != null && !on) {
        out.add(before);
      }
    }
    out.addAll(open.values());
    out.sort(Comparator.comparingDouble(Span::start));
    return out;
  }
}
