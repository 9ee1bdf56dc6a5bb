package looseecho.audio;

/**
 * The middle of a sound at another sampling rate, block by block, so that a long sound is never
 * held as a whole. Each block carries a margin of its neighbours at both ends.
 */
public final class MonoBlocks {
  /** Length of a block without its margins. */
  public static final int SECONDS = 180;

  private static final int AT_ONCE = 1 << 16; // samples

  private static final int MARGIN = 2; // seconds

  /**
   * One block.
   *
   * @param samples the block with its margins
   * @param first index in the whole sound of the first sample
   * @param from index in the whole sound at which the block itself begins
   * @param to index behind its end
   */
  public record Block(float[] samples, int first, int from, int to) {}

  private final Audio audio;
  private final int rate;
  private final Resampler resampler = new Resampler();

  /** Blocks at {@code rate} hertz. */
  public MonoBlocks(Audio audio, int rate) {
    this.audio = audio;
    this.rate = rate;
  }

  public int count() {
    long block = (long) SECONDS * audio.sampleRate();
    return (int) Math.max(1, (audio.length() + block - 1) / block);
  }

  /** Samples of the whole sound at the new rate. */
  public int length() {
    return (int) Math.ceil((double) audio.length() * rate / audio.sampleRate());
  }

  /** Block i, 0 to {@link #count} - 1. */
  public Block get(int i) {
    int own = audio.sampleRate();
    int start = Math.max(0, i * SECONDS - MARGIN);
    long end = ((long) (i + 1) * SECONDS + MARGIN) * own;
    float[] samples =
        resampler.resample(audio.mono(start * own, (int) Math.min(audio.length(), end)), own, rate);
    int to = (int) Math.min(length(), (long) (i + 1) * SECONDS * rate);
    return new Block(samples, start * rate, i * SECONDS * rate, to);
  }

  /** Root mean square of the middle of the whole sound. */
  public double rms() {
    double power = 0;
    for (int from = 0; from < audio.length(); from += AT_ONCE) {
      for (float m : audio.mono(from, Math.min(audio.length(), from + AT_ONCE))) {
        power += (double) m * m;
      }
    }
    return Math.sqrt(power / Math.max(1, audio.length()));
  }
}
