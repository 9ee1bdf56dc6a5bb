package looseecho.audio;

/**
 * Changes the sampling rate of one channel by band-limited interpolation with a Kaiser-windowed
 * sinc.
 *
 * <p>Source: J. O. Smith, "Digital Audio Resampling", CCRMA 1984 and later. The pass band ends at
 * 0.92 of the lower of both Nyquist rates, the window's beta of 9 keeps images below about -90 dB.
 * Stateless and thread-safe.
 */
public final class Resampler {
  private static final int ZERO_CROSSINGS = 24;
  private static final int BLOCK_SECONDS = 60;
  private static final int FEW = 32; // points of one fraction, below which rows are simply summed
  private static final double BETA = 9.0;
  private static final double PASS = 0.92;
  private static final int TABLE_PER_CROSSING = 512;
  private static final double[] TABLE = table();

  /** Both channels at the new rate; the same object when nothing changes. */
  public Audio resample(Audio in, int rate) {
    if (in.sampleRate() == rate) {
      return in;
    }
    SampleSink sink = SampleSink.at(rate);
    float[] pair = new float[2];
    // In blocks of whole seconds with margins, so that a long sound is not held as a whole.
    for (int block = 0; (long) block * BLOCK_SECONDS * in.sampleRate() < in.length(); block++) {
      int start = Math.max(0, block * BLOCK_SECONDS - 1);
      int from = start * in.sampleRate();
      long end = ((long) (block + 1) * BLOCK_SECONDS + 1) * in.sampleRate();
      Audio part = in.slice(from, (int) Math.min(in.length(), end));
      float[] l = resample(part.channel(0), in.sampleRate(), rate);
      float[] r = resample(part.channel(1), in.sampleRate(), rate);
      int skip = (block * BLOCK_SECONDS - start) * rate;
      int last = end >= in.length() ? l.length : skip + BLOCK_SECONDS * rate;
      for (int i = skip; i < last; i++) {
        pair[0] = l[i];
        pair[1] = r[i];
        sink.add(pair, 2);
      }
    }
    return sink.audio(0, sink.length());
  }

  /**
   * One channel at the new rate.
   *
   * @param in samples at {@code from} hertz
   * @return ceil(length * to / from) samples; sample 0 stays at time 0
   */
  public float[] resample(float[] in, int from, int to) {
    if (from == to) {
      return in.clone();
    }
    double ratio = (double) to / from;
    double cut = PASS * Math.min(1, ratio);
    float[] out = new float[(int) Math.ceil(in.length * ratio)];
    double reach = ZERO_CROSSINGS / cut;
    // With whole-number rates the fractions between samples repeat: one row of weights per
    // fraction.
    int common = gcd(from, to);
    int phases = Math.min(to / common, out.length);
    int half = (int) Math.ceil(reach);
    float[][] rows = new float[phases][];
    int[] places = new int[phases];
    for (int p = 0; p < phases; p++) {
      places[p] = (int) ((long) p * from / to);
      rows[p] = row(p / ratio - places[p], cut, half);
    }
    if (out.length / phases >= FEW) {
      PhaseSums.apply(in, from / common, half, rows, places, out);
      return out;
    }
    for (int n = 0; n < out.length; n++) {
      float[] row = rows[n % phases];
      int first = (int) ((long) n * from / to - half + 1);
      int skip = Math.max(0, -first);
      int end = Math.min(row.length, in.length - first);
      out[n] = product(in, first, row, skip, end);
    }
    return out;
  }

  /** Sum of products, in four sums that do not wait for each other. */
  private static float product(float[] in, int first, float[] row, int from, int to) {
    float a = 0;
    float b = 0;
    float c = 0;
    float d = 0;
    int k = from;
    for (; k + 3 < to; k += 4) {
      int at = first + k;
      a += in[at] * row[k];
      b += in[at + 1] * row[k + 1];
      c += in[at + 2] * row[k + 2];
      d += in[at + 3] * row[k + 3];
    }
    for (; k < to; k++) {
      a += in[first + k] * row[k];
    }
    return a + b + (c + d);
  }

  private static int gcd(int a, int b) {
    return b == 0 ? a : gcd(b, a % b);
  }

  /**
   * Weights of the samples from -half + 1 to half around a point {@code fraction} of a sample
   * behind sample 0.
   */
  private static float[] row(double fraction, double cut, int half) {
    float[] row = new float[2 * half];
    for (int k = 0; k < row.length; k++) {
      double x =
          Math.min(TABLE.length - 2, Math.abs(k - half + 1 - fraction) * cut * TABLE_PER_CROSSING);
      int i = (int) x;
      row[k] = (float) (cut * (TABLE[i] + (x - i) * (TABLE[i + 1] - TABLE[i])));
    }
    return row;
  }

  private static double[] table() {
    double[] t = new double[ZERO_CROSSINGS * TABLE_PER_CROSSING + 2];
    double norm = bessel(BETA);
    for (int i = 0; i < t.length; i++) {
      double x = (double) i / TABLE_PER_CROSSING;
      double edge = x / ZERO_CROSSINGS;
      double window = edge >= 1 ? 0 : bessel(BETA * Math.sqrt(1 - edge * edge)) / norm;
      t[i] = window * (i == 0 ? 1 : Math.sin(Math.PI * x) / (Math.PI * x));
    }
    return t;
  }

  /** Modified Bessel function of the first kind, order 0, by its power series. */
  private static double bessel(double x) {
    double sum = 1;
    double term = 1;
    for (int k = 1; term > 1e-12 * sum; k++) {
      term *= x / (2 * k) * (x / (2 * k));
      sum += term;
    }
    return sum;
  }
}
