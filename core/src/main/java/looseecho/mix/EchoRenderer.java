package looseecho.mix;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import looseecho.audio.Audio;
import looseecho.audio.SampleSink;
import looseecho.echo.DrumPart;
import looseecho.echo.LinePart;
import looseecho.echo.Part;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.echo.Tone;
import looseecho.notes.Line;
import looseecho.pulse.Meter;
import looseecho.reading.Progress;
import looseecho.synth.Shot;

/** Renders a template: its stems and the mix, block after block. Deterministic. */
public final class EchoRenderer {
  /** Sampling rate of everything rendered. */
  public static final int RATE = 44100;

  private static final int BLOCK = 1 << 17; // three seconds
  private static final double TAIL_SECONDS = 1.0;
  static final double CEILING = 0.891; // -1 dBTP
  private static final double FADE_SECONDS = 0.005;
  private static final double LEAD_IN_SECONDS = 1; // the limiter has settled by then
  private static final double LONGEST_LEAD_IN = 8;
  private static final double FAINT_DB = -70; // what still rings below this is left out

  private static final int ALONE_BARS = 4;
  private static final int STRUCK_BARS = 1;
  private static final int BAR_SECONDS = 2;
  private static final double OVER_SECONDS = 0.2; // of silence before the end
  private static final int LOUD = 110;
  private static final float INAUDIBLE = 1e-4f;

  private final Sounds sounds;
  private final Shots shots;
  private final PartCache cache = new PartCache();

  /** Reads the samples; the drums are synthesised when they are first needed. */
  public EchoRenderer(Sounds sounds) {
    this.sounds = sounds;
    shots = new Shots(sounds);
  }

  /** Sentences about samples that could not be read; the built-in drums stand in for them. */
  public List<String> missing() {
    return shots.missing();
  }

  /** One hit alone, at the loudness it has in the mix: its layers together, as one side. */
  public float[] oneShot(DrumPart drum, int velocity) {
    return alone(drum, List.of(new Stroke(0, 0, velocity)), List.of());
  }

  /** One note alone, at the loudness it has in the mix. */
  public float[] oneNote(LinePart line, int pitch, int velocity, double seconds) {
    int ticks = (int) Math.max(1, Math.round(seconds * 2 * Meter.QUARTER));
    return alone(line, List.of(), List.of(new Tone(0, 0, ticks, pitch, velocity)));
  }

  /** A bar at 120 in which nothing else plays, as far as it sounds. */
  private float[] alone(Part part, List<Stroke> hits, List<Tone> notes) {
    return alone(part, sounds.sound(part), hits, notes);
  }

  /** Most are over within a bar: only what rings on is rendered further. */
  private float[] alone(Part part, Sound sound, List<Stroke> hits, List<Tone> notes) {
    float[] out = alone(part, sound, hits, notes, STRUCK_BARS);
    boolean over = out.length < (STRUCK_BARS * BAR_SECONDS - OVER_SECONDS) * RATE;
    return over ? out : alone(part, sound, hits, notes, ALONE_BARS);
  }

  private float[] alone(Part part, Sound sound, List<Stroke> hits, List<Tone> notes, int bars) {
    Template t = Template.bars(bars, part, hits, notes);
    Sound heard = sound.with(sound.strip().ducked(0, 100).muted(false));
    PartVoice voice = new PartVoice(t, part, heard, new boolean[] {true}, shots, 0);
    float[][] x = voice.coloured(new Window(0, bars * BAR_SECONDS * RATE));
    float[] mono = new Shot(x[0], x[1]).mono();
    float peak = 0;
    for (float v : mono) {
      peak = Math.max(peak, Math.abs(v));
    }
    int end = mono.length;
    while (end > 1 && Math.abs(mono[end - 1]) < INAUDIBLE * peak) {
      end--;
    }
    return Arrays.copyOf(mono, end);
  }

  /**
   * A loud hit, or a chord, of any sound of a part alone, no longer than two seconds.
   *
   * @param pitches of a line's chord; none for a drum
   */
  public float[] struck(Part part, Sound sound, List<Integer> pitches, double seconds) {
    int ticks = (int) Math.max(1, Math.round(seconds * 2 * Meter.QUARTER));
    List<Stroke> hit = part.asDrum().isPresent() ? List.of(new Stroke(0, 0, LOUD)) : List.of();
    List<Tone> chord = pitches.stream().map(p -> new Tone(0, 0, ticks, p, LOUD)).toList();
    return alone(part, sound, hit, chord, STRUCK_BARS);
  }

  /** A hit or a note of a second of one sound alone, both sides as one, to be drawn. */
  public float[] picture(Part part, Sound sound) {
    List<Stroke> hit = part.asDrum().isPresent() ? List.of(new Stroke(0, 0, 110)) : List.of();
    int pitch = part.asLine().map(l -> l.line() == Line.BASS ? 36 : 60).orElse(0);
    List<Tone> note =
        part.asLine().isPresent() ? List.of(new Tone(0, 0, 1440, pitch, 110)) : List.of();
    return alone(part, sound, hit, note);
  }

