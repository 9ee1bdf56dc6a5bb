package looseecho.notes;

import java.util.List;

/**
 * A key.
 *
 * @param tonic pitch class, 0 = C
 * @param minor true for minor
 */
public record Key(int tonic, boolean minor) {
  /** Names of the pitch classes with sharps, C first. */
  public static final List<String> NAMES =
      List.of("C", "C#", "D", "D#", "E", "F", "F#", "G", "G#", "A", "A#", "B");

  public Key {
    if (tonic < 0 || tonic > 11) {
      throw new IllegalArgumentException("tonic must be 0..11 (was: " + tonic + ")");
    }
  }

  /** As written in files: "C#:minor". */
  public String label() {
    return NAMES.get(tonic) + (minor ? ":minor" : ":major");
  }

  /** As said on screen: "C# minor". */
  public String words() {
    return label().replace(':', ' ');
  }

  /** The other way round; null never. */
  public static Key parse(String text) {
    String[] parts = text.trim().split("[: ]+");
    int tonic = NAMES.indexOf(parts[0]);
    if (parts.length != 2 || tonic < 0 || !parts[1].matches("major|minor")) {
      throw new IllegalArgumentException("not a key such as C#:minor (was: " + text + ")");
    }
    return new Key(tonic, parts[1].equals("minor"));
  }
}
