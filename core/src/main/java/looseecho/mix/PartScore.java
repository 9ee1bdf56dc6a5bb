package looseecho.mix;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.echo.DrumPart;
import looseecho.echo.LinePart;
import looseecho.echo.Ornament;
import looseecho.echo.Part;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.echo.Tone;
import looseecho.reading.Ordered;
import looseecho.synth.SampleSound;
import looseecho.synth.Slices;
import looseecho.synth.ToneSound;
import looseecho.synth.ToneSynth;

/**
 * One part of a template in order of time, rendered stretch after stretch: mono, levelled and
 * ducked, before it is put in its place. A note that goes on is rendered once and carried over.
 * Belongs to one rendering.
 */
final class PartScore {
  private static final int RATE = EchoRenderer.RATE;
  private static final double VELOCITY_POWER = 1.4;
  private static final double SHORTEST_SECONDS = 0.03;
  private static final int CUT = RATE / 200; // a hit that is cut off fades in 5 ms

  /**
   * A sound to be laid down.
   *
   * @param at sample of the song
   * @param length samples that it sounds for
   * @param lasting samples after which it is cut off
   * @param shot of a drum; null for a note
   * @param note what is played; null for a drum
   */
  private record Event(
      int at, int length, int lasting, double gain, float[] shot, Tone note, double seconds) {}

  private final Strip strip;
  private final ToneSound tone;
  private final ToneSynth synth = new ToneSynth();
  private final List<Event> events = new ArrayList<>();
  private final int longest;
  private final int[] pushes;
  private final Map<Event, float[]> carried = new HashMap<>();

  private PartScore(Strip strip, ToneSound tone, List<Event> all, int[] pushes) {
    this.strip = strip;
    this.tone = tone;
    this.pushes = pushes;
    events.addAll(all);
    events.sort(Comparator.comparingInt(Event::at));
    longest = events.stream().mapToInt(Event::length).max().orElse(0);
  }

  /**
   * The score of a part.
   *
   * @param shots the drums' one-shots
   */
  static PartScore of(Template t, Part part, Sounds sounds, Shots shots) {
    Strip strip = sounds.strip(part);
    int[] pushes = strip.duckDb() > 0 ? times(t, strip.duckBy()) : new int[0];
    if (part instanceof DrumPart drum) {
      float[] shot = shots.of(drum);
      Slices slices = sounds.sample(drum).map(SampleSound::slices).orElse(Slices.NONE);
      StruckShots struck = new StruckShots(shot, slices, t.bpm(), RATE);
      return new PartScore(strip, null, hits(t, drum, strip, struck), pushes);
    }
    LinePart line = (LinePart) part;
    ToneSound tone = sounds.tone(line);
    return new PartScore(strip, tone, notes(t, line, strip, tone), pushes);
  }

  private static List<Event> hits(Template t, DrumPart drum, Strip strip, StruckShots struck) {
    List<Event> out = new ArrayList<>();
    for (int s = 0; s < t.sections().size(); s++) {
      for (Stroke h : t.sections().get(s).hits(drum)) {
        double gain = strip.gain() * gain(h.velocity());
        int lasting = lasting(t, s, h);
        for (Ornament.Blow k : h.manner().ornament().blows(h.manner().flamMs())) {
          int at = at(t.time(s, h.tick() + k.ticks(), h.offsetMs() + k.ms()));
          out.add(event(at, lasting, gain * k.loudness(), h.manner().reversed(), struck.of(h)));
        }
      }
    }
    return out;
  }

  /** A stroke; one that is turned round ends where it is written, its front cut off. */
  private static Event event(int at, int lasting, double gain, boolean reversed, float[] shot) {
    int length = (int) Math.min(shot.length, (long) lasting + CUT);
    if (!reversed) {
      return new Event(at, length, lasting, gain, shot, null, 0);
    }
    float[] end = Arrays.copyOfRange(shot, shot.length - length, shot.length);
    return new Event(at - length, length, length, gain, end, null, 0);
  }

