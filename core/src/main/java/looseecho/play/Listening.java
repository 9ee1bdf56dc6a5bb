package looseecho.play;

/**
 * How loud and for how long the output has sounded. Level: root mean square of what was put out,
 * against full scale, with a fall of some 20 dB a second. Written by the sounding thread, read by
 * any.
 */
public final class Listening {
  private static final double FALL_SECONDS = 0.4;
  private static final double SILENT = 1e-4;
  private static final double LEAST_DB = -90;

  private volatile double power;
  private volatile long frames;
  private final int rate;

  Listening(int rate) {
    this.rate = rate;
  }

  /** Takes in a block of interleaved stereo. */
  void heard(float[] block, int count) {
    double sum = 0;
    for (int i = 0; i < 2 * count; i++) {
      sum += block[i] * block[i];
    }
    double now = sum / (2 * count);
    double kept = Math.exp(-count / (FALL_SECONDS * rate));
    power = now > power ? now : kept * power + (1 - kept) * now;
    if (now > SILENT * SILENT) {
      frames += count;
    }
  }

  /** Decibels against full scale; -90 and less is silence. */
  public double levelDb() {
    return Math.max(LEAST_DB, 10 * Math.log10(power + 1e-12));
  }

  /** Seconds of sound since the program began. */
  public double seconds() {
    return (double) frames / rate;
  }
}
