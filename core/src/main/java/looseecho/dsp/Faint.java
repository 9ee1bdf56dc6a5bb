package looseecho.dsp;

/**
 * Takes what nobody can hear for nothing. What rings on for ever would end in numbers below the
 * smallest normal ones of a float (1.2e-38, IEEE 754), which are many times slower to work with.
 */
public final class Faint {
  private static final double LEAST = 1e-20; // -400 dB

  private Faint() {}

  /** The value, or 0. */
  public static float cut(float x) {
    return Math.abs(x) < (float) LEAST ? 0 : x;
  }

  /** The value, or 0. */
  public static double cut(double x) {
    return Math.abs(x) < LEAST ? 0 : x;
  }
}
