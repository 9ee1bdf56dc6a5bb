package looseecho.mix;

import looseecho.dsp.Decibels;

/**
 * A feed-forward compressor with a hard knee, whose gain falls and comes back exponentially in
 * decibels, fed block after block. Source: D. Giannoulis, M. Massberg and J. D. Reiss, "Digital
 * dynamic range compressor design - a tutorial and analysis", JAES 60(6), 2012: static curve
 * (equation 4) and the smooth, branching peak detector (equation 17).
 */
final class Compressor {
  private static final double INAUDIBLE_DB = 1e-5;

  private final Squeeze settings;
  private final double quiet; // peaks up to here are left alone
  private final double down;
  private final double back;
  private double reduction;
  private double most;

  Compressor(Squeeze settings, int rate) {
    this.settings = settings;
    quiet = Math.pow(10, settings.thresholdDb() / 20);
    down = Math.exp(-1000 / (settings.attackMs() * rate));
    back = Math.exp(-1000 / (settings.releaseMs() * rate));
  }

  /** Decibels that the curve takes off a steady level, 0 or more. */
  static double staticReduction(Squeeze s, double db) {
    return Math.max(0, db - s.thresholdDb()) * (1 - 1 / s.ratio());
  }

  /** Gain by sample for what lies on both sides. */
  float[] gains(float[] left, float[] right) {
    float[] out = new float[left.length];
    for (int i = 0; i < out.length; i++) {
      double peak = Math.max(Math.abs(left[i]), Math.abs(right[i]));
      double wanted = peak <= quiet ? 0 : staticReduction(settings, Decibels.of(peak));
      double pole = wanted > reduction ? down : back;
      reduction = pole * reduction + (1 - pole) * wanted;
      most = Math.max(most, reduction);
      out[i] = reduction < INAUDIBLE_DB ? 1 : Decibels.reduced(reduction);
    }
    return out;
  }

  /** The most that was taken off so far, in decibels. */
  double most() {
    return most;
  }
}