  private static List<Event> notes(Template t, LinePart line, Strip strip, ToneSound tone) {
    List<Event> out = new ArrayList<>();
    for (int s = 0; s < t.sections().size(); s++) {
      for (Tone n : t.sections().get(s).notes(line)) {
        double start = t.time(s, n);
        double end = t.time(s, n.end(), n.offsetMs());
        double seconds = Math.max(SHORTEST_SECONDS, end - start);
        int length = ToneSynth.length(tone, seconds, RATE);
        out.add(new Event(at(start), length, length, strip.gain(), null, n, seconds));
      }
    }
    return out;
  }

  /** Samples after which a hit is cut off. */
  private static int lasting(Template t, int section, Stroke h) {
    int ticks = h.manner().lengthTicks();
    double seconds = t.time(section, h.tick() + ticks, 0) - t.time(section, h.tick(), 0);
    return ticks == 0 ? Integer.MAX_VALUE : (int) (seconds * RATE);
  }

  private static int at(double seconds) {
    return (int) Math.round(seconds * RATE);
  }

  /** Linear loudness of a velocity. */
  static double gain(int velocity) {
    return Math.pow(velocity / 127.0, VELOCITY_POWER);
  }

  /** Samples of all hits of the drums of a lane, in order. */
  static int[] times(Template t, Lane lane) {
    return IntStream.range(0, t.sections().size())
        .boxed()
        .flatMap(s -> t.sections().get(s).all(lane).map(h -> at(t.time(s, h))))
        .mapToInt(Integer::intValue)
        .sorted()
        .toArray();
  }

  /** What of the part sounds in a window. */
  float[] render(Window window) {
    float[] out = new float[window.length()];
    for (int k = Ordered.first(events, Event::at, window.from() - longest);
        k < events.size();
        k++) {
      Event e = events.get(k);
      if (e.at() >= window.end()) {
        break;
      }
      if (e.at() + e.length() > window.from()) {
        lay(out, sound(e), e, window);
      }
    }
    carried.keySet().removeIf(e -> e.at() + e.length() <= window.end());
    if (strip.duckDb() > 0) {
      int reach = (int) (strip.duckMs() * RATE / 1000) + RATE;
      float[] duck =
          new Ducking(strip.duckDb(), strip.duckMs())
              .envelope(window.near(pushes, reach), out.length, RATE);
      for (int i = 0; i < out.length; i++) {
        out[i] *= duck[i];
      }
    }
    return out;
  }

  private float[] sound(Event e) {
    if (e.shot() != null) {
      return e.shot();
    }
    Tone n = e.note();
    return carried.computeIfAbsent(
        e,
        x ->
            synth.render(
                tone, n.pitch(), e.seconds(), n.velocity(), n.slide(), n.slideMs() / 1000, RATE));
  }

  /** Adds a sound that is faded out after so many of its samples. */
  private static void lay(float[] out, float[] sound, Event e, Window window) {
    float g = (float) e.gain();
    int at = e.at() - window.from();
    int full = Math.min(e.lasting(), sound.length);
    int end = Math.min(Math.min(sound.length, e.length()), out.length - at);
    for (int i = Math.max(0, -at); i < end; i++) {
      float fade = i < full ? 1 : 1 - (i - full) / (float) CUT;
      out[at + i] += g * fade * sound[i];
    }
  }

  /** What a part's sound depends on besides the sounds, which never change under a renderer. */
  static List<?> content(Template t, Part part, Sounds sounds) {
    Strip strip = sounds.strip(part);
    List<?> own =
        t.sections().stream()
            .map(
                s ->
                    part instanceof DrumPart drum
                        ? List.of(s.beats(), s.hits(drum))
                        : List.of(s.beats(), s.notes((LinePart) part)))
            .toList();
    int pushes = strip.duckDb() > 0 ? Arrays.hashCode(times(t, strip.duckBy())) : 0;
    return List.of(t.beats(), own, pushes);
  }
}
