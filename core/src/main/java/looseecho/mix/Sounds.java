package looseecho.mix;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.Map;
import looseecho.activity.Lane;
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
 */
public record Sounds(
    Map<Lane, DrumSound> drums,
    Map<Lane, SampleSound> samples,
    Map<Line, ToneSound> tones,
    Map<Lane, Strip> drumStrips,
    Map<Line, Strip> lineStrips,
    double roomSeconds,
    double delayBeats,
    double delayFeedback,
    double drumDrive,
    Bed bed,
    double monoBelowHz) {
  private static final double MOST_MONO_HZ = 500;
  private static final double MONO_HZ = 120; // common practice: 100 to 120

  public Sounds {
    drums = Map.copyOf(drums);
    samples = samples == null ? Map.of() : Map.copyOf(samples);
    tones = Map.copyOf(tones);
    drumStrips = Map.copyOf(drumStrips);
    lineStrips = Map.copyOf(lineStrips);
    for (Lane lane : Lane.values()) {
      if (!drums.containsKey(lane) || !drumStrips.containsKey(lane)) {
        throw new IllegalArgumentException("no sound for the " + lane.words());
      }
    }
    for (Line line : Line.values()) {
      if (!tones.containsKey(line) || !lineStrips.containsKey(line)) {
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
    Map<Lane, DrumSound> s = new EnumMap<>(Lane.class);
    s.put(Lane.KICK, new DrumSound(50, 5.5, 14, 130, 0.12, 1500, 5000, 4, 0, 1));
    s.put(Lane.SNARE, new DrumSound(185, 1.6, 9, 60, 0.75, 900, 9000, 85, 0, 1));
    s.put(Lane.CLAP, new DrumSound(0, 1, 1, 1, 1, 700, 5200, 75, 0, 4));
    s.put(Lane.HAT_CLOSED, new DrumSound(0, 1, 1, 1, 0.7, 7000, 17000, 22, 0.45, 1));
    s.put(Lane.HAT_OPEN, new DrumSound(0, 1, 1, 1, 0.7, 6500, 17000, 190, 0.5, 1));
    s.put(Lane.TOM, new DrumSound(98, 1.5, 35, 150, 0.1, 500, 4000, 15, 0, 1));
    s.put(Lane.CYMBAL, new DrumSound(0, 1, 1, 1, 0.8, 3500, 16000, 520, 0.5, 1));
    s.put(Lane.PERCUSSION, new DrumSound(330, 1.15, 8, 75, 0.2, 2500, 9000, 25, 0, 1));
    s.put(Lane.SNARE_2, new DrumSound(240, 1.4, 7, 45, 0.6, 1400, 9000, 60, 0, 1));
    s.put(Lane.CLAP_2, new DrumSound(0, 1, 1, 1, 1, 1000, 7000, 55, 0, 3));
    s.put(Lane.TOM_LOW, new DrumSound(72, 1.5, 40, 190, 0.1, 400, 3500, 18, 0, 1));
    s.put(Lane.TOM_HIGH, new DrumSound(140, 1.5, 30, 120, 0.1, 600, 4500, 14, 0, 1));
    s.put(Lane.RIDE, new DrumSound(0, 1, 1, 1, 0.5, 5000, 16000, 230, 0.7, 1));
    Map<Lane, Strip> strips = new EnumMap<>(Lane.class);
    double[] levels = {-0.9, -4.4, -5.2, -11.7, -11.7, -4.4, -9.9, -8.4};
    double[] pans = {0, 0, 0.05, 0.2, 0.2, -0.25, -0.3, -0.35};
    for (Lane l : Lane.values()) {
      int i = l.base().ordinal();
      double room = l == Lane.KICK ? 0 : 0.1;
      strips.put(l, new Strip(levels[i], pans[i], false, 0, 110, room, 0));
    }
    return new Sounds(
        s,
        Map.of(),
        Map.of(Line.BASS, ToneSound.BASS, Line.CHORDS, ToneSound.PAD, Line.RIFF, ToneSound.PLUCK),
        strips,
        Map.of(
            Line.BASS, new Strip(-7.5, 0, false, 4, 110, 0, 0),
            Line.CHORDS, new Strip(-23, -0.2, false, 4, 110, 0.1, 0),
            Line.RIFF, new Strip(-16, 0.25, false, 4, 110, 0.1, 0)),
        0.5,
        0.75,
        0.35,
        0,
        Bed.OFF,
        MONO_HZ);
  }

  public Strip strip(Part part) {
    return part.lane()
        .map(drumStrips::get)
        .orElseGet(() -> lineStrips.get(part.line().orElseThrow()));
  }

  /** The same with a part elsewhere in the mix. */
  public Sounds with(Part part, Strip strip) {
    return changed(
        drums,
        samples,
        tones,
        part.lane().map(l -> with(drumStrips, l, strip)).orElse(drumStrips),
        part.line().map(l -> with(lineStrips, l, strip)).orElse(lineStrips));
  }

  /** The same with another drum. */
  public Sounds with(Lane lane, DrumSound sound) {
    return changed(with(drums, lane, sound), samples, tones, drumStrips, lineStrips);
  }

  /** The same with a one-shot for a lane; null brings the synthesised drum back. */
  public Sounds with(Lane lane, SampleSound sample) {
    return changed(drums, with(samples, lane, sample), tones, drumStrips, lineStrips);
  }

  /** The same with another tone. */
  public Sounds with(Line line, ToneSound sound) {
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

  private Sounds shared(
      double room, double beats, double feedback, double drive, Bed noise, double mono) {
    return new Sounds(
        drums, samples, tones, drumStrips, lineStrips, room, beats, feedback, drive, noise, mono);
  }

  /** The map with another value under a key, or without the key for null. */
  private static <K, V> Map<K, V> with(Map<K, V> map, K key, V value) {
    Map<K, V> copy = new HashMap<>(map);
    copy.put(key, value);
    copy.values().removeIf(v -> v == null);
    return copy;
  }

  private Sounds changed(
      Map<Lane, DrumSound> d,
      Map<Lane, SampleSound> s,
      Map<Line, ToneSound> t,
      Map<Lane, Strip> ds,
      Map<Line, Strip> ls) {
    return new Sounds(
        d, s, t, ds, ls, roomSeconds, delayBeats, delayFeedback, drumDrive, bed, monoBelowHz);
  }
}
