package looseecho.sound;

/**
 * Keeps the peaks of a bus below a ceiling by turning the level down ahead of them. Look-ahead 2
 * ms, release 80 ms. Off-line: the gain is the smallest needed in the look-ahead, smoothed; neither
 * samples nor the {@link TruePeak} between them pass the ceiling.
 */
public final class Limiter {
  private static final double LOOK_AHEAD_SECONDS = 0.002;
  private static final double RELEASE_SECONDS = 0.08;
  private static final double NEAR = 0.6; // below it no peak between samples reaches the ceiling

  /** Limits in place; {@code ceiling} is linear, such as 0.89 for -1 dBFS. */
  public void limit(Bus bus, double ceiling) {
    int n = bus.length();
    int ahead = (int) (LOOK_AHEAD_SECONDS * bus.rate());
    double release = Math.exp(-1 / (RELEASE_SECONDS * bus.rate()));
    float[] need = need(bus, ceiling);
    // Backwards: the gain falls in a straight line towards a coming peak.
    double slope = 1.0 / Math.max(1, ahead);
    double coming = 1;
    for (int i = n - 1; i >= 0; i--) {
      coming = Math.min(need[i], coming + slope * (1 - coming) + 1e-6);
      need[i] = (float) Math.min(1, coming);
    }
    double gain = 1;
    for (int i = 0; i < n; i++) {
      gain = Math.min(need[i], 1 - (1 - gain) * release);
      bus.set(i, (float) (bus.left(i) * gain), (float) (bus.right(i) * gain));
    }
  }

  /** Gain that every sample asks for, the peaks between samples counted in. */
  private static float[] need(Bus bus, double ceiling) {
    float[][] sides = bus.sides();
    float[] need = new float[bus.length()];
    double near = ceiling * NEAR;
    for (int i = 0; i < need.length; i++) {
      float peak = Math.max(Math.abs(sides[0][i]), Math.abs(sides[1][i]));
      boolean look = peak > near || i + 1 < need.length && around(sides, i + 1) > near;
      if (look) {
        peak = Math.max(TruePeak.at(sides[0], i), TruePeak.at(sides[1], i));
      }
      need[i] = peak > ceiling ? (float) (ceiling / peak) : 1;
    }
    for (int i = need.length - 1; i > 0; i--) {
      need[i] = Math.min(need[i], need[i - 1]); // a peak between two samples turns both down
    }
    return need;
  }

  private static float around(float[][] sides, int i) {
    return Math.max(Math.abs(sides[0][i]), Math.abs(sides[1][i]));
  }
}
