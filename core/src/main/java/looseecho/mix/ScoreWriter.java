package looseecho.mix;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.ToDoubleFunction;
import looseecho.echo.Course;
import looseecho.echo.DrumPart;
import looseecho.echo.LinePart;
import looseecho.echo.Manner;
import looseecho.echo.Ornament;
import looseecho.echo.Part;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.echo.Tone;
import looseecho.mix.LayerScore.Event;
import looseecho.synth.DrumSound;
import looseecho.synth.Moved;
import looseecho.synth.Retuner;
import looseecho.synth.SampleSound;
import looseecho.synth.Shot;
import looseecho.synth.Slices;
import looseecho.synth.Source;
import looseecho.synth.ToneSound;
import looseecho.synth.ToneSynth;

/** Turns the strokes and notes of a part into what a layer of its sound plays. */
final class ScoreWriter {
  private static final int RATE = EchoRenderer.RATE;
  private static final double SHORTEST_SECONDS = 0.03;
  private static final double STROKE_PITCH = 48; // of a tone that is struck as a drum
  private static final double STROKE_SECONDS = 0.12;
  private static final double LOOP_FADE = 0.01; // seconds

  private final Template t;
  private final Part part;
  private final boolean[] sections;
  private final Shots shots;
  private final Retuner retuner = new Retuner(RATE);

  /**
   * For a part.
   *
   * @param sections those that are played
   */
  ScoreWriter(Template t, Part part, boolean[] sections, Shots shots) {
    this.t = t;
    this.part = part;
    this.sections = sections;
    this.shots = shots;
  }

  /**
   * What a layer plays.
   *
   * @param moved semitones by which all of it is moved
   * @param share of each stroke, 0 leaves it out: 1 for all, or what is thrown somewhere
   */
  List<Event> write(Source source, double moved, ToDoubleFunction<Manner> share) {
    return part instanceof DrumPart drum
        ? strokes(drum, source, moved, share)
        : share.applyAsDouble(Manner.PLAIN) == 0
            ? List.of()
            : notes((LinePart) part, source, moved);
  }

  private List<Event> strokes(
      DrumPart drum, Source source, double moved, ToDoubleFunction<Manner> share) {
    List<Event> out = new ArrayList<>();
    StruckShots struck = source instanceof ToneSound ? null : struck(drum, source);
    for (int s = 0; s < t.sections().size(); s++) {
      if (!sections[s]) {
        continue;
      }
      for (Stroke h : t.sections().get(s).hits(drum)) {
        double part = share.applyAsDouble(h.manner());
        if (part == 0) {
          continue;
        }
        double gain = part * LayerScore.gain(h.velocity());
        double pitch = moved + course(s, h.tick());
        int lasting = lasting(s, h);
        Shot shot = struck == null ? tone((ToneSound) source, h, pitch) : struck.of(h, pitch);
        for (Ornament.Blow k : h.manner().ornament().blows(h.manner().flamMs())) {
          int at = LayerScore.at(t.time(s, h.tick() + k.ticks(), h.offsetMs() + k.ms()));
          out.add(event(at, lasting, gain * k.loudness(), h.manner().reversed(), shot));
        }
      }
    }
    return out;
  }

  /** Semitones by which the courses move the part's pitch at a place. */
  private double course(int section, int tick) {
    double sum = 0;
    for (Course c : t.sections().get(section).movement().courses()) {
      sum += c.target() == Course.Target.PITCH && c.moves(part) ? c.at(tick) : 0;
    }
    return sum;
  }

  private StruckShots struck(DrumPart drum, Source source) {
    if (source instanceof SampleSound sample) {
      Slices slices = shots.has(sample) ? sample.slices() : Slices.NONE;
      return new StruckShots(shots.of(sample, drum), slices, t.bpm(), RATE);
    }
    Shot shot = shots.of((DrumSound) source, drum.lane());
    return new StruckShots(shot, Slices.NONE, t.bpm(), RATE);
  }

  /** A tone that is struck: full velocity, since the stroke's own comes as a gain. */
  private Shot tone(ToneSound sound, Stroke h, double moved) {
    double pitch = STROKE_PITCH + moved + h.manner().pitch();
    return shots.note(sound, played(pitch, STROKE_SECONDS, 127, 0, 0));
  }

