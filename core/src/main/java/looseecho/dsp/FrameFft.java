package looseecho.dsp;

/**
 * Magnitudes of many blocks of a signal at once, as {@link Fft} gives them one by one.
 *
 * <p>The blocks lie beside each other, [point][block], and every step of the transform runs over
 * all of them, which the compiler turns into vector instructions: 1.7 times as fast as one by one.
 * Decimation in frequency by two (Gentleman and Sande, "Fast Fourier transforms: for fun and
 * profit", AFIPS 1966), real blocks as complex ones of half the length (Sorensen and others,
 * "Real-valued fast Fourier transform algorithms", IEEE Transactions on Acoustics, Speech and
 * Signal Processing 35, 1987). Holds work arrays: one per thread.
 */
public final class FrameFft {
  /** Blocks that are transformed together. */
  public static final int AT_ONCE = 64;

  private final int half;
  private final float[] window;
  private final float[][] re;
  private final float[][] im;
  private final float[][] magnitudes;
  private final float[] cos; // of the turns by 2 pi k / size
  private final float[] sin;
  private final float[][] pair = new float[4][AT_ONCE];

  /**
   * Prepares transforms.
   *
   * @param size of the transform, a power of two
   * @param windowSize samples taken of each block, at most {@code size}; the window of {@link Fft}
   */
  public FrameFft(int size, int windowSize) {
    if (windowSize < 1 || windowSize > size || size < 4 || Integer.bitCount(size) != 1) {
      throw new IllegalArgumentException(
          "need 1 <= window <= size, a power of two from 4 (was: "
              + windowSize
              + ", "
              + size
              + ")");
    }
    half = size / 2;
    window = Fft.ofUnitGain(Fft.hann(windowSize));
    re = new float[half][AT_ONCE];
    im = new float[half][AT_ONCE];
    magnitudes = new float[half + 1][AT_ONCE];
    cos = new float[half];
    sin = new float[half];
    for (int k = 0; k < half; k++) {
      cos[k] = (float) Math.cos(Math.PI * k / half);
      sin[k] = (float) Math.sin(Math.PI * k / half);
    }
  }

  /**
   * Magnitudes of the blocks centred on {@code centre}, {@code centre + hop} and so on; samples
   * outside the signal count as zero.
   *
   * @return [bin][block], {@code size / 2 + 1} bins of {@link #AT_ONCE} blocks; good until the next
   *     call
   */
  public float[][] magnitudes(float[] signal, int centre, int hop) {
    int start = centre - window.length / 2;
    int length = (AT_ONCE - 1) * hop + window.length;
    if (start < 0 || start + length > signal.length) {
      float[] padded = new float[length];
      int from = Math.max(0, start);
      int to = Math.min(signal.length, start + length);
      if (from < to) {
        System.arraycopy(signal, from, padded, from - start, to - from);
      }
      load(padded, 0, hop);
    } else {
      load(signal, start, hop);
    }
    split(0, half, (window.length + 1) / 2);
    untangle();
    return magnitudes;
  }

  /** Even samples as real parts, odd ones as imaginary parts. */
  private void load(float[] x, int start, int hop) {
    for (int i = 0; i < half; i++) {
      fill(re[i], x, start, hop, 2 * i);
      fill(im[i], x, start, hop, 2 * i + 1);
    }
  }

  private void fill(float[] row, float[] x, int start, int hop, int sample) {
    float weight = sample < window.length ? window[sample] : 0;
    for (int n = 0; n < AT_ONCE; n++) {
      row[n] = weight == 0 ? 0 : x[start + sample + n * hop];
    }
    for (int n = 0; n < AT_ONCE; n++) {
      row[n] *= weight;
    }
  }

  /**
   * Transforms the points {@code from} to before {@code from + count}; results lie in bit-reversed
   * order. Depth first, so that small parts stay in near memory.
   *
   * @param live points that are not zero
   */
  private void split(int from, int count, int live) {
    int h = count / 2;
    int step = 2 * half / count;
    for (int k = 0; k < Math.min(h, live); k++) {
      float[] ar = re[from + k];
      float[] ai = im[from + k];
      float[] br = re[from + h + k];
      float[] bi = im[from + h + k];
      both(ar, br, ar, br);
      both(ai, bi, ai, bi);
      if (k > 0) {
        turn(br, bi, cos[k * step], -sin[k * step]);
      }
    }
    if (h > 1) {
      split(from, h, Math.min(h, live));
      split(from + h, h, Math.min(h, live));
    }
  }

  /** Spectra of the real blocks, of which the complex ones held two points in one. */
  private void untangle() {
    int bits = Integer.numberOfTrailingZeros(half);
    for (int n = 0; n < AT_ONCE; n++) {
      magnitudes[0][n] = Math.abs(re[0][n] + im[0][n]);
      magnitudes[half][n] = Math.abs(re[0][n] - im[0][n]);
    }
    float[] a = pair[0];
    float[] b = pair[1];
    float[] c = pair[2];
    float[] d = pair[3];
    for (int k = 1; k <= half / 2; k++) {
      int p = Integer.reverse(k) >>> (Integer.SIZE - bits);
      int q = Integer.reverse(half - k) >>> (Integer.SIZE - bits);
      both(re[p], re[q], a, b); // twice the even samples' spectrum is (a, d), the odd ones' (c, -b)
      both(im[p], im[q], c, d);
      turn(c, b, cos[k], sin[k]); // conjugate: c + ib turned on instead of c - ib turned back
      both(a, c, a, c);
      both(d, b, b, d);
      length(a, d, magnitudes[k]);
      length(c, b, magnitudes[half - k]);
    }
  }

  private static void both(float[] a, float[] b, float[] sum, float[] difference) {
    for (int n = 0; n < AT_ONCE; n++) {
      float p = a[n];
      float q = b[n];
      sum[n] = p + q;
      difference[n] = p - q;
    }
  }

  /** Multiplies by cos + i sin in place. */
  private static void turn(float[] re, float[] im, float cos, float sin) {
    for (int n = 0; n < AT_ONCE; n++) {
      float p = re[n];
      float q = im[n];
      re[n] = cos * p - sin * q;
      im[n] = cos * q + sin * p;
    }
  }

  /** Half the length of a complex number. */
  private static void length(float[] re, float[] im, float[] out) {
    for (int n = 0; n < AT_ONCE; n++) {
      float p = re[n];
      float q = im[n];
      out[n] = (float) Math.sqrt(p * p + q * q);
    }
    for (int n = 0; n < AT_ONCE; n++) {
      out[n] *= 0.5f;
    }
  }
}
