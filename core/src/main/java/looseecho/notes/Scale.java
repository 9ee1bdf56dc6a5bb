package looseecho.notes;

import java.util.Arrays;
import java.util.List;

/**
 * The scales that a line can be held to, as semitones over the home note.
 *
 * <p>Source: the interval tables of any textbook of harmony, e.g. S. Kostka and D. Payne, "Tonal
 * Harmony", 1984, chapters 1 and 4 (major, minor, modes, pentatonic); from memory.
 */
public enum Scale {
  MAJOR("major", 0, 2, 4, 5, 7, 9, 11),
  MINOR("minor", 0, 2, 3, 5, 7, 8, 10),
  HARMONIC_MINOR("harmonic minor", 0, 2, 3, 5, 7, 8, 11),
  MELODIC_MINOR("melodic minor", 0, 2, 3, 5, 7, 9, 11),
  DORIAN("dorian", 0, 2, 3, 5, 7, 9, 10),
  PHRYGIAN("phrygian", 0, 1, 3, 5, 7, 8, 10),
  LYDIAN("lydian", 0, 2, 4, 6, 7, 9, 11),
  MIXOLYDIAN("mixolydian", 0, 2, 4, 5, 7, 9, 10),
  MAJOR_PENTATONIC("major pentatonic", 0, 2, 4, 7, 9),
  MINOR_PENTATONIC("minor pentatonic", 0, 3, 5, 7, 10),
  BLUES("blues", 0, 3, 5, 6, 7, 10);

  private static final List<Scale> KEYS =
      List.of(MAJOR, MINOR, DORIAN, PHRYGIAN, LYDIAN, MIXOLYDIAN);

  private final String words;
  private final int[] semitones;

  Scale(String words, int... semitones) {
    this.words = words;
    this.semitones = semitones;
  }

  /** As said on screen. */
  public String words() {
    return words;
  }

  /** Notes of an octave. */
  public int size() {
    return semitones.length;
  }

  /** Semitones of a degree, from 0; degrees beyond an octave and below home count on. */
  public int semitones(int degree) {
    return semitones[Math.floorMod(degree, size())] + 12 * Math.floorDiv(degree, size());
  }

  /** True when the interval in semitones belongs to the scale, in any octave. */
  public boolean has(int interval) {
    return Arrays.binarySearch(semitones, Math.floorMod(interval, 12)) >= 0;
  }

  /** The degree nearest to an interval in semitones; the lower one of two. */
  public int nearest(int interval) {
    int octave = size() * Math.floorDiv(interval, 12);
    int best = octave;
    for (int d = octave; d <= octave + size(); d++) {
      best = Math.abs(semitones(d) - interval) < Math.abs(semitones(best) - interval) ? d : best;
    }
    return best;
  }

  /** Major or minor kind by its third. */
  public boolean minor() {
    return has(3);
  }

  /** Those that a whole piece is said to be in: major, minor and their modal cousins. */
  public static List<Scale> ofKeys() {
    return KEYS;
  }

  /** How many semitones above the home note of the major scale with the same notes. */
  int overMajor() {
    return switch (this) {
      case DORIAN -> 2;
      case PHRYGIAN -> 4;
      case LYDIAN -> 5;
      case MIXOLYDIAN -> 7;
      case MINOR -> 9;
      default -> 0;
    };
  }
}