  /**
   * What a part alone sounds like in a stretch of the song: as one side, levelled and ducked,
   * before its colour and place.
   */
  public float[] plain(Template t, Part part, double from, double seconds) {
    Window window = new Window((int) Math.round(from * RATE), (int) Math.round(seconds * RATE));
    float[] out = new float[window.length()];
    for (PartVoice voice : PartVoice.of(t, part, sounds, shots)) {
      float[][] x = voice.plain(window, Optional.empty());
      for (int i = 0; i < out.length; i++) {
        out[i] += 0.5f * (x[0][i] + x[1][i]);
      }
    }
    return out;
  }

  /** Takes a rendering block after block. */
  public interface Receiver {
    /**
     * A block.
     *
     * @param mix before the limiter
     * @param stems by name; they add up to the mix
     * @param course the limiter's gain for every sample of the block
     */
    void take(Bus mix, Map<String, Bus> stems, float[] course) throws IOException;
  }

  /**
   * Renders the whole in order; the memory is bounded by the blocks, whatever the length.
   *
   * @param stems true when the stems are wanted, too
   */
  public void stream(Template t, boolean stems, Receiver to, Progress progress) throws IOException {
    blocks(mixer(t, stems), new Window(0, length(t)), to, progress);
  }

  private Mixer mixer(Template t, boolean stems) {
    boolean keep = cache.holds(length(t), Mixer.layers(t, sounds));
    return new Mixer(t, sounds, shots, keep ? Optional.of(cache) : Optional.empty(), stems);
  }

  private void blocks(Mixer mixer, Window all, Receiver to, Progress progress) throws IOException {
    Limiter limiter = new Limiter(RATE, CEILING);
    Mixer.Block now = null;
    for (int from = all.from(); from < all.end(); from += BLOCK) {
      progress.step("Rendering", (double) (from - all.from()) / all.length());
      Mixer.Block next = mixer.next(new Window(from, Math.min(BLOCK, all.end() - from)));
      if (now != null) {
        to.take(now.mix(), now.stems(), course(limiter, now.mix(), next.mix()));
      }
      now = next;
    }
    if (now != null) {
      to.take(now.mix(), now.stems(), course(limiter, now.mix(), null));
    }
  }

  private float[] course(Limiter limiter, Bus now, Bus next) {
    float[] out = limiter.course(now, next);
    if (sounds.whole().master().end() == Master.End.NONE) {
      Arrays.fill(out, 1);
    }
    return out;
  }

  private static int length(Template t) {
    return (int) ((t.end() + TAIL_SECONDS) * RATE);
  }

  /**
   * A whole mix.
   *
   * @param audio its sound; a long one lies in a temporary file
   * @param pressedDb the most that each group's compressor took off
   */
  public record Mixed(Audio audio, Map<Group, Double> pressedDb) {}

  /** The mix alone. */
  public Audio mix(Template t, Progress progress) {
    return mixed(t, progress).audio();
  }

  /** The mix, and what its compressors did. */
  public Mixed mixed(Template t, Progress progress) {
    SampleSink sink = SampleSink.at(RATE);
    Mixer mixer = mixer(t, false);
    try {
      blocks(
          mixer,
          new Window(0, length(t)),
          (mix, stems, course) -> mix.into(sink, course),
          progress);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return new Mixed(sink.audio(), mixer.pressed());
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
    int whole = length(t);
    int start = Math.max(0, Math.min(whole, (int) Math.round(from * RATE)));
    int end = (int) Math.min(whole, start + Math.round(seconds * RATE));
    Mixer mixer = new Mixer(t, sounds, shots, Optional.empty(), false);
    int lead = Math.min(start, (int) (leadIn(t, mixer) * RATE));
    int after = Math.min(whole - end, RATE / 100); // the limiter looks ahead
    SampleSink sink = SampleSink.at(RATE);
    try {
      blocks(
          mixer,
          new Window(start - lead, end + after - start + lead),
          (mix, stems, course) -> mix.into(sink, course),
          progress);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    Audio audio = sink.audio();
    return new Excerpt(audio.slice(lead, lead + end - start), start, (int) (FADE_SECONDS * RATE));
  }

  /** Seconds after which the room and the delay have rung out. */
  private double leadIn(Template t, Mixer mixer) {
    double repeat = sounds.delayBeats() * 60 / t.bpm();
    boolean delayed = mixer.stems().contains(Mixer.REPEATS);
    double fallDb = 20 * Math.log10(Math.max(1e-3, sounds.delayFeedback()));
    double delay = delayed ? repeat * (1 + FAINT_DB / fallDb) : 0;
    double room = sounds.roomSeconds() * FAINT_DB / -60;
    return Math.min(LONGEST_LEAD_IN, LEAD_IN_SECONDS + Math.max(room, delay));
  }

  /** Names of the stems, in order. */
  public List<String> stems(Template t) {
    return new Mixer(t, sounds, shots, Optional.empty(), true).stems();
  }

  /** Lets go of the parts that are kept for the next rendering. */
  public void forget() {
    cache.forget();
  }
}
