package looseecho.palette;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import looseecho.activity.Lane;
import looseecho.echo.Course;
import looseecho.echo.LinePart;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.layers.HeardLayer;
import looseecho.layers.NoiseBed;
import looseecho.mix.Bed;
import looseecho.mix.Duck;
import looseecho.mix.Ducking;
import looseecho.mix.Repeats;
import looseecho.mix.Sounds;
import looseecho.mix.Strip;
import looseecho.notes.Line;

/**
 * Takes what was heard of the layers into the echo: how a line is ducked and repeated, what moves
 * while it plays, and a bed of noise. The echo must still be as long as the track up to where a
 * move lies.
 */
public final class FromLayers {
  private static final double PLAIN_WIDTH = 0.5; // side / (middle + side) of the widest mix

  private static final double ECHO_LUFS = -14; // of an echo with built-in sounds, measured
  private static final double NOISE_LUFS = -1; // of a bed at 0 dB from 400 Hz to 12 kHz, measured

  private FromLayers() {}

  /** A template and its sounds. */
  public record Taken(Template template, Sounds sounds, int changes) {}

  /** With all that can be told of the lines' layers. */
  public static Taken take(Template template, Sounds sounds, List<HeardLayer> layers) {
    Template t = template;
    Sounds s = sounds;
    int changes = 0;
    Set<Line> mixed = EnumSet.noneOf(Line.class); // of two layers on one line the first counts
    for (HeardLayer l : layers) {
      if (l.isNoiseBed() && !s.bed().audible()) { // else the match has brought it
        double lufs = ECHO_LUFS + l.levelDb();
        s = bedded(t, s, new NoiseBed(l.active(), lufs, l.lowHz(), l.highHz()));
        s = s.with(pushed(s.bed(), l.duck()));
        changes++;
      }
      Optional<Line> line = line(l);
      if (line.isEmpty()) {
        continue;
      }
      LinePart part = Part.of(line.get());
      boolean first = mixed.add(line.get());
      if (first && l.duck().isPresent()) {
        s = s.with(part, pushed(s.strip(part), l.duck().get()));
        changes++;
      }
      if (first && l.repeats().isPresent()) {
        HeardLayer.Repeats r = l.repeats().get();
        double beats = r.ms() / 1000 * t.bpm() / 60;
        Repeats own = new Repeats(beats, Math.min(0.8, r.feedback()), r.pingPong(), 0, 0);
        double send = Math.min(1, Math.pow(10, r.firstDb() / 20));
        s =
            s.with(
                part, s.strip(part).repeating(Optional.of(own)).sends(s.strip(part).room(), send));
        changes++;
      }
      for (HeardLayer.Move m : l.moves()) {
        Template moved = moved(t, part, m, own(l, m));
        changes += moved.equals(t) ? 0 : 1;
        t = moved;
      }
    }
    return new Taken(t, s, changes);
  }

  /** The echo's bed of noise as loud, under the letters that have it for most of their time. */
  static Sounds bedded(Template t, Sounds sounds, NoiseBed heard) {
    double low = Math.max(20, Math.min(5000, heard.lowHz()));
    double high = Math.max(low * 2, Math.min(20_000, heard.highHz()));
    double level = Math.max(Bed.SILENT_DB, Math.min(0, heard.lufs() - NOISE_LUFS));
    Sounds out = sounds.with(new Bed(level, low, high, 0, Bed.OFF.duckMs()));
    Map<String, Double> sounding = new TreeMap<>(); // seconds with it less those without, by letter
    for (int k = 0; k < t.sections().size(); k++) {
      int first = t.firstBeat(k);
      double from = t.beats().get(first).time();
      double to = t.beats().get(first + t.sections().get(k).beats()).time();
      boolean on = heard.sounds((from + to) / 2);
      sounding.merge(t.sections().get(k).label(), on ? to - from : from - to, Double::sum);
    }
    for (Map.Entry<String, Double> letter : sounding.entrySet()) {
      out = out.with(letter.getKey(), letter.getValue() > 0 ? null : Bed.OFF);
    }
    return out;
  }

  /** The echo's bed is pushed down by its kick alone. */
  private static Bed pushed(Bed bed, Optional<HeardLayer.Duck> duck) {
    return duck.filter(d -> d.by().equals("kick"))
        .map(d -> bed.ducked(d.depthDb(), Ducking.whole(d.depthDb(), d.recoveryMs())))
        .orElse(bed);
  }

  private static Strip pushed(Strip strip, HeardLayer.Duck d) {
    double whole = Ducking.whole(d.depthDb(), d.recoveryMs());
    Strip out = strip.ducked(d.depthDb(), whole);
    if (d.by().equals(HeardLayer.Duck.BAR)) {
      return out.with(Duck.SWELL);
    }
    boolean swells = strip.duck().first() == Duck.First.NONE; // as it was taken before
    return out.duckedBy(d.by().equals("snare") ? Lane.SNARE : Lane.KICK)
        .with(swells ? Duck.PLAIN : strip.duck());
  }

  private static Optional<Line> line(HeardLayer l) {
    return switch (l.family()) {
      case "bass" -> Optional.of(Line.BASS);
      case "chords" -> Optional.of(Line.CHORDS);
      case "riff" -> Optional.of(Line.RIFF);
      default -> Optional.empty();
    };
  }

  /** What moves the whole mix is in the template already. */
  private static boolean own(HeardLayer l, HeardLayer.Move m) {
    return !m.what().equals(HeardLayer.Move.HIGH_PASS)
        && l.moves().stream()
            .noneMatch(
                o ->
                    o.what().equals(HeardLayer.Move.HIGH_PASS)
                        && o.start() == m.start()
                        && o.end() == m.end());
  }

  private static Template moved(Template t, LinePart part, HeardLayer.Move m, boolean own) {
    Template out = t;
    for (int k = 0; own && k < t.sections().size(); k++) {
      double length = t.ticks(k);
      double from = t.tick(k, m.start());
      double to = t.tick(k, m.end());
      if (to <= 0 || from >= length || !plays(t.sections().get(k), part)) {
        continue;
      }
      Course.Target target = target(m.what());
      List<Course.Point> points = new ArrayList<>();
      for (double at : new double[] {Math.max(0, from), Math.min(length, to)}) {
        double share = (at - from) / (to - from);
        points.add(new Course.Point((int) Math.round(at), value(target, m, share)));
      }
      TemplateSection section = t.sections().get(k);
      Course course = new Course(part.toString(), target, points);
      out = out.with(k, section.with(section.movement().with(course)));
    }
    return out;
  }

  private static boolean plays(TemplateSection s, LinePart part) {
    return !s.notes(part).isEmpty();
  }

  private static Course.Target target(String what) {
    return switch (what) {
      case HeardLayer.Move.LOW_PASS -> Course.Target.HIGH_CUT;
      case HeardLayer.Move.LEVEL -> Course.Target.LEVEL;
      default -> Course.Target.WIDTH;
    };
  }

  /** Along the way, edges in octaves. */
  private static double value(Course.Target target, HeardLayer.Move m, double share) {
    double v =
        target == Course.Target.HIGH_CUT
            ? m.from() * Math.pow(m.to() / m.from(), share)
            : m.from() + share * (m.to() - m.from());
    double wide = Math.max(m.from(), m.to());
    double unit = target == Course.Target.WIDTH ? v / Math.max(wide, PLAIN_WIDTH / 4) : v;
    return Math.max(target.least(), Math.min(target.most(), unit));
  }
}
