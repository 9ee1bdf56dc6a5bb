package looseecho.notes;

/**
 * Kinds of chords, with their shorthand in the syntax of Harte and others, "Symbolic representation
 * of musical chords", ISMIR 2005, table 1 ("5" for the open fifth is a common addition).
 */
public enum ChordKind {
  MAJOR("maj", "", 0, 4, 7),
  MINOR("min", "", 0, 3, 7),
  MINOR_7("min7", "7", 0, 3, 7, 10),
  MAJOR_7("maj7", "maj7", 0, 4, 7, 11),
  SEVENTH("7", "7", 0, 4, 7, 10),
  SUS_4("sus4", "sus4", 0, 5, 7),
  SUS_2("sus2", "sus2", 0, 2, 7),
  POWER("5", "5", 0, 7),
  DIMINISHED("dim", "°", 0, 3, 6);

  private final String shorthand;
  private final String suffix;
  private final int[] tones;

  ChordKind(String shorthand, String suffix, int... tones) {
    this.shorthand = shorthand;
    this.suffix = suffix;
    this.tones = tones;
  }

  public String shorthand() {
    return shorthand;
  }

  /** What a Roman numeral of this kind ends on. */
  String suffix() {
    return suffix;
  }

  /** Semitones over the root. */
  public int[] tones() {
    return tones.clone();
  }

  /** True when its third is minor: its numeral is written small. */
  boolean small() {
    return tones[1] == 3;
  }
}
