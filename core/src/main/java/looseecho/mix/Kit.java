package looseecho.mix;

import java.util.HashMap;
import java.util.Map;
import looseecho.activity.Lane;
import looseecho.echo.DrumPart;
import looseecho.echo.Part;
import looseecho.synth.DrumSound;

/**
 * Built-in kits: the plain drums, pulled into a direction that producers ask for by these words.
 * The hits, their loudness and their place in the mix stay as they are.
 */
public enum Kit {
  /** Dry and plain. */
  PLAIN("plain", 1, 1, 1, 1, 0),
  /** Lower and longer, dark above. */
  DEEP("deep", 0.85, 1.5, 0.75, 0.8, 0.5),
  /** Short, nothing at the very top, rough. */
  DUSTY("dusty", 1.05, 0.75, 0.55, 1, 2.5),
  /** Higher, more noise at the top. */
  BRIGHT("bright", 1.1, 0.9, 1.25, 1.25, 0),
  /** Short and hard. */
  TIGHT("tight", 1, 0.55, 1.1, 0.9, 1);

  private final String words;
  private final double pitch;
  private final double length;
  private final double edge;
  private final double noise;
  private final double drive;

  Kit(String words, double pitch, double length, double edge, double noise, double drive) {
    this.words = words;
    this.pitch = pitch;
    this.length = length;
    this.edge = edge;
    this.noise = noise;
    this.drive = drive;
  }

  public String words() {
    return words;
  }

  /** The same echo with this kit: every drum's layers are exchanged, in all sections. */
  public Sounds on(Sounds sounds) {
    Sounds kit = sounds;
    for (Lane lane : Lane.values()) {
      DrumPart drum = Part.of(lane);
      kit = kit.with(drum, kit.sound(drum).with(layer(Sounds.builtIn(drum))));
    }
    return swap(sounds, kit);
  }

  /**
   * The same echo with the drums of another: their layers are taken in all sections; level, place
   * and sends stay.
   */
  public static Sounds swap(Sounds sounds, Sounds other) {
    Map<Part, Sound> parts = new HashMap<>(sounds.parts());
    parts.replaceAll((part, own) -> part.asDrum().isPresent() ? own.as(other.sound(part)) : own);
    Map<String, Map<Part, Sound>> letters = new HashMap<>();
    sounds
        .letters()
        .forEach(
            (letter, own) -> {
              Map<Part, Sound> lines = new HashMap<>(own);
              lines.keySet().removeIf(part -> part.asDrum().isPresent());
              letters.put(letter, lines);
            });
    return new Sounds(
        parts,
        letters,
        sounds.groups(),
        sounds.space(),
        sounds.delay(),
        sounds.bed(),
        sounds.beds(),
        sounds.whole());
  }

  private Layer layer(DrumSound d) {
    DrumSound sound =
        new DrumSound(
            d.toneHz() * pitch,
            d.sweep(),
            d.sweepMs(),
            d.toneMs() * length,
            Math.min(1, d.noise() * noise),
            d.lowHz() * Math.min(1, edge),
            d.highHz() * Math.min(1.05, edge),
            d.noiseMs() * length,
            d.clang(),
            d.bursts());
    return Layer.of(sound).with(Chain.PLAIN.with(Chain.Dial.DRIVE, drive));
  }
}
