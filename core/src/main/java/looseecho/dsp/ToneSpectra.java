package looseecho.dsp;

import looseecho.reading.Progress;

/**
 * Long-window magnitude spectra for everything tonal, computed once and shared.
 *
 * <p>Input: mono at {@code rate}. Frame n is centred on n * {@link #hopSeconds()}. Immutable;
 * arrays stay inside.
 */
public final class ToneSpectra {
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
    Fft fft = new Fft(size, window);
    double binHz = (double) rate / size;
    float[][] frames = new float[mono.length / hop + 1][];
    for (int n = 0; n < frames.length; n++) {
      frames[n] = new float[fft.bins()];
      fft.magnitudes(mono, n * hop, frames[n]);
      if (n % 500 == 0) {
        progress.step("Listening to the tones", (double) n / frames.length);
      }
    }
    return new ToneSpectra(frames, binHz, (double) hop / rate);
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
