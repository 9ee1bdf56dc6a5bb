package looseecho.mix;

import java.util.Arrays;

/**
 * Keeps the peaks of a bus below a ceiling by turning the level down ahead of them, block after
 * block. The gain is the smallest needed in what comes, smoothed over 2 ms, with a release of 80
 * ms; neither samples nor the {@link TruePeak} between them pass the ceiling.
 */
public final class Limiter {
  /** Samples of the next block that are looked at: more of it changes nothing that can be heard. */
  static final int LOOK_AHEAD = 8192;

  private static final double SLOPE_SECONDS = 0.002;
  private static final double RELEASE_SECONDS = 0.08;
  private static final double NEAR = 0.6; // below it no peak between samples reaches the ceiling
  private static final int TAPS = 6; // of the true peak, to either side

  private final double ceiling;
  private final double slope;
  private final double release;
  private float[][] before = new float[2][0]; // the last samples of the block before
  private float lastNeed = 1;
  private double gain = 1;

  /** A limiter at rest; {@code ceiling} is linear, such as 0.89 for -1 dBFS. */
  public Limiter(int rate, double ceiling) {
    this.ceiling = ceiling;
    slope = 1.0 / Math.max(1, (int) (SLOPE_SECONDS * rate));
    release = Math.exp(-1 / (RELEASE_SECONDS * rate));
  }

  /** Limits a whole sound in place. */
  public void limit(Bus whole) {
    whole.shape(course(whole, null));
  }

  /**
   * Gain for every sample of a block, knowing the block that follows.
   *
   * @param next null behind the last
   */
  float[] course(Bus now, Bus next) {
    int n = now.length();
    int lead = before[0].length;
    int more = next == null ? 0 : Math.min(LOOK_AHEAD, next.length());
    float[][] sides = new float[2][lead + n + more];
    for (int c = 0; c < 2; c++) {
      System.arraycopy(before[c], 0, sides[c], 0, lead);
      System.arraycopy(now.sides()[c], 0, sides[c], lead, n);
      if (more > 0) {
        System.arraycopy(next.sides()[c], 0, sides[c], lead + n, more);
      }
      before[c] = Arrays.copyOfRange(now.sides()[c], Math.max(0, n - TAPS), n);
    }
    float[] need = need(sides, lead);
    lastNeed = peakNeed(sides, lead + n - 1);
    // Backwards: the gain falls in a straight line towards a coming peak.
    double coming = 1;
    for (int i = need.length - 1; i >= 0; i--) {
      coming = Math.min(need[i], coming + slope * (1 - coming) + 1e-6);
      need[i] = (float) Math.min(1, coming);
    }
    float[] out = new float[n];
    for (int i = 0; i < n; i++) {
      gain = Math.min(need[i], 1 - (1 - gain) * release);
      out[i] = (float) gain;
    }
    return out;
  }

  /** Gain that every sample from {@code lead} on asks for, the peaks between samples counted in. */
  private float[] need(float[][] sides, int lead) {
    float[] need = new float[sides[0].length - lead];
    for (int i = 0; i < need.length; i++) {
      need[i] = peakNeed(sides, lead + i);
    }
    for (int i = need.length - 1; i > 0; i--) {
      need[i] = Math.min(need[i], need[i - 1]); // a peak between two samples turns both down
    }
    if (need.length > 0) {
      need[0] = Math.min(need[0], lastNeed);
    }
    return need;
  }

  private float peakNeed(float[][] sides, int i) {
    double near = ceiling * NEAR;
    float peak = around(sides, i);
    if (peak > near || i + 1 < sides[0].length && around(sides, i + 1) > near) {
      peak = Math.max(TruePeak.at(sides[0], i), TruePeak.at(sides[1], i));
    }
    return peak > ceiling ? (float) (ceiling / peak) : 1;
  }

  private static float around(float[][] sides, int i) {
    return Math.max(Math.abs(sides[0][i]), Math.abs(sides[1][i]));
  }
}
