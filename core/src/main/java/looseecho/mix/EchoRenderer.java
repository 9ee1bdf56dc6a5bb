package looseecho.mix;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import looseecho.audio.Audio;
import looseecho.audio.SampleSink;
import looseecho.echo.DrumPart;
import looseecho.echo.LinePart;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.reading.Progress;
import looseecho.synth.ToneSynth;

/** Renders a template: its stems and the mix, block after block. Deterministic. */
public final class EchoRenderer {
  /** Sampling rate of everything rendered. */
  public static final int RATE = 44100;

  private static final int BLOCK = 1 << 17; // three seconds
  private static final double TAIL_SECONDS = 1.0;
  private static final double CEILING = 0.891; // -1 dBTP
  private static final double FADE_SECONDS = 0.005;
  private static final double LEAD_IN_SECONDS = 1; // the limiter has settled by then
  private static final double LONGEST_LEAD_IN = 8;
  private static final double FAINT_DB = -70; // what still rings below this is left out

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

  /** One hit alone, at the loudness it has in the mix. */
  public float[] oneShot(DrumPart drum, int velocity) {
    float[] shot = shots.of(drum).clone();
    return alone(shot, drum, PartScore.gain(velocity));
  }

  /** One note alone, at the loudness it has in the mix. */
  public float[] oneNote(LinePart line, int pitch, int velocity, double seconds) {
    float[] tone = new ToneSynth().render(sounds.tone(line), pitch, seconds, velocity, RATE);
    return alone(tone, line, 1);
  }

  private float[] alone(float[] x, Part part, double gain) {
    Strip strip = sounds.strip(part);
    new ColourFilter(strip.colour(), RATE).run(x);
    for (int i = 0; i < x.length; i++) {
      x[i] *= (float) (gain * strip.gain());
    }
    return x;
  }

  /**
   * What a part alone sounds like in a stretch of the song: mono, levelled and ducked, before its
   * colour and place.
   */
  public float[] plain(Template t, Part part, double from, double seconds) {
    Window window = new Window((int) Math.round(from * RATE), (int) Math.round(seconds * RATE));
    return PartScore.of(t, part, sounds, shots).render(window);
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
    int length = length(t);
    boolean keep = cache.holds(length, Mixer.sounding(t, sounds).size());
    Mixer mixer = new Mixer(t, sounds, shots, keep ? Optional.of(cache) : Optional.empty(), stems);
    blocks(mixer, new Window(0, length), to, progress);
  }

  private static void blocks(Mixer mixer, Window all, Receiver to, Progress progress)
      throws IOException {
    Limiter limiter = new Limiter(RATE, CEILING);
    Mixer.Block now = null;
    for (int from = all.from(); from < all.end(); from += BLOCK) {
      progress.step("Rendering", (double) (from - all.from()) / all.length());
      Mixer.Block next = mixer.next(new Window(from, Math.min(BLOCK, all.end() - from)));
      if (now != null) {
        to.take(now.mix(), now.stems(), limiter.course(now.mix(), next.mix()));
      }
      now = next;
    }
    if (now != null) {
      to.take(now.mix(), now.stems(), limiter.course(now.mix(), null));
    }
  }

  private static int length(Template t) {
    return (int) ((t.end() + TAIL_SECONDS) * RATE);
  }

  /** The mix alone; a long one lies in a temporary file. */
  public Audio mix(Template t, Progress progress) {
    SampleSink sink = SampleSink.at(RATE);
    try {
      stream(t, false, (mix, stems, course) -> add(mix, course, sink), progress);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return sink.audio();
  }

  private static void add(Bus mix, float[] course, SampleSink sink) {
    float[] pair = new float[2];
    for (int i = 0; i < course.length; i++) {
      pair[0] = mix.left(i) * course[i];
      pair[1] = mix.right(i) * course[i];
      sink.add(pair, 2);
    }
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
    int lead = Math.min(start, (int) (leadIn(t) * RATE));
    int after = Math.min(whole - end, RATE / 100); // the limiter looks ahead
    SampleSink sink = SampleSink.at(RATE);
    Mixer mixer = new Mixer(t, sounds, shots, Optional.empty(), false);
    try {
      blocks(
          mixer,
          new Window(start - lead, end + after - start + lead),
          (mix, stems, course) -> add(mix, course, sink),
          progress);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    Audio audio = sink.audio();
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

  /** Names of the stems, in order. */
  public List<String> stems(Template t) {
    return Mixer.stems(t, sounds);
  }

  /** Lets go of the parts that are kept for the next rendering. */
  public void forget() {
    cache.forget();
  }
}
