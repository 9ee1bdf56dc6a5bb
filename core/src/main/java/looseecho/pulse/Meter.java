package looseecho.pulse;

/**
 * How beats make bars and steps make beats.
 *
 * @param beats felt beats of a bar
 * @param compound true when a beat falls into three eighths, as in 6/8 with its two beats
 */
public record Meter(int beats, boolean compound) {
  /** Ticks of a quarter: the finest unit that notes are placed in. */
  public static final int QUARTER = 960;

  /** Ticks of a sixteenth, the step that patterns are counted in. */
  public static final int STEP = QUARTER / 4;

  public static final Meter FOUR_FOUR = new Meter(4, false);
  public static final Meter THREE_FOUR = new Meter(3, false);
  public static final Meter SIX_EIGHT = new Meter(2, true);
  public static final Meter TWELVE_EIGHT = new Meter(4, true);

  public Meter {
    if (beats < 1 || beats > 12) {
      throw new IllegalArgumentException("beats must be 1..12 (was: " + beats + ")");
    }
  }

  /** Sixteenths of a beat: the grid that steps are counted on. */
  public int stepsPerBeat() {
    return compound ? 6 : 4;
  }

  public int stepsPerBar() {
    return beats * stepsPerBeat();
  }

  public int ticksPerBeat() {
    return stepsPerBeat() * STEP;
  }

  public int ticksPerBar() {
    return beats * ticksPerBeat();
  }

  /** Quarters of a beat. */
  public double quartersPerBeat() {
    return compound ? 1.5 : 1;
  }

  /** "4/4", "6/8". */
  public String words() {
    return compound ? 3 * beats + "/8" : beats + "/4";
  }

  /**
   * The meter that {@link #words} wrote.
   *
   * @throws IllegalArgumentException when it is no such meter
   */
  public static Meter parse(String words) {
    java.util.regex.Matcher m = java.util.regex.Pattern.compile("(\\d{1,2})/([48])").matcher(words);
    if (!m.matches()) {
      throw new IllegalArgumentException("not a meter: " + words);
    }
    int upper = Integer.parseInt(m.group(1));
    boolean compound = m.group(2).equals("8");
    if (compound && upper % 3 != 0) {
      throw new IllegalArgumentException("not a meter: " + words);
    }
    return new Meter(compound ? upper / 3 : upper, compound);
  }
}
