package looseecho.sound;

import java.io.IOException;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiConsumer;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.echo.Ornament;
import looseecho.echo.Part;
import looseecho.echo.StepHit;
import looseecho.echo.StepNote;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.notes.Line;
import looseecho.reading.Progress;

/** Renders a template off-line: one stem per part and the mix. Deterministic. */
public final class EchoRenderer {
  /** Sampling rate of everything rendered. */
  public static final int RATE = 44100;

  private static final double TAIL_SECONDS = 1.0;
  private static final double CEILING = 0.891; // -1 dBTP
  private static final double VELOCITY_POWER = 1.4;

  private final Sounds sounds;
  private final Map<Lane, float[]> shots = new EnumMap<>(Lane.class);
  private final List<String> missing = new ArrayList<>();
  private final PartCache cache = new PartCache();

  /** Prepares the one-shots. */
  public EchoRenderer(Sounds sounds) {
    this.sounds = sounds;
    for (Lane lane : Lane.values()) {
      shots.put(lane, shot(lane));
    }
  }

  /** The lane's one-shot; the synthesised one where the sample can't be read. */
  private float[] shot(Lane lane) {
    SampleSound sample = sounds.samples().get(lane);
    if (sample != null) {
      try {
        return sample.render(RATE);
      } catch (IOException e) {
        missing.add(sample.path());
      }
    }
    return new DrumSynth().render(sounds.drums().get(lane), RATE, 17 + lane.ordinal());
  }

  /** Samples that could not be read; the built-in drums stand in for them. */
  public List<String> missing() {
    return List.copyOf(missing);
  }

  /** The mix and its stems by name; the stems are as loud as in the mix, before the limiter. */
  public record Rendering(Audio mix, Map<String, Audio> stems) {}

  /** One hit alone, at the loudness it has in the mix. */
  public float[] oneShot(Lane lane, int velocity) {
    return scaled(shots.get(lane).clone(), sounds.drumStrips().get(lane).gain() * gain(velocity));
  }

  /** One note alone, at the loudness it has in the mix. */
  public float[] oneNote(Line line, int pitch, int velocity, double seconds) {
    float[] tone = new ToneSynth().render(sounds.tones().get(line), pitch, seconds, velocity, RATE);
    return scaled(tone, sounds.lineStrips().get(line).gain());
  }

  private static float[] scaled(float[] x, double gain) {
    for (int i = 0; i < x.length; i++) {
      x[i] *= (float) gain;
    }
    return x;
  }

  /** The mix alone. */
  public Audio mix(Template t, Progress progress) {
    return mix(t, (part, bus) -> {}, progress).audio(1);
  }

  /** The mix and a stem per part. */
  public Rendering render(Template t, Progress progress) {
    Map<String, Audio> stems = new LinkedHashMap<>();
    Bus mix = mix(t, (part, sound) -> stems.put(part.words(), stem(part, sound)), progress);
    return new Rendering(mix.audio(1), stems);
  }

  private Audio stem(Part part, float[] sound) {
    Bus bus = new Bus(sound.length, RATE);
    bus.add(sound, 0, 1, sounds.strip(part).pan());
    return bus.audio(1);
  }

  /** Lets go of the parts that are kept for the next rendering. */
  public void forget() {
    cache.forget();
  }

