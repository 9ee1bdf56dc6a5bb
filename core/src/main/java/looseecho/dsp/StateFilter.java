package looseecho.dsp;

/**
 * A resonant filter whose edge may move at any sample without clicks: low-pass, high-pass and
 * band-pass of second order. Source: V. Zavalishin, "The Art of VA Filter Design" (2018), section
 * 4.4, the topology-preserving state variable filter. One per voice; not thread-safe.
 */
public final class StateFilter {
  private static final double BUTTERWORTH = Math.sqrt(0.5);

  private final double rate;
  private double g;
  private double k = 1 / BUTTERWORTH;
  private double a1;
  private double s1;
  private double s2;
  private double low;
  private double band;
  private double high;

  public StateFilter(double rate) {
    this.rate = rate;
  }

  /**
   * Moves the edge; without resonance it is 3 dB down there.
   *
   * @param resonance 0..0.95
   */
  public void set(double hz, double resonance) {
    g = Math.tan(Math.PI * Math.min(hz, 0.45 * rate) / rate);
    k = (1 - resonance) / BUTTERWORTH;
    a1 = 1 / (1 + g * (g + k));
  }

  /** Takes a sample; the outputs are read afterwards. */
  public void next(double x) {
    high = (x - (g + k) * s1 - s2) * a1;
    band = g * high + s1;
    s1 = g * high + band;
    low = g * band + s2;
    s2 = g * band + low;
  }

  public double low() {
    return low;
  }

  public double high() {
    return high;
  }

  /** With a gain of 1 at its centre. */
  public double band() {
    return k * band;
  }
}
