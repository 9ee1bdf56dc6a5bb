package looseecho.dsp;

import looseecho.reading.Progress;
import looseecho.reading.Together;

/**
 * Long-window magnitude spectra for everything tonal, computed once and shared.
 *
 * <p>Input: mono at {@code rate}. Frame n is centred on n * {@link #hopSeconds()}. Immutable;
 * arrays stay inside.
 */
public final class ToneSpectra {
  private static final int CHUNK = 6 * FrameFft.AT_ONCE; // frames worked on by one thread at a time
  private final float[][] frames;
  private final double binHz;
  private final double hopSeconds;

  private ToneSpectra(float[][] frames, double binHz, double hopSeconds) {
    this.frames = frames;
    this.binHz = binHz;
    this.hopSeconds = hopSeconds;
  }

  /**
   * Spectra of {@code mono}.
   *
   * @param size FFT size, even
   * @param window samples per window, at most {@code size}
   * @param hop samples between frames
   */
  public static ToneSpectra of(
      float[] mono, int rate, int size, int window, int hop, Progress progress) {
    return of(mono, rate, size, window, hop, 0, mono.length / hop + 1, progress);
  }

  /** The same for the frames {@code from} to before {@code to} alone. */
  public static ToneSpectra of(
      float[] mono, int rate, int size, int window, int hop, int from, int to, Progress progress) {
    float[][] frames = new float[to - from][size / 2 + 1];
    Together.each(
        (frames.length + CHUNK - 1) / CHUNK,
        c -> {
          FrameFft fft = new FrameFft(size, window);
          int end = Math.min(frames.length, (c + 1) * CHUNK);
          for (int n = c * CHUNK; n < end && !progress.cancelled(); n += FrameFft.AT_ONCE) {
            float[][] magnitudes = fft.magnitudes(mono, (from + n) * hop, hop);
            for (int f = 0; f < Math.min(FrameFft.AT_ONCE, end - n); f++) {
              for (int k = 0; k < magnitudes.length; k++) {
                frames[n + f][k] = magnitudes[k][f];
              }
            }
          }
        });
    progress.step("Listening to the tones", 1);
    return new ToneSpectra(frames, (double) rate / size, (double) hop / rate);
  }

  public int frames() {
    return frames.length;
  }

  public int bins() {
    return frames[0].length;
  }

  /** Hertz between bins. */
  public double binHz() {
    return binHz;
  }

  public double hopSeconds() {
    return hopSeconds;
  }

  /** Magnitude of a bin; a full-scale sine reads about 1. */
  public float at(int frame, int bin) {
    return frames[frame][bin];
  }

  /** Magnitude between bins by linear interpolation; 0 outside the band. */
  public float atHz(int frame, double hz) {
    double x = hz / binHz;
    int k = (int) x;
    if (k < 0 || k + 1 >= frames[frame].length) {
      return 0;
    }
    float f = (float) (x - k);
    return frames[frame][k] * (1 - f) + frames[frame][k + 1] * f;
  }
}
