package looseecho.mix;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import looseecho.activity.Lane;
import looseecho.dsp.StateFilter;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.echo.Transition;
import looseecho.mix.LayerScore.Event;
import looseecho.synth.DrumSound;
import looseecho.synth.DrumSynth;
import looseecho.synth.Shot;

/** What transitions add to the sound: rises, falls, impacts, reversed hits, rolls, own files. */
final class TransitionVoice {
  private static final int RATE = EchoRenderer.RATE;
  private static final double LOW_HZ = 300;
  private static final double HIGH_HZ = 9000;
  private static final double RESONANCE = 0.55;
  private static final int ROLL_BEAT = 8; // strokes a beat: 32nds
  private static final DrumSound BOOM = new DrumSound(42, 3, 60, 420, 0.35, 120, 5000, 350, 0, 1);

  private final LayerScore score;

  TransitionVoice(Template t, Sounds sounds, Shots shots) {
    List<Event> events = new ArrayList<>();
    for (int s = 0; s < t.sections().size(); s++) {
      for (Transition x : t.sections().get(s).movement().transitions()) {
        double edge = t.time(s, x.tick(), 0);
        double from = t.time(s, x.tick() - x.before(), 0);
        double to = t.time(s, x.tick() + x.after(), 0);
        events.addAll(events(x, from, edge, to, sounds, shots, 60 / t.bpm()));
      }
    }
    score = new LayerScore(events);
  }

  boolean isEmpty() {
    return score.isEmpty();
  }

  Bus next(Window window) {
    float[][] x = score.render(window);
    Bus out = new Bus(window.length(), RATE);
    for (int i = 0; i < x[0].length; i++) {
      out.set(i, x[0][i], x[1][i]);
    }
    return out;
  }

  private static List<Event> events(
      Transition x, double from, double edge, double to, Sounds sounds, Shots shots, double beat) {
    double gain = Math.pow(10, x.levelDb() / 20);
    int begin = LayerScore.at(from);
    int middle = LayerScore.at(edge);
    int end = LayerScore.at(to);
    return switch (x.kind()) {
      case RISE -> List.of(event(begin, end - begin, gain, () -> sweep(end - begin, true)));
      case FALL -> List.of(event(begin, end - begin, gain, () -> sweep(end - begin, false)));
      case IMPACT -> {
        Shot boom = Shot.of(new DrumSynth().render(BOOM, RATE, 5));
        yield List.of(event(middle, boom.length(), gain, () -> boom));
      }
      case REVERSED -> {
        Shot hit = shots.of(sounds.drum(Part.of(Lane.CYMBAL)), Lane.CYMBAL);
        int length = Math.min(hit.length(), Math.max(1, middle - begin));
        yield List.of(event(middle - length, length, gain, () -> turned(hit, length)));
      }
      case ROLL -> roll(begin, middle, gain, sounds, shots, beat);
      case FILE -> file(x, begin, middle, gain, shots);
      case STOP, SLOW_DOWN, HALF_SPEED -> List.of();
    };
  }

  private static Event event(int at, int length, double gain, LayerScore.Maker maker) {
    return new Event(at, length, length, gain, maker);
  }

  /** Noise through a band that climbs and swells, or the other way round; wide. */
  private static Shot sweep(int length, boolean up) {
    return new Shot(side(length, up, 11), side(length, up, 23));
  }

  private static float[] side(int length, boolean up, long seed) {
    SplittableRandom random = new SplittableRandom(seed);
    StateFilter band = new StateFilter(RATE);
    float[] out = new float[Math.max(1, length)];
    for (int i = 0; i < out.length; i++) {
      double done = (double) i / out.length;
      double x = up ? done : 1 - done;
      if (i % 32 == 0) {
        band.set(LOW_HZ * Math.pow(HIGH_HZ / LOW_HZ, x), RESONANCE);
      }
      band.next(2 * random.nextDouble() - 1);
      double fade = Math.min(1, (out.length - i) / (0.005 * RATE));
      out[i] = (float) (1.6 * band.band() * x * x * Math.min(1, fade));
    }
    return out;
  }

  private static Shot turned(Shot shot, int length) {
    return shot.map(
        x -> {
          float[] out = new float[length];
          for (int i = 0; i < length; i++) {
            out[i] = x[length - 1 - i] * Math.min(1, i / (0.01f * RATE));
          }
          return out;
        });
  }

  /** From nothing up to full loudness. */
  private static List<Event> roll(
      int begin, int end, double gain, Sounds sounds, Shots shots, double beat) {
    List<Event> out = new ArrayList<>();
    Shot snare = shots.of(sounds.drum(Part.of(Lane.SNARE)), Lane.SNARE);
    double step = beat / ROLL_BEAT * RATE;
    for (double at = begin; at < end - step / 2; at += step) {
      double x = (at - begin) / Math.max(1, end - begin);
      out.add(event((int) at, snare.length(), gain * (0.05 + 0.95 * x * x), () -> snare));
    }
    return out;
  }

  /** Ends on the edge where it leads up to it, else begins there; a missing one is silent. */
  private static List<Event> file(Transition x, int begin, int edge, double gain, Shots shots) {
    if (x.file().isEmpty()) {
      return List.of();
    }
    Shot shot = shots.file(x.file());
    boolean leads = x.before() > 0;
    int length = leads ? Math.min(shot.length(), edge - begin) : shot.length();
    Shot end = leads ? shot.map(y -> Arrays.copyOfRange(y, y.length - length, y.length)) : shot;
    return List.of(event(leads ? edge - length : edge, length, gain, () -> end));
  }
}
