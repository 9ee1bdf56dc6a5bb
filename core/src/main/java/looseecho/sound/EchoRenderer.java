package looseecho.sound;

import java.io.IOException;
import java.nio.file.InvalidPathException;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiConsumer;
import java.util.function.Supplier;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.notes.Line;
import looseecho.reading.Progress;

/** Renders a template off-line: one stem per part and the mix. Deterministic. */
public final class EchoRenderer {
  /** Sampling rate of everything rendered. */
  public static final int RATE = 44100;

  private static final String BED = "noise bed";
  private static final double CEILING = 0.891; // -1 dBTP
  private static final double FADE_SECONDS = 0.005;
  private static final double LEAD_IN_SECONDS = 1; // the limiter has settled by then
  private static final double LONGEST_LEAD_IN = 8;
  private static final double FAINT_DB = -70; // what still rings below this is left out

  private final Sounds sounds;
  private final Map<Lane, float[]> shots = new EnumMap<>(Lane.class);
  private final PartRenderer partRenderer;
  private final List<String> missing = new ArrayList<>();
  private final PartCache cache = new PartCache();

  /** Prepares the one-shots. */
  public EchoRenderer(Sounds sounds) {
    this.sounds = sounds;
    for (Lane lane : Lane.values()) {
      shots.put(lane, shot(lane));
    }
    partRenderer = new PartRenderer(sounds, shots);
  }

  /** The lane's one-shot; the synthesised one where the sample can't be read. */
  private float[] shot(Lane lane) {
    SampleSound sample = sounds.samples().get(lane);
    if (sample != null) {
      try {
        return sample.render(RATE);
      } catch (IOException | InvalidPathException e) {
        missing.add(
            "The sample for the "
                + lane.words()
                + " can't be used, the built-in drum stands in. "
                + e.getMessage());
      }
    }
    return new DrumSynth().render(sounds.drums().get(lane), RATE, 17 + lane.ordinal());
  }

  /** Sentences about samples that could not be read; the built-in drums stand in for them. */
  public List<String> missing() {
    return List.copyOf(missing);
  }

  /** The mix and its stems by name; the stems are as loud as in the mix, before the limiter. */
  public record Rendering(Audio mix, Map<String, Audio> stems) {}

  /** One hit alone, at the loudness it has in the mix. */
  public float[] oneShot(Lane lane, int velocity) {
    return scaled(
        shots.get(lane).clone(),
        sounds.drumStrips().get(lane).gain() * PartRenderer.gain(velocity));
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
    return mix(t, PartRenderer.Window.of(t), (name, sound) -> {}, progress).audio(1);
  }

  /**
   * A stretch of the mix, sooner than the whole: what sounded before it is rendered only as far
   * back as it still rings, so that it differs from the whole by less than a thousandth. The fade
   * at its ends is for joining it to another rendering.
   *
   * @param from second where it begins, moved to a sample
   * @param seconds how long it is
   */
  public Excerpt excerpt(Template t, double from, double seconds, Progress progress) {
    int whole = PartRenderer.Window.of(t).length();
    int start = Math.max(0, Math.min(whole, (int) Math.round(from * RATE)));
    int end = (int) Math.min(whole, start + Math.round(seconds * RATE));
    int lead = Math.min(start, (int) (leadIn(t) * RATE));
    int after = Math.min(whole - end, RATE / 100); // the limiter looks ahead
    var window = new PartRenderer.Window(start - lead, end + after - start + lead);
    Audio audio = mix(t, window, (name, sound) -> {}, progress).audio(1);
    return new Excerpt(audio.slice(lead, lead + end - start), start, (int) (FADE_SECONDS * RATE));
  }