  private ToneSynth.Played played(
      double pitch, double seconds, int velocity, double slide, double slideSeconds) {
    return new ToneSynth.Played(pitch, seconds, velocity, slide, slideSeconds, 60 / t.bpm());
  }

  /** A stroke; one that is turned round ends where it is written, its front cut off. */
  private static Event event(int at, int lasting, double gain, boolean reversed, Shot shot) {
    int length = (int) Math.min(shot.length(), (long) lasting + LayerScore.cut());
    if (!reversed) {
      return new Event(at, length, lasting, gain, () -> shot);
    }
    Shot end = shot.map(x -> Arrays.copyOfRange(x, x.length - length, x.length));
    return new Event(at - length, length, length, gain, () -> end);
  }

  /** Samples after which a hit is cut off. */
  private int lasting(int section, Stroke h) {
    int ticks = h.manner().lengthTicks();
    double seconds = t.time(section, h.tick() + ticks, 0) - t.time(section, h.tick(), 0);
    return ticks == 0 ? Integer.MAX_VALUE : (int) (seconds * RATE);
  }

  private List<Event> notes(LinePart line, Source source, double moved) {
    List<Event> out = new ArrayList<>();
    for (int s = 0; s < t.sections().size(); s++) {
      for (Tone n : sections[s] ? t.sections().get(s).notes(line) : List.<Tone>of()) {
        double start = t.time(s, n);
        double end = t.time(s, n.end(), n.offsetMs());
        double seconds = Math.max(SHORTEST_SECONDS, end - start);
        double pitch = n.pitch() + moved + course(s, n.tick());
        if (source instanceof SampleSound sample && !sample.playing().plays(n.pitch() + moved)) {
          continue;
        }
        out.add(note(LayerScore.at(start), source, n, pitch, seconds));
      }
    }
    return out;
  }

  private Event note(int at, Source source, Tone n, double pitch, double seconds) {
    if (source instanceof ToneSound tone) {
      int length = ToneSynth.length(tone, seconds, RATE);
      ToneSynth.Played played = played(pitch, seconds, n.velocity(), n.slide(), n.slideMs() / 1000);
      return new Event(at, length, length, 1, () -> shots.note(tone, played));
    }
    double gain = LayerScore.gain(n.velocity());
    if (source instanceof SampleSound sample) {
      Shot shot = shots.of(sample);
      double by = pitch - sample.playing().root();
      int held = (int) (seconds * RATE);
      boolean looped = sample.playing().looped();
      int own = (int) (shot.length() / Math.pow(2, by / 12));
      int lasting = sample.playing().gated() || looped ? held : Integer.MAX_VALUE;
      int length = looped ? held + LayerScore.cut() : own;
      int most = (int) Math.min(length, (long) lasting + LayerScore.cut());
      return new Event(at, most, lasting, gain, () -> pitched(shot, by, looped ? most : 0));
    }
    if (source instanceof DrumSound drum) {
      Shot shot = shots.of(drum, looseecho.activity.Lane.PERCUSSION);
      return new Event(at, shot.length(), Integer.MAX_VALUE, gain, () -> shot);
    }
    throw new IllegalStateException("a copy is followed before: " + Moved.class);
  }

  private Shot pitched(Shot shot, double semitones, int length) {
    Shot out = semitones == 0 ? shot : shot.map(x -> retuner.bySpeed(x, semitones));
    return length > out.length() ? out.map(x -> looped(x, length)) : out;
  }

  /** Goes on with the second half, each round faded into the next. */
  private static float[] looped(float[] x, int length) {
    float[] out = Arrays.copyOf(x, length);
    int half = x.length / 2;
    int fade = Math.min(half / 2, (int) (LOOP_FADE * RATE));
    if (fade < 1) {
      return out;
    }
    for (int at = x.length - fade; at < length; at += half - fade) {
      for (int i = 0; i < half && at + i < length; i++) {
        float in = Math.min(1, (float) i / fade);
        out[at + i] = i < fade ? out[at + i] * (1 - in) + x[half + i] * in : x[half + i];
      }
    }
    return out;
  }
}
