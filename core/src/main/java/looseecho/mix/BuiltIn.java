package looseecho.mix;

import java.util.HashMap;
import java.util.Map;
import looseecho.activity.Lane;
import looseecho.echo.Part;
import looseecho.notes.Line;
import looseecho.synth.DrumSound;
import looseecho.synth.ToneSound;

/** The sounds that an echo begins with. */
final class BuiltIn {
  private static final double MONO_HZ = 120; // common practice: 100 to 120

  private BuiltIn() {}

  /** The built-in sounds: dry and plain, so that timing and loudness can be judged. */
  static Sounds sounds() {
    Map<Part, DrumSound> s = new HashMap<>();
    s.put(Part.of(Lane.KICK), new DrumSound(50, 5.5, 16, 130, 0.15, 1000, 4500, 6, 0, 1));
    s.put(Part.of(Lane.SNARE), new DrumSound(185, 1.6, 9, 60, 0.75, 800, 8000, 85, 0, 1));
    s.put(Part.of(Lane.CLAP), new DrumSound(0, 1, 1, 1, 1, 700, 5200, 75, 0, 4));
    s.put(Part.of(Lane.HAT_CLOSED), new DrumSound(0, 1, 1, 1, 0.7, 6000, 13500, 22, 0.45, 1));
    s.put(Part.of(Lane.HAT_OPEN), new DrumSound(0, 1, 1, 1, 0.7, 5500, 13500, 190, 0.5, 1));
    s.put(Part.of(Lane.TOM), new DrumSound(98, 1.5, 35, 150, 0.1, 500, 4000, 15, 0, 1));
    s.put(Part.of(Lane.CYMBAL), new DrumSound(0, 1, 1, 1, 0.8, 2800, 13000, 520, 0.5, 1));
    s.put(Part.of(Lane.PERCUSSION), new DrumSound(330, 1.15, 8, 75, 0.2, 2500, 9000, 25, 0, 1));
    s.put(Part.of(Lane.SNARE_2), new DrumSound(240, 1.4, 7, 45, 0.6, 1400, 9000, 60, 0, 1));
    s.put(Part.of(Lane.CLAP_2), new DrumSound(0, 1, 1, 1, 1, 1000, 7000, 55, 0, 3));
    s.put(Part.of(Lane.TOM_LOW), new DrumSound(72, 1.5, 40, 190, 0.1, 400, 3500, 18, 0, 1));
    s.put(Part.of(Lane.TOM_HIGH), new DrumSound(140, 1.5, 30, 120, 0.1, 600, 4500, 14, 0, 1));
    s.put(Part.of(Lane.RIDE), new DrumSound(0, 1, 1, 1, 0.5, 5000, 16000, 230, 0.7, 1));
    Map<Part, Sound> parts = new HashMap<>();
    double[] levels = {-3, -4.4, -5.2, -13.5, -13.5, -4.4, -12.5, -8.4};
    double[] pans = {0, 0, 0.05, 0.2, 0.2, -0.25, -0.3, -0.35};
    for (Lane l : Lane.values()) {
      int i = l.base().ordinal();
      double room = l == Lane.KICK ? 0 : 0.1;
      Strip strip = new Strip(levels[i], pans[i], false, 0, 110, room, 0);
      parts.put(Part.of(l), Sound.of(s.get(Part.of(l)), strip));
    }
    Strip bass = new Strip(-8, 0, false, 4, 110, 0, 0);
    Strip chords = new Strip(-15, -0.2, false, 4, 110, 0.1, 0);
    Strip riff = new Strip(-10.5, 0.25, false, 4, 110, 0.1, 0);
    parts.put(Part.of(Line.BASS), Sound.of(ToneSound.BASS, bass));
    parts.put(Part.of(Line.CHORDS), Sound.of(ToneSound.PAD, chords));
    parts.put(Part.of(Line.RIFF), Sound.of(ToneSound.PLUCK, riff));
    return new Sounds(
        parts,
        Map.of(),
        Map.of(),
        new Space(0.5, Space.USUAL_DAMPING, 0),
        new Repeats(0.75, 0.35, true, 0, 0),
        Bed.OFF,
        Map.of(),
        new Whole(MONO_HZ, Colour.FLAT, Colour.FLAT, Master.PLAIN));
  }

  /** A drum that came into the program after a project was made sounds as its base does. */
  static Map<Part, Sound> completed(Map<Part, Sound> parts) {
    Map<Part, Sound> all = new HashMap<>(parts);
    for (Lane lane : Lane.values()) {
      Sound base = parts.get(Part.of(lane.base()));
      if (base == null) {
        throw new IllegalArgumentException("no sound for the " + lane.base().words());
      }
      all.putIfAbsent(Part.of(lane), base);
    }
    return all;
  }
}
