package looseecho.notes;

import java.util.List;

/**
 * A key.
 *
 * @param tonic pitch class of the home note, 0 = C
 * @param scale one of {@link Scale#ofKeys}
 */
public record Key(int tonic, Scale scale) {
  /** Names of the pitch classes with sharps, C first. */
  public static final List<String> NAMES =
      List.of("C", "C#", "D", "D#", "E", "F", "F#", "G", "G#", "A", "A#", "B");

  private static final String LETTERS = "CDEFGAB";
  private static final String[] DEGREES = {
    "1", "♭2", "2", "♭3", "3", "4", "♯4", "5", "♭6", "6", "♭7", "7"
  };
  private static final int[] FIFTHS = {
    0, -5, 2, -3, 4, -1, 6, 1, -4, 3, -2, 5
  }; // sharps or flats of the major keys, C first

  public Key {
    if (tonic < 0 || tonic > 11 || !Scale.ofKeys().contains(scale)) {
      throw new IllegalArgumentException(
          "tonic must be 0..11 and the scale a key's (was: " + tonic + ", " + scale + ")");
    }
  }

  public Key(int tonic, boolean minor) {
    this(tonic, minor ? Scale.MINOR : Scale.MAJOR);
  }

  /** True when its third is minor. */
  public boolean minor() {
    return scale.minor();
  }

  /** As written in files: "C#:minor". */
  public String label() {
    return NAMES.get(tonic) + ":" + scale.words();
  }

  /** As said on screen: "C# minor", "B♭ minor". */
  public String words() {
    return spelled(tonic) + " " + scale.words();
  }

  /**
   * A pitch class as it is written in this key: every degree has a letter of its own, so that the
   * flat six of D minor is B flat (common practice of notation).
   */
  public String spelled(int pitchClass) {
    return letter(pitchClass) + sign(pitchClass);
  }

  /** "D2": a pitch as it is written in this key with its octave, middle C (60) being C4. */
  public String noteName(int pitch) {
    int octave = Math.floorDiv(pitch - altered(pitch), 12) - 1;
    return spelled(pitch) + octave;
  }

  private char letter(int pitchClass) {
    String degree = degree(pitchClass);
    int number = degree.charAt(degree.length() - 1) - '1';
    return LETTERS.charAt((LETTERS.indexOf(homeLetter()) + number) % LETTERS.length());
  }

  private char homeLetter() {
    String sharp = NAMES.get(tonic);
    return sharp.length() == 1 || fifths() >= 0
        ? sharp.charAt(0)
        : NAMES.get((tonic + 1) % 12).charAt(0);
  }

  /** Semitones by which the letter of a pitch class is raised or lowered. */
  private int altered(int pitchClass) {
    int natural = NAMES.indexOf(String.valueOf(letter(pitchClass)));
    return Math.floorMod(pitchClass - natural + 6, 12) - 6;
  }

  private String sign(int pitchClass) {
    int by = altered(pitchClass);
    return (by < 0 ? "♭" : "#").repeat(Math.abs(by));
  }

  /** Sharps (positive) or flats of its signature. */
  public int fifths() {
    return FIFTHS[Math.floorMod(tonic - scale.overMajor(), 12)];
  }

  /** True when the pitch belongs to the key. */
  public boolean has(int pitch) {
    return scale.has(pitch - tonic);
  }

  /**
   * A pitch's degree against the major scale on the home note: "1", "♭3", "5" (common practice).
   */
  public String degree(int pitch) {
    return DEGREES[Math.floorMod(pitch - tonic, 12)];
  }

  /** A pitch's place on the ladder of the key's degrees; 0 is the lowest home note of MIDI. */
  public int rung(int pitch) {
    return scale.nearest(pitch - tonic);
  }

  /** The pitch on a rung. */
  public int pitch(int rung) {
    return tonic + scale.semitones(rung);
  }

  /** The pitch so many scale steps away; a note outside the key stays as far outside it. */
  public int moved(int pitch, int steps) {
    int rung = rung(pitch);
    return pitch(rung + steps) + pitch - pitch(rung);
  }

  /** The pitch class of a name such as "C#", "Bb" or "B♭"; -1 for none. */
  private static int pitchClass(String name) {
    String letter = name.isEmpty() ? "" : name.substring(0, 1);
    int natural = NAMES.indexOf(letter);
    return switch (name.isEmpty() ? "" : name.substring(1)) {
      case "" -> natural;
      case "#", "♯" -> natural < 0 ? -1 : (natural + 1) % 12;
      case "b", "♭" -> natural < 0 ? -1 : (natural + 11) % 12;
      default -> -1;
    };
  }

  /** "D2": the pitch's name with sharps and its octave, where no key is known. */
  public static String note(int pitch) {
    return NAMES.get(Math.floorMod(pitch, 12)) + (Math.floorDiv(pitch, 12) - 1);
  }

  /** The other way round of {@link #label} and {@link #words}; null never. */
  public static Key parse(String text) {
    String[] parts = text.trim().split("[: ]+", 2);
    int tonic = pitchClass(parts[0]);
    for (Scale scale : Scale.ofKeys()) {
      if (parts.length == 2 && tonic >= 0 && scale.words().equals(parts[1])) {
        return new Key(tonic, scale);
      }
    }
    throw new IllegalArgumentException("not a key such as C#:minor (was: " + text + ")");
  }
}