  private Bus mix(Template t, BiConsumer<Part, float[]> stem, Progress progress) {
    int length = (int) ((t.end() + TAIL_SECONDS) * RATE);
    Bus drums = new Bus(length, RATE);
    Bus tones = new Bus(length, RATE);
    Bus room = new Bus(length, RATE);
    Bus delay = new Bus(length, RATE);
    double[] kicks = times(t, Lane.KICK);
    List<Part> parts = Part.of(t).stream().filter(p -> !sounds.strip(p).muted()).toList();
    boolean keep = cache.holds(length, parts.size());
    List<float[]> rendered =
        keep
            ? parts.parallelStream()
                .map(p -> cache.get(t, p, length, kicks, () -> part(t, p, length, kicks)))
                .toList()
            : List.of();
    boolean any = false;
    for (int i = 0; i < parts.size(); i++) {
      progress.step("Rendering", (double) i / parts.size());
      Part part = parts.get(i);
      Strip strip = sounds.strip(part);
      float[] sound = keep ? rendered.get(i) : part(t, part, length, kicks);
      stem.accept(part, sound);
      (part.lane().isPresent() ? drums : tones).add(sound, 0, 1, strip.pan());
      if (strip.room() > 0) {
        room.add(sound, 0, strip.room(), strip.pan());
      }
      if (strip.delay() > 0) {
        delay.add(sound, 0, strip.delay(), strip.pan());
        any = true;
      }
    }
    if (sounds.drumDrive() > 0) {
      drums.saturate(sounds.drumDrive());
    }
    drums.add(tones, 1);
    drums.add(new Room().of(room, sounds.roomSeconds()), 1);
    if (any) {
      double seconds = sounds.delayBeats() * 60 / t.bpm();
      drums.add(new PingPong().of(delay, seconds, sounds.delayFeedback()), 1);
    }
    new Limiter().limit(drums, CEILING);
    return drums;
  }

  /** A part before it is put in its place: mono, levelled and ducked. */
  private float[] part(Template t, Part part, int length, double[] kicks) {
    Strip strip = sounds.strip(part);
    float[] out = new float[length];
    part.lane().ifPresent(lane -> drums(t, lane, strip, out));
    part.line().ifPresent(line -> line(t, line, strip, out));
    if (strip.duckDb() > 0) {
      float[] duck = new Ducking(strip.duckDb(), strip.duckMs()).envelope(kicks, length, RATE);
      for (int i = 0; i < length; i++) {
        out[i] *= duck[i];
      }
    }
    return out;
  }

  private void drums(Template t, Lane lane, Strip strip, float[] out) {
    for (int s = 0; s < t.sections().size(); s++) {
      for (StepHit h : t.sections().get(s).hits(lane)) {
        double gain = strip.gain() * gain(h.velocity());
        for (Ornament.Stroke k : h.ornament().strokes()) {
          double time = t.time(s, h.step() + k.steps(), h.offsetMs() + k.ms());
          lay(out, shots.get(lane), time, gain * k.loudness());
        }
      }
    }
  }

  private void line(Template t, Line line, Strip strip, float[] out) {
    ToneSynth synth = new ToneSynth();
    ToneSound tone = sounds.tones().get(line);
    for (int s = 0; s < t.sections().size(); s++) {
      TemplateSection section = t.sections().get(s);
      for (StepNote n : section.notes(line)) {
        double start = t.time(s, n.step(), n.offsetMs());
        double seconds =
            Math.max(0.03, t.time(s, n.step() + n.lengthSteps(), n.offsetMs()) - start);
        double slide = n.slideMs() / 1000;
        float[] sound =
            synth.render(tone, n.pitch(), seconds, n.velocity(), n.slide(), slide, RATE);
        lay(out, sound, start, strip.gain());
      }
    }
  }

  private static void lay(float[] out, float[] sound, double seconds, double gain) {
    int at = (int) Math.round(seconds * RATE);
    float g = (float) gain;
    for (int i = Math.max(0, -at); i < sound.length && at + i < out.length; i++) {
      out[at + i] += g * sound[i];
    }
  }

  private static double gain(int velocity) {
    return Math.pow(velocity / 127.0, VELOCITY_POWER);
  }

  private static double[] times(Template t, Lane lane) {
    return IntStream.range(0, t.sections().size())
        .boxed()
        .flatMapToDouble(
            s ->
                t.sections().get(s).hits(lane).stream()
                    .mapToDouble(h -> t.time(s, h.step(), h.offsetMs())))
        .toArray();
  }
}
