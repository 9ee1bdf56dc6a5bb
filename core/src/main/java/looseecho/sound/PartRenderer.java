package looseecho.sound;

import java.util.Arrays;
import java.util.Map;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.echo.Ornament;
import looseecho.echo.Part;
import looseecho.echo.StepHit;
import looseecho.echo.StepNote;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.notes.Line;

/** Renders one part of a template, mono, levelled and ducked, before it is put in its place. */
final class PartRenderer {
  private static final int RATE = EchoRenderer.RATE;
  private static final double TAIL_SECONDS = 1.0;
  private static final double VELOCITY_POWER = 1.4;
  private static final double SHORTEST_SECONDS = 0.03;
  private static final int CUT = RATE / 200; // a hit that is cut off fades in 5 ms

  /** What is rendered of the song: its first sample and how many. */
  record Window(int from, int length) {
    /** The whole song with its tail. */
    static Window of(Template t) {
      return new Window(0, (int) ((t.end() + TAIL_SECONDS) * RATE));
    }

    /** Sample of the window at a second of the song. */
    int at(double seconds) {
      return (int) (Math.round(seconds * RATE) - from);
    }

    int[] at(double[] seconds) {
      return Arrays.stream(seconds).mapToInt(this::at).toArray();
    }
  }

  private final Sounds sounds;
  private final Map<Lane, float[]> shots;

  PartRenderer(Sounds sounds, Map<Lane, float[]> shots) {
    this.sounds = sounds;
    this.shots = shots;
  }

  float[] render(Template t, Part part, Window window, double[] pushes) {
    Strip strip = sounds.strip(part);
    float[] out = new float[window.length()];
    part.lane().ifPresent(lane -> drums(t, lane, strip, window, out));
    part.line().ifPresent(line -> line(t, line, strip, window, out));
    if (strip.duckDb() > 0) {
      float[] duck =
          new Ducking(strip.duckDb(), strip.duckMs()).envelope(window.at(pushes), out.length, RATE);
      for (int i = 0; i < out.length; i++) {
        out[i] *= duck[i];
      }
    }
    return out;
  }

  private void drums(Template t, Lane lane, Strip strip, Window window, float[] out) {
    for (int s = 0; s < t.sections().size(); s++) {
      for (StepHit h : t.sections().get(s).hits(lane)) {
        double gain = strip.gain() * gain(h.velocity());
        for (Ornament.Stroke k : h.ornament().strokes()) {
          double time = t.time(s, h.step() + k.steps(), h.offsetMs() + k.ms());
          lay(out, shots.get(lane), window.at(time), lasting(t, s, h), gain * k.loudness());
        }
      }
    }
  }

  private void line(Template t, Line line, Strip strip, Window window, float[] out) {
    ToneSynth synth = new ToneSynth();
    ToneSound tone = sounds.tones().get(line);
    for (int s = 0; s < t.sections().size(); s++) {
      TemplateSection section = t.sections().get(s);
      for (StepNote n : section.notes(line)) {
        double start = t.time(s, n.step(), n.offsetMs());
        double end = t.time(s, n.step() + n.lengthSteps(), n.offsetMs());
        double seconds = Math.max(SHORTEST_SECONDS, end - start);
        int at = window.at(start);
        if (at >= out.length || at + ToneSynth.length(tone, seconds, RATE) <= 0) {
          continue;
        }
        double slide = n.slideMs() / 1000;
        float[] sound =
            synth.render(tone, n.pitch(), seconds, n.velocity(), n.slide(), slide, RATE);
        lay(out, sound, at, sound.length, strip.gain());
      }
    }
  }

  /** Samples after which a hit is cut off. */
  private static int lasting(Template t, int section, StepHit h) {
    double seconds = t.time(section, h.step() + h.lengthSteps(), 0) - t.time(section, h.step(), 0);
    return h.lengthSteps() == 0 ? Integer.MAX_VALUE : (int) (seconds * RATE);
  }

  /** Adds a sound that is faded out after so many of its samples. */
  private static void lay(float[] out, float[] sound, int at, int lasting, double gain) {
    float g = (float) gain;
    int full = Math.min(lasting, sound.length);
    int end = Math.min((int) Math.min(sound.length, (long) full + CUT), out.length - at);
    for (int i = Math.max(0, -at); i < end; i++) {
      float fade = i < full ? 1 : 1 - (i - full) / (float) CUT;
      out[at + i] += g * fade * sound[i];
    }
  }

  /** Linear loudness of a velocity. */
  static double gain(int velocity) {
    return Math.pow(velocity / 127.0, VELOCITY_POWER);
  }

  /** Seconds of all hits of a lane. */
  static double[] times(Template t, Lane lane) {
    return IntStream.range(0, t.sections().size())
        .boxed()
        .flatMapToDouble(
            s ->
                t.sections().get(s).hits(lane).stream()
                    .mapToDouble(h -> t.time(s, h.step(), h.offsetMs())))
        .toArray();
  }
}
