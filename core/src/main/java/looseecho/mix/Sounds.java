package looseecho.mix;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import looseecho.activity.Lane;
import looseecho.echo.DrumPart;
import looseecho.echo.LinePart;
import looseecho.echo.Part;
import looseecho.notes.Line;
import looseecho.synth.DrumSound;
import looseecho.synth.SampleSound;
import looseecho.synth.ToneSound;

/**
 * All sounds of an echo and how they are mixed.
 *
 * @param drums a recipe per lane
 * @param samples one-shots that stand in for drums; lanes without one are missing
 * @param tones a recipe per line
 * @param drumStrips place in the mix per lane
 * @param lineStrips place in the mix per line
 * @param roomSeconds time in which the room falls by 60 dB
 * @param delayBeats length of the delay in beats, such as 0.75 for a dotted eighth
 * @param delayFeedback share of the delay that comes round again, 0..0.9
 * @param drumDrive shared saturation of the drums, 0 for none
 * @param bed noise under the whole
 * @param monoBelowHz edge below which both sides are the same, 0 to leave them as they are
 * @param colour of the whole
 * @param sides colour of what differs between the sides, besides: more is wider
 */
public record Sounds(
    Map<DrumPart, DrumSound> drums,
    Map<DrumPart, SampleSound> samples,
    Map<LinePart, ToneSound> tones,
    Map<DrumPart, Strip> drumStrips,
    Map<LinePart, Strip> lineStrips,
    double roomSeconds,
    double delayBeats,
    double delayFeedback,
    double drumDrive,
    Bed bed,
    double monoBelowHz,
    Colour colour,
    Colour sides) {
  private static final double MOST_MONO_HZ = 500;
  private static final double MONO_HZ = 120; // common practice: 100 to 120

  public Sounds {
    colour = colour == null ? Colour.FLAT : colour;
    sides = sides == null ? Colour.FLAT : sides;
    drums = Map.copyOf(drums);
    samples = samples == null ? Map.of() : Map.copyOf(samples);
    tones = Map.copyOf(tones);
    drumStrips = Map.copyOf(drumStrips);
    lineStrips = Map.copyOf(lineStrips);
    for (Lane lane : Lane.values()) {
      if (!drums.containsKey(Part.of(lane)) || !drumStrips.containsKey(Part.of(lane))) {
        throw new IllegalArgumentException("no sound for the " + lane.words());
      }
    }
    for (Line line : Line.values()) {
      if (!tones.containsKey(Part.of(line)) || !lineStrips.containsKey(Part.of(line))) {
        throw new IllegalArgumentException("no sound for the " + line.words());
      }
    }
    if (!(roomSeconds > 0.05 && roomSeconds < 20)
        || !(delayBeats > 0.01 && delayBeats <= 8)
        || !(delayFeedback >= 0 && delayFeedback <= 0.9)
        || !(drumDrive >= 0 && drumDrive <= 10)
        || !(monoBelowHz >= 0 && monoBelowHz <= MOST_MONO_HZ)) {
      throw new IllegalArgumentException("room, delay or drive out of range");
    }
  }

  /** The built-in sounds: dry and plain, so that timing and loudness can be judged. */
  public static Sounds plain() {
    Map<DrumPart, DrumSound> s = new HashMap<>();
    s.put(Part.of(Lane.KICK), new DrumSound(50, 5.5, 14, 130, 0.12, 1500, 5000, 4, 0, 1));
    s.put(Part.of(Lane.SNARE), new DrumSound(185, 1.6, 9, 60, 0.75, 900, 9000, 85, 0, 1));
    s.put(Part.of(Lane.CLAP), new DrumSound(0, 1, 1, 1, 1, 700, 5200, 75, 0, 4));
    s.put(Part.of(Lane.HAT_CLOSED), new DrumSound(0, 1, 1, 1, 0.7, 7000, 17000, 22, 0.45, 1));
    s.put(Part.of(Lane.HAT_OPEN), new DrumSound(0, 1, 1, 1, 0.7, 6500, 17000, 190, 0.5, 1));
    s.put(Part.of(Lane.TOM), new DrumSound(98, 1.5, 35, 150, 0.1, 500, 4000, 15, 0, 1));
    s.put(Part.of(Lane.CYMBAL), new DrumSound(0, 1, 1, 1, 0.8, 3500, 16000, 520, 0.5, 1));
    s.put(Part.of(Lane.PERCUSSION), new DrumSound(330, 1.15, 8, 75, 0.2, 2500, 9000, 25, 0, 1));
    s.put(Part.of(Lane.SNARE_2), new DrumSound(240, 1.4, 7, 45, 0.6, 1400, 9000, 60, 0, 1));
    s.put(Part.of(Lane.CLAP_2), new DrumSound(0, 1, 1, 1, 1, 1000, 7000, 55, 0, 3));
    s.put(Part.of(Lane.TOM_LOW), new DrumSound(72, 1.5, 40, 190, 0.1, 400, 3500, 18, 0, 1));
    s.put(Part.of(Lane.TOM_HIGH), new DrumSound(140, 1.5, 30, 120, 0.1, 600, 4500, 14, 0, 1));
    s.put(Part.of(Lane.RIDE), new DrumSound(0, 1, 1, 1, 0.5, 5000, 16000, 230, 0.7, 1));
    Map<DrumPart, Strip> strips = new HashMap<>();
    double[] levels = {-0.9, -4.4, -5.2, -11.7, -11.7, -4.4, -9.9, -8.4};
    double[] pans = {0, 0, 0.05, 0.2, 0.2, -0.25, -0.3, -0.35};
    for (Lane l : Lane.values()) {
      int i = l.base().ordinal();
      double room = l == Lane.KICK ? 0 : 0.1;
      strips.put(Part.of(l), new Strip(levels[i], pans[i], false, 0, 110, room, 0));
    }
    return new Sounds(
        s,
        Map.of(),
        Map.of(
            Part.of(Line.BASS),
            ToneSound.BASS,
            Part.of(Line.CHORDS),
            ToneSound.PAD,
            Part.of(Line.RIFF),
            ToneSound.PLUCK),
        strips,
        Map.of(
            Part.of(Line.BASS), new Strip(-7.5, 0, false, 4, 110, 0, 0),
            Part.of(Line.CHORDS), new Strip(-23, -0.2, false, 4, 110, 0.1, 0),
            Part.of(Line.RIFF), new Strip(-16, 0.25, false, 4, 110, 0.1, 0)),
        0.5,
        0.75,
        0.35,
        0,
        Bed.OFF,
        MONO_HZ,
        Colour.FLAT,
        Colour.FLAT);
  }

  /**
   * A part's place in the mix; one with none of its own stands where the first of its kind does.
   */
  public Strip strip(Part part) {
    return part instanceof DrumPart drum
        ? drumStrips.getOrDefault(drum, drumStrips.get(drum.numbered(1)))
        : lineStrips.getOrDefault(part, lineStrips.get(part.numbered(1)));
  }

  /** The drum whose sound a drum has: its own, or that of the first of its kind. */
  public DrumPart source(DrumPart drum) {
    return drums.containsKey(drum) || samples.containsKey(drum) ? drum : drum.numbered(1);
  }

  /** A drum's recipe. */
  public DrumSound drum(DrumPart drum) {
    return drums.getOrDefault(drum, drums.get(drum.numbered(1)));
  }

  /** The one-shot that stands in for a drum. */
  public Optional<SampleSound> sample(DrumPart drum) {
    return Optional.ofNullable(samples.get(source(drum)));
  }

  /** A line's recipe; one with none of its own sounds as the first of its kind. */
  public ToneSound tone(LinePart line) {
    return tones.getOrDefault(line, tones.get(line.numbered(1)));
  }

  /** The same with a part elsewhere in the mix. */
  public Sounds with(Part part, Strip strip) {
    return part instanceof DrumPart drum
        ? changed(drums, samples, tones, with(drumStrips, drum, strip), lineStrips)
        : changed(drums, samples, tones, drumStrips, with(lineStrips, (LinePart) part, strip));
  }

  /** The same with another drum. */
  public Sounds with(DrumPart drum, DrumSound sound) {
    return changed(with(drums, drum, sound), samples, tones, drumStrips, lineStrips);
  }

  /** The same with a one-shot for a drum; null brings the synthesised one back. */
  public Sounds with(DrumPart drum, SampleSound sample) {
    return changed(drums, with(samples, drum, sample), tones, drumStrips, lineStrips);
  }

  /** The same with another tone. */
  public Sounds with(LinePart line, ToneSound sound) {
    return changed(drums, samples, with(tones, line, sound), drumStrips, lineStrips);
  }

  /** The same with another bed of noise. */
  public Sounds with(Bed other) {
    return shared(roomSeconds, delayBeats, delayFeedback, drumDrive, other, monoBelowHz);
  }

  /** The same in a room that falls by 60 dB in other seconds. */
  public Sounds room(double seconds) {
    return shared(seconds, delayBeats, delayFeedback, drumDrive, bed, monoBelowHz);
  }

  /** The same with a delay of other beats, coming round by another share. */
  public Sounds delay(double beats, double feedback) {
    return shared(roomSeconds, beats, feedback, drumDrive, bed, monoBelowHz);
  }

  /** The same with other saturation of the drums. */
  public Sounds driven(double drive) {
    return shared(roomSeconds, delayBeats, delayFeedback, drive, bed, monoBelowHz);
  }

  /** The same with both sides alike below another edge; 0 leaves them as they are. */
  public Sounds monoBelow(double hz) {
    return shared(roomSeconds, delayBeats, delayFeedback, drumDrive, bed, hz);
  }

  /** The same in another colour. */
  public Sounds coloured(Colour whole, Colour ofSides) {
    return new Sounds(
        drums,
        samples,
        tones,
        drumStrips,
        lineStrips,
        roomSeconds,
        delayBeats,
        delayFeedback,
        drumDrive,
        bed,
        monoBelowHz,
        whole,
        ofSides);
  }

  private Sounds shared(
      double room, double beats, double feedback, double drive, Bed noise, double mono) {
    return new Sounds(
        drums,
        samples,
        tones,
        drumStrips,
        lineStrips,
        room,
        beats,
        feedback,
        drive,
        noise,
        mono,
        colour,
        sides);
  }

  /** The map with another value under a key, or without the key for null. */
  private static <K, V> Map<K, V> with(Map<K, V> map, K key, V value) {
    Map<K, V> copy = new HashMap<>(map);
    copy.put(key, value);
    copy.values().removeIf(v -> v == null);
    return copy;
  }

  private Sounds changed(
      Map<DrumPart, DrumSound> d,
      Map<DrumPart, SampleSound> s,
      Map<LinePart, ToneSound> t,
      Map<DrumPart, Strip> ds,
      Map<LinePart, Strip> ls) {
    return new Sounds(
        d,
        s,
        t,
        ds,
        ls,
        roomSeconds,
        delayBeats,
        delayFeedback,
        drumDrive,
        bed,
        monoBelowHz,
        colour,
        sides);
  }
}
