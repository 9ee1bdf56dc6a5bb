package looseecho.notes;

import java.util.Optional;

/**
 * One chord over a span of seconds.
 *
 * @param root pitch class, 0 = C; -1 where nothing sounds that could be called a chord
 * @param kind which chord; that of "no chord" says nothing
 */
public record Chord(double start, double end, int root, ChordKind kind, double confidence) {
  public static final int NONE = -1;

  private static final String[] NUMERALS = {
    "I", "♭II", "II", "♭III", "III", "IV", "♯IV", "V", "♭VI", "VI", "♭VII", "VII"
  };

  /** False for "no chord". */
  public boolean sounds() {
    return root != NONE;
  }

  /** In the syntax of Harte and others 2005: "A:min", "N". */
  public String label() {
    return sounds() ? Key.NAMES.get(root) + ":" + kind.shorthand() : "N";
  }

  /** As a player writes it in a key: "Am7", "B♭", "no chord". */
  public String words(Key key) {
    return sounds()
        ? key.spelled(root)
            + (kind == ChordKind.MINOR ? "m" : kind == ChordKind.MINOR_7 ? "m" : "")
            + kind.suffix()
        : "no chord";
  }

  /**
   * The Roman numeral in a key: capitals for a major third, small letters for a minor one, roots
   * named against the major scale on the home note (common practice). Empty for "no chord".
   */
  public Optional<String> numeral(Key key) {
    if (!sounds()) {
      return Optional.empty();
    }
    String n = NUMERALS[Math.floorMod(root - key.tonic(), 12)];
    return Optional.of((kind.small() ? n.toLowerCase(java.util.Locale.ROOT) : n) + kind.suffix());
  }

  /**
   * What a note is in the chord: "root", "third", "fifth", "seventh", "fourth", "second"; or "".
   */
  public String part(int pitch) {
    int interval = Math.floorMod(pitch - root, 12);
    for (int tone : sounds() ? kind.tones() : new int[0]) {
      if (tone == interval) {
        return switch (tone) {
          case 0 -> "root";
          case 2 -> "second";
          case 3, 4 -> "third";
          case 5 -> "fourth";
          case 6, 7 -> "fifth";
          default -> "seventh";
        };
      }
    }
    return "";
  }
}
