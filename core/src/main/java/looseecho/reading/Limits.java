package looseecho.reading;

/**
 * How much a template and its sounds may hold: far more than any music needs, and little enough
 * that no file makes the program hang. The records check these, and {@code project.schema.json}
 * says them.
 */
public final class Limits {
  public static final double SLOWEST_BPM = 20;
  public static final double FASTEST_BPM = 400;

  /** Beats of a tempo map: more than eight hours at the fastest tempo. */
  public static final int BEATS = 200_000;

  public static final int SECTIONS = 5_000;

  /** Hits and notes of a template: fifty a second for two hours. */
  public static final int EVENTS = 400_000;

  /** Ticks from a section's start, 960 to a quarter. */
  public static final int TICKS = 288_000_000;

  /** Offset of an event against its step, in milliseconds. */
  public static final double OFFSET_MS = 5_000;

  /** Longest stroke that is cut off: four bars of 4/4. */
  public static final int STROKE_TICKS = 512 * 240;

  /** Pieces that a recording is cut into. */
  public static final int SLICES = 512;

  /** Semitones by which a stroke is pitched. */
  public static final double STROKE_SEMITONES = 24;

  /** Semitones by which anything is moved. */
  public static final double SEMITONES = 96;

  /** Any time constant of a sound, in milliseconds. */
  public static final double SOUND_MS = 60_000;

  public static final double HERTZ = 24_000;
  public static final int VOICES = 7;
  public static final int BURSTS = 8;

  /** Letters of a name, a label or a path. */
  public static final int LETTERS = 4_096;

  private Limits() {}

  /**
   * A number that lies where it must.
   *
   * @throws IllegalArgumentException naming what is wrong; also for what is no number
   */
  public static double within(String what, double value, double low, double high) {
    if (!(value >= low && value <= high)) {
      throw new IllegalArgumentException(
          what + " must be " + low + ".." + high + " (was: " + value + ")");
    }
    return value;
  }

  /** A text that is there, not endless, and without the sign that ends a name on the disk. */
  public static String text(String what, String value) {
    if (value == null || value.length() > LETTERS || value.indexOf(0) >= 0) {
      throw new IllegalArgumentException(what + " is missing, endless or no text");
    }
    return value;
  }
}
