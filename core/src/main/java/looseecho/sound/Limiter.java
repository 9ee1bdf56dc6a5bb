package looseecho.sound;

/**
 * Keeps the peaks of a bus below a ceiling by turning the level down ahead of them. Look-ahead 2
 * ms, release 80 ms. Off-line: the gain is the smallest needed in the look-ahead, smoothed; samples
 * never pass the ceiling.
 */
public final class Limiter {
  private static final double LOOK_AHEAD_SECONDS = 0.002;
  private static final double RELEASE_SECONDS = 0.08;

  /** Limits in place; {@code ceiling} is linear, such as 0.89 for -1 dBFS. */
  public void limit(Bus bus, double ceiling) {
    int n = bus.length();
    int ahead = (int) (LOOK_AHEAD_SECONDS * bus.rate());
    double release = Math.exp(-1 / (RELEASE_SECONDS * bus.rate()));
    float[] need = new float[n];
    for (int i = 0; i < n; i++) {
      float peak = Math.max(Math.abs(bus.left(i)), Math.abs(bus.right(i)));
      need[i] = peak > ceiling ? (float) (ceiling / peak) : 1;
    }
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
}
