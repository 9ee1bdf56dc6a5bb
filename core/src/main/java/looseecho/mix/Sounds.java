package looseecho.mix;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.UnaryOperator;
import looseecho.echo.DrumPart;
import looseecho.echo.LinePart;
import looseecho.echo.Part;
import looseecho.notes.Line;
import looseecho.synth.DrumSound;
import looseecho.synth.SampleSound;
import looseecho.synth.Source;
import looseecho.synth.ToneSound;

/**
 * All sounds of an echo and how they are mixed.
 *
 * @param parts the sound of each part; those of a kind that have none sound as its first
 * @param letters what sounds otherwise in the sections of a letter; all else is as in {@code parts}
 * @param groups what parts run through together; those that are missing change nothing
 * @param space the room
 * @param delay the delay of all parts that have none of their own
 * @param bed noise under the whole
 * @param beds noise that is another in the sections of a letter
 * @param whole what is done to all
 */
public record Sounds(
    Map<Part, Sound> parts,
    Map<String, Map<Part, Sound>> letters,
    Map<Group, GroupBus> groups,
    Space space,
    Repeats delay,
    Bed bed,
    Map<String, Bed> beds,
    Whole whole) {
  public Sounds {
    parts = Map.copyOf(BuiltIn.completed(parts));
    letters = deep(letters);
    groups = groups == null ? Map.of() : Map.copyOf(groups);
    beds = beds == null ? Map.of() : Map.copyOf(beds);
    Objects.requireNonNull(space, "space must not be null");
    Objects.requireNonNull(delay, "delay must not be null");
    Objects.requireNonNull(bed, "bed must not be null");
    Objects.requireNonNull(whole, "whole must not be null");
    for (Line line : Line.values()) {
      if (!parts.containsKey(Part.of(line))) {
        throw new IllegalArgumentException("no sound for the " + line.words());
      }
    }
  }

  private static Map<String, Map<Part, Sound>> deep(Map<String, Map<Part, Sound>> letters) {
    Map<String, Map<Part, Sound>> out = new HashMap<>();
    if (letters != null) {
      letters.forEach(
          (letter, own) -> {
            if (!own.isEmpty()) {
              out.put(letter, Map.copyOf(own));
            }
          });
    }
    return Map.copyOf(out);
  }

  /** The built-in sounds: dry and plain, so that timing and loudness can be judged. */
  public static Sounds plain() {
    return BuiltIn.sounds();
  }

  /** The part whose sound a part has: itself, or the first of its kind. */
  public Part source(Part part) {
    return parts.containsKey(part) ? part : part.numbered(1);
  }

  /** A part's sound. */
  public Sound sound(Part part) {
    return parts.get(source(part));
  }

  /** A part's sound in the sections of a letter. */
  public Sound sound(Part part, String letter) {
    Map<Part, Sound> own = letters.getOrDefault(letter, Map.of());
    return own.getOrDefault(part, own.getOrDefault(source(part), sound(part)));
  }

  /** A part's place in the mix. */
  public Strip strip(Part part) {
    return sound(part).strip();
  }

  /** A drum's main recipe; that of the built-in drum where something else stands in for it. */
  public DrumSound drum(DrumPart drum) {
    return sound(drum).source() instanceof DrumSound d ? d : builtIn(drum);
  }

  static DrumSound builtIn(DrumPart drum) {
    return (DrumSound) plain().parts().get(drum.numbered(1)).source();
  }

  /** The recording that stands in for a drum. */
  public Optional<SampleSound> sample(DrumPart drum) {
    return sound(drum).source() instanceof SampleSound s ? Optional.of(s) : Optional.empty();
  }

  /** A line's main recipe; that of the built-in tone where something else stands in for it. */
  public ToneSound tone(LinePart line) {
    return sound(line).source() instanceof ToneSound t
        ? t
        : (ToneSound) plain().parts().get(line.numbered(1)).source();
  }

  /** What a group runs through. */
  public GroupBus group(Group group) {
    return groups.getOrDefault(group, GroupBus.PLAIN);
  }

  /** The bed in the sections of a letter. */
  public Bed bed(String letter) {
    return beds.getOrDefault(letter, bed);
  }

  /** All recordings that are used. */
  public List<SampleSound> samples() {
    List<SampleSound> out = new ArrayList<>();
    samples(
        s -> {
          out.add(s);
          return s;
        });
    return out;
  }

  /** The same with every recording exchanged. */
  public Sounds samples(UnaryOperator<SampleSound> change) {
    Map<Part, Sound> p = changed(parts, change);
    Map<String, Map<Part, Sound>> l = new HashMap<>();
    letters.forEach((letter, own) -> l.put(letter, changed(own, change)));
    return new Sounds(p, l, groups, space, delay, bed, beds, whole);
  }

  private static Map<Part, Sound> changed(
      Map<Part, Sound> sounds, UnaryOperator<SampleSound> change) {
    Map<Part, Sound> out = new java.util.TreeMap<>(java.util.Comparator.comparing(Part::toString));
    sounds.keySet().stream()
        .sorted(java.util.Comparator.comparing(Part::toString))
        .forEach(
            part -> {
              Sound s = sounds.get(part);
              for (int k = 0; k < s.layers().size(); k++) {
                Layer layer = s.layers().get(k);
                if (layer.source() instanceof SampleSound sample) {
                  s = s.with(k, layer.with(change.apply(sample)));
                }
              }
              out.put(part, s);
            });
    return out;
  }

  /** The same with another sound of a part. */
  public Sounds with(Part part, Sound sound) {
    return new Sounds(with(parts, part, sound), letters, groups, space, delay, bed, beds, whole);
  }

  /**
   * The same with another sound of a part in the sections of a letter; null for none of its own.
   */
  public Sounds with(String letter, Part part, Sound sound) {
    Map<String, Map<Part, Sound>> l = new HashMap<>(letters);
    l.put(letter, with(letters.getOrDefault(letter, Map.of()), part, sound));
    return new Sounds(parts, l, groups, space, delay, bed, beds, whole);
  }

  /** The same with a part elsewhere in the mix. */
  public Sounds with(Part part, Strip strip) {
    return with(part, sound(part).with(strip));
  }

  /** The same with another main source of a part. */
  public Sounds with(Part part, Source source) {
    return with(part, sound(part).with(source));
  }

  /** The same with the built-in source of a part again. */
  public Sounds builtIn(Part part) {
    return with(part, plain().parts().get(part.numbered(1)).source());
  }

  /** The same with another bus of a group. */
  public Sounds with(Group group, GroupBus bus) {
    Map<Group, GroupBus> g = new EnumMap<>(Group.class);
    g.putAll(groups);
    g.put(group, bus);
    return new Sounds(parts, letters, g, space, delay, bed, beds, whole);
  }

  /** The same with another bed of noise. */
  public Sounds with(Bed other) {
    return new Sounds(parts, letters, groups, space, delay, other, beds, whole);
  }

  /** The same with another bed in the sections of a letter; null for none of its own. */
  public Sounds with(String letter, Bed other) {
    return new Sounds(parts, letters, groups, space, delay, bed, with(beds, letter, other), whole);
  }

  /** The same in another room. */
  public Sounds with(Space other) {
    return new Sounds(parts, letters, groups, other, delay, bed, beds, whole);
  }

  /** The same with another delay. */
  public Sounds with(Repeats other) {
    return new Sounds(parts, letters, groups, space, other, bed, beds, whole);
  }

  /** The same with something else done to all. */
  public Sounds with(Whole other) {
    return new Sounds(parts, letters, groups, space, delay, bed, beds, other);
  }

  /** The same in a room that falls by 60 dB in other seconds. */
  public Sounds room(double seconds) {
    return with(space.lasting(seconds));
  }

  /** The same with a delay of other beats, coming round by another share. */
  public Sounds delay(double beats, double feedback) {
    return with(
        new Repeats(beats, feedback, delay.pingPong(), delay.lowCutHz(), delay.highCutHz()));
  }

  /** The same with other saturation of the drums. */
  public Sounds driven(double drive) {
    GroupBus drums = group(Group.DRUMS);
    return with(Group.DRUMS, drums.driven(drive, drums.blend()));
  }

  /** The same with both sides alike below another edge; 0 leaves them as they are. */
  public Sounds monoBelow(double hz) {
    return with(whole.mono(hz));
  }

  /** The same in another colour. */
  public Sounds coloured(Colour all, Colour ofSides) {
    return with(whole.coloured(all, ofSides));
  }

  public double roomSeconds() {
    return space.seconds();
  }

  public double delayBeats() {
    return delay.beats();
  }

  public double delayFeedback() {
    return delay.feedback();
  }

  public double drumDrive() {
    return group(Group.DRUMS).drive();
  }

  public double monoBelowHz() {
    return whole.monoBelowHz();
  }

  public Colour colour() {
    return whole.colour();
  }

  public Colour sides() {
    return whole.sides();
  }

  /** The map with another value under a key, or without the key for null. */
  private static <K, V> Map<K, V> with(Map<K, V> map, K key, V value) {
    Map<K, V> copy = new HashMap<>(map);
    copy.put(key, value);
    copy.values().removeIf(v -> v == null);
    return copy;
  }
}