  /** Seconds after which the room and the delay have rung out. */
  private double leadIn(Template t) {
    double repeat = sounds.delayBeats() * 60 / t.bpm();
    boolean delayed = Part.of(t).stream().anyMatch(p -> sounds.strip(p).delay() > 0);
    double fallDb = 20 * Math.log10(Math.max(1e-3, sounds.delayFeedback()));
    double delay = delayed ? repeat * (1 + FAINT_DB / fallDb) : 0;
    double room = sounds.roomSeconds() * FAINT_DB / -60;
    return Math.min(LONGEST_LEAD_IN, LEAD_IN_SECONDS + Math.max(room, delay));
  }

  /** The mix and a stem per part. */
  public Rendering render(Template t, Progress progress) {
    Map<String, Audio> stems = new LinkedHashMap<>();
    Bus mix =
        mix(t, PartRenderer.Window.of(t), (name, sound) -> stems.put(name, sound.get()), progress);
    return new Rendering(mix.audio(1), stems);
  }

  /** Names of the stems that {@link #render} gives. */
  public List<String> stems(Template t) {
    List<String> names = new ArrayList<>();
    Part.of(t).stream().filter(p -> !sounds.strip(p).muted()).forEach(p -> names.add(p.words()));
    if (sounds.bed().audible()) {
      names.add(BED);
    }
    return names;
  }

  private Audio stem(Part part, float[] sound) {
    Bus bus = new Bus(sound.length, RATE);
    bus.add(sound, 0, 1, sounds.strip(part).pan());
    if (sounds.strip(part).width() > 0) {
      Widener.spread(sound, sounds.strip(part).width(), bus);
    }
    return bus.audio(1);
  }

  /** Lets go of the parts that are kept for the next rendering. */
  public void forget() {
    cache.forget();
  }

  private Bus mix(
      Template t,
      PartRenderer.Window window,
      BiConsumer<String, Supplier<Audio>> stems,
      Progress progress) {
    int length = window.length();
    boolean whole = window.equals(PartRenderer.Window.of(t));
    Bus drums = new Bus(length, RATE);
    Bus tones = new Bus(length, RATE);
    Bus room = new Bus(length, RATE);
    Bus delay = new Bus(length, RATE);
    List<Part> parts = Part.of(t).stream().filter(p -> !sounds.strip(p).muted()).toList();
    boolean keep = !whole || cache.holds(length, parts.size());
    List<float[]> rendered =
        keep
            ? parts.parallelStream()
                .map(
                    p ->
                        whole
                            ? cache.get(t, p, length, pushes(t, p), () -> part(t, p, window))
                            : part(t, p, window))
                .toList()
            : List.of();
    boolean any = false;
    for (int i = 0; i < parts.size(); i++) {
      progress.step("Rendering", (double) i / parts.size());
      Part part = parts.get(i);
      Strip strip = sounds.strip(part);
      float[] sound = keep ? rendered.get(i) : part(t, part, window);
      stems.accept(part.words(), () -> stem(part, sound));
      Bus to = part.lane().isPresent() ? drums : tones;
      to.add(sound, 0, 1, strip.pan());
      if (strip.width() > 0) {
        Widener.spread(sound, strip.width(), to);
      }
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
    if (sounds.bed().audible()) {
      double[] kicks = PartRenderer.times(t, Lane.KICK);
      Bus bed = new BedRenderer(sounds.bed()).render(t, window, window.at(kicks));
      stems.accept(BED, () -> bed.audio(1));
      drums.add(bed, 1);
    }
    drums.add(new Room().of(room, sounds.roomSeconds()), 1);
    if (any) {
      double seconds = sounds.delayBeats() * 60 / t.bpm();
      drums.add(new PingPong().of(delay, seconds, sounds.delayFeedback()), 1);
    }
    new Limiter().limit(drums, CEILING);
    return drums;
  }

  private float[] part(Template t, Part part, PartRenderer.Window window) {
    return partRenderer.render(t, part, window, pushes(t, part));
  }

  /** Seconds of the hits that push a part down. */
  private double[] pushes(Template t, Part part) {
    Strip strip = sounds.strip(part);
    return strip.duckDb() > 0 ? PartRenderer.times(t, strip.duckBy()) : new double[0];
  }
}
