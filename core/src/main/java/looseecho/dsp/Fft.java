package looseecho.dsp;

import java.util.Arrays;
import org.jtransforms.fft.FloatFFT_1D;
import org.jtransforms.utils.CommonUtils;

/** Magnitudes of real blocks. Holds a work array: one per thread. */
public final class Fft {
  static {
    // Blocks are spread over the cores, not the halves of a transform.
    CommonUtils.setThreadsBeginN_1D_FFT_2Threads(Long.MAX_VALUE);
    CommonUtils.setThreadsBeginN_1D_FFT_4Threads(Long.MAX_VALUE);
  }

  private final int size;
  private final FloatFFT_1D fft;
  private final float[] work;
  private final float[] window;

  /**
   * Prepares a transform.
   *
   * @param size FFT size, even
   * @param windowSize samples taken from the signal, at most {@code size}; the rest is zeros. A
   *     periodic Hann window scaled so that a full-scale sine between bins reads about 1
   */
  public Fft(int size, int windowSize) {
    this(size, ofUnitGain(hann(Math.max(0, windowSize))));
  }

  /**
   * Prepares a transform with a window of one's own.
   *
   * @param window weights of as many samples as are taken, at most {@code size}; used as it is
   */
  public Fft(int size, float[] window) {
    if (window.length < 1 || window.length > size || size % 2 != 0) {
      throw new IllegalArgumentException(
          "need 1 <= window <= even size (was: " + window.length + ", " + size + ")");
    }
    this.size = size;
    this.fft = new FloatFFT_1D(size);
    this.work = new float[size];
    this.window = window.clone();
  }

  /** Scales a window so that a full-scale sine between bins reads about 1. */
  static float[] ofUnitGain(float[] window) {
    double sum = 0;
    for (float w : window) {
      sum += w;
    }
    for (int i = 0; i < window.length; i++) {
      window[i] *= (float) (2 / sum);
    }
    return window;
  }

  /** Number of magnitudes, size / 2 + 1; bin k is at k * rate / size hertz. */
  public int bins() {
    return size / 2 + 1;
  }

  /**
   * Magnitudes of the block centred on a sample; samples outside the signal count as zero.
   *
   * @param out at least {@link #bins()} long; written
   */
  public void magnitudes(float[] signal, int centre, float[] out) {
    int start = centre - window.length / 2;
    int from = Math.max(0, Math.min(window.length, -start));
    int to = Math.max(from, Math.min(window.length, signal.length - start));
    Arrays.fill(work, 0, from, 0);
    for (int i = from; i < to; i++) {
      work[i] = signal[start + i] * window[i];
    }
    Arrays.fill(work, to, size, 0);
    fft.realForward(work);
    out[0] = Math.abs(work[0]);
    out[size / 2] = Math.abs(work[1]);
    for (int k = 1; k < size / 2; k++) {
      float re = work[2 * k];
      float im = work[2 * k + 1];
      out[k] = (float) Math.sqrt(re * re + im * im);
    }
  }

  /** Periodic Hann window (Harris 1978). */
  public static float[] hann(int n) {
    float[] w = new float[n];
    for (int i = 0; i < n; i++) {
      w[i] = (float) (0.5 - 0.5 * Math.cos(2 * Math.PI * i / n));
    }
    return w;
  }
}
