package looseecho.activity;

/**
 * Per pitch, how surely a note of the line begins and sounds, 0..1; frame n means the instant n /
 * {@link Register#FRAMES}.
 */
public final class LineActivity {
  private final Register register;
  private final float[] values; // [(frame * 37 + pitch) * 2 + {begins, sounds}]

  LineActivity(Register register, float[] values) {
    this.register = register;
    this.values = values;
  }

  public int frames() {
    return values.length / (2 * Register.PITCHES);
  }

  /** Lowest pitch as a MIDI number. */
  public int lowest() {
    return register.lowest();
  }

  /** Behind the highest pitch. */
  public int end() {
    return register.lowest() + Register.PITCHES;
  }

  /** {@code pitch} is a MIDI number from {@link #lowest} to before {@link #end}. */
  public float begins(int frame, int pitch) {
    return values[(frame * Register.PITCHES + pitch - register.lowest()) * 2];
  }

  public float sounds(int frame, int pitch) {
    return values[(frame * Register.PITCHES + pitch - register.lowest()) * 2 + 1];
  }
}
