package looseecho.activity;

/**
 * Per pitch, how surely a bass note begins and sounds, 0..1; frame n means the instant n / 50 s.
 */
public final class BassActivity {
  /** Frames per second. */
  public static final int FPS = BassSpectra.RATE / BassSpectra.HOP;

  public static final int LOWEST = BassSpectra.LOWEST;
  public static final int PITCHES = BassSpectra.PITCHES;

  private final float[] values; // [(frame * 37 + pitch) * 2 + {begins, sounds}]

  BassActivity(float[] values) {
    this.values = values;
  }

  public int frames() {
    return values.length / (2 * PITCHES);
  }

  /** {@code pitch} is a MIDI number in [LOWEST, LOWEST + PITCHES). */
  public float begins(int frame, int pitch) {
    return values[(frame * PITCHES + pitch - LOWEST) * 2];
  }

  public float sounds(int frame, int pitch) {
    return values[(frame * PITCHES + pitch - LOWEST) * 2 + 1];
  }
}
