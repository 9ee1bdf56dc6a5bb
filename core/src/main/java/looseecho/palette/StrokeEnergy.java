package looseecho.palette;

/** How much of a sound is there in its first 200 ms, in which a stroke's loudness lies. */
public final class StrokeEnergy {
  private static final int SAMPLES = HeardSound.RATE / 5;

  private StrokeEnergy() {}

  /** Sum of the squares, of a mono sound at 44.1 kHz. */
  public static double of(float[] x) {
    double sum = 0;
    for (int i = 0; i < Math.min(SAMPLES, x.length); i++) {
      sum += x[i] * x[i];
    }
    return sum;
  }
}
