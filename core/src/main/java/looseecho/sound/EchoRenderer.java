package looseecho.sound;

import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.Map;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
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
  private static final double ROOM_LEVEL = 0.10;
  private static final double ROOM_SECONDS = 0.5;
  private static final double CEILING = 0.891; // -1 dBFS
  private static final double VELOCITY_POWER = 1.4;

  private final Kit kit;
  private final Map<Lane, float[]> shots = new EnumMap<>(Lane.class);

  /** Prepares the kit's one-shots. */
  public EchoRenderer(Kit kit) {
    this.kit = kit;
    for (Lane lane : Lane.values()) {
      shots.put(lane, new DrumSynth().render(kit.sounds().get(lane), RATE, 17 + lane.ordinal()));
    }
  }

  /** The mix and its stems by name; the stems are as loud as in the mix, before the limiter. */
  public record Rendering(Audio mix, Map<String, Audio> stems) {}

  /** One hit alone, at the loudness it has in the mix. */
  public float[] oneShot(Lane lane, int velocity) {
    float[] out = shots.get(lane).clone();
    float gain = (float) (kit.levels().get(lane) * gain(velocity));
    for (int i = 0; i < out.length; i++) {
      out[i] *= gain;
    }
    return out;
  }

  /** The mix alone. */
  public Audio mix(Template t, Progress progress) {
    return finish(buses(t, progress)).audio(1);
  }

  /** The mix and a stem per part. */
  public Rendering render(Template t, Progress progress) {
    Map<String, Bus> buses = buses(t, progress);
    Map<String, Audio> stems = new LinkedHashMap<>();
    buses.forEach((name, bus) -> stems.put(name, bus.audio(1)));
    return new Rendering(finish(buses).audio(1), stems);
  }

  private Map<String, Bus> buses(Template t, Progress progress) {
    int length = (int) ((t.end() + TAIL_SECONDS) * RATE);
    Map<String, Bus> out = new LinkedHashMap<>();
    for (Lane lane : Lane.values()) {
      progress.step("Rendering", (double) lane.ordinal() / Lane.values().length);
      if (t.sections().stream().anyMatch(s -> !s.hits(lane).isEmpty())) {
        out.put(lane.words(), drums(t, lane, length));
      }
    }
    for (Line line : Line.values()) {
      progress.step("Rendering", 1);
      if (t.sections().stream().anyMatch(s -> !s.notes(line).isEmpty())) {
        Bus bus = line(t, line, length);
        bus.shape(Ducking.LIGHT.envelope(times(t, Lane.KICK), length, RATE));
        out.put(line.words(), bus);
      }
    }
    return out;
  }

  private Bus drums(Template t, Lane lane, int length) {
    Bus bus = new Bus(length, RATE);
    for (int s = 0; s < t.sections().size(); s++) {
      for (StepHit h : t.sections().get(s).hits(lane)) {
        double gain = kit.levels().get(lane) * gain(h.velocity());
        bus.add(shots.get(lane), t.time(s, h.step(), h.offsetMs()), gain, kit.pans().get(lane));
      }
    }
    return bus;
  }

  private static Bus line(Template t, Line line, int length) {
    Bus bus = new Bus(length, RATE);
    ToneSynth synth = new ToneSynth();
    LineSound sound = LineSound.of(line);
    for (int s = 0; s < t.sections().size(); s++) {
      TemplateSection section = t.sections().get(s);
      for (StepNote n : section.notes(line)) {
        double start = t.time(s, n.step(), n.offsetMs());
        double seconds =
            Math.max(0.03, t.time(s, n.step() + n.lengthSteps(), n.offsetMs()) - start);
        bus.add(
            synth.render(
                sound.tone(),
                n.pitch(),
                seconds,
                n.velocity(),
                n.slide(),
                n.slideMs() / 1000,
                RATE),
            start,
            sound.level(),
            sound.pan());
      }
    }
    return bus;
  }

  /** One note alone, at the loudness it has in the mix. */
  public float[] oneNote(Line line, int pitch, int velocity, double seconds) {
    LineSound sound = LineSound.of(line);
    float[] out = new ToneSynth().render(sound.tone(), pitch, seconds, velocity, RATE);
    for (int i = 0; i < out.length; i++) {
      out[i] *= (float) sound.level();
    }
    return out;
  }

  private static double gain(int velocity) {
    return Math.pow(velocity / 127.0, VELOCITY_POWER);
  }

  private static double[] times(Template t, Lane lane) {
    return java.util.stream.IntStream.range(0, t.sections().size())
        .boxed()
        .flatMapToDouble(
            s ->
                t.sections().get(s).hits(lane).stream()
                    .mapToDouble(h -> t.time(s, h.step(), h.offsetMs())))
        .toArray();
  }

  private static Bus finish(Map<String, Bus> buses) {
    Bus mix = null;
    Bus send = null;
    for (var e : buses.entrySet()) {
      if (mix == null) {
        mix = new Bus(e.getValue().length(), RATE);
        send = new Bus(e.getValue().length(), RATE);
      }
      mix.add(e.getValue(), 1);
      boolean low = e.getKey().equals(Line.BASS.words()) || e.getKey().equals(Lane.KICK.words());
      send.add(e.getValue(), low ? 0 : 1);
    }
    if (mix == null) {
      return new Bus(RATE, RATE);
    }
    mix.add(new Room().of(send, ROOM_SECONDS), ROOM_LEVEL);
    new Limiter().limit(mix, CEILING);
    return mix;
  }
}
