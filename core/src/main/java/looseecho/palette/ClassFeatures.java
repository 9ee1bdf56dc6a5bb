package looseecho.palette;

import looseecho.dsp.Fft;

/**
 * What the classifier of one-shots sees, kept alike with {@code training/sound_features.py}: the
 * spectrum at nine moments in 30 bands, the loudness of the first 60 ms in slices, and how flat the
 * spectrum is in four ranges.
 */
final class ClassFeatures {
  static final int RATE = 44100;
  private static final int WINDOW = 2048;
  private static final int SIZE = 4096;
  private static final int BANDS = 30;
  private static final double[] MOMENTS = {0.02, 0.045, 0.08, 0.12, 0.18, 0.27, 0.41, 0.62, 0.95};
  private static final int[][] RANGES = {{8, 40}, {40, 160}, {160, 640}, {640, 1600}};
  private static final int[] FLAT_AT = {1, 3, 5};
  private static final int SLICE = 110;
  private static final int SLICES = 24;
  private static final float[] HANN = Fft.hann(WINDOW);

  private ClassFeatures() {}

  /** The sample at which a sound begins: where it first passes a twentieth of its peak. */
  static int attack(float[] x) {
    float peak = 0;
    for (float v : x) {
      peak = Math.max(peak, Math.abs(v));
    }
    int at = 0;
    while (at < x.length - 1 && Math.abs(x[at]) <= peak / 20) {
      at++;
    }
    return Math.max(0, at - 8);
  }

  private static int edge(int band) {
    double hz = 35 * Math.pow(18000.0 / 35, (double) band / BANDS);
    return (int) Math.rint(hz / ((double) RATE / SIZE));
  }

  /** Features of a mono one-shot at 44.1 kHz. */
  static float[] of(float[] sound) {
    int start = attack(sound);
    Fft fft = new Fft(SIZE, HANN);
    float[] magnitudes = new float[fft.bins()];
    double[][] picture = new double[MOMENTS.length][BANDS];
    double[][] flat = new double[MOMENTS.length][RANGES.length];
    double top = -1e9;
    for (int m = 0; m < MOMENTS.length; m++) {
      fft.magnitudes(from(sound, start), (int) Math.rint(MOMENTS[m] * RATE), magnitudes);
      for (int b = 0; b < BANDS; b++) {
        int low = edge(b);
        picture[m][b] =
            10 * Math.log10(mean(magnitudes, low, Math.max(edge(b + 1), low + 1)) + 1e-12);
        top = Math.max(top, picture[m][b]);
      }
      for (int r = 0; r < RANGES.length; r++) {
        flat[m][r] = flatness(magnitudes, RANGES[r][0], RANGES[r][1]);
      }
    }
    float[] out = new float[BANDS * MOMENTS.length + SLICES + FLAT_AT.length * RANGES.length];
    int at = 0;
    for (double[] row : picture) {
      for (double v : row) {
        out[at++] = (float) (Math.max(v - top, -60) / 30 + 1);
      }
    }
    at = loudness(sound, start, out, at);
    for (int m : FLAT_AT) {
      for (double v : flat[m]) {
        out[at++] = (float) (v / 3 + 1);
      }
    }
    return out;
  }

  private static float[] from(float[] x, int start) {
    return start == 0 ? x : java.util.Arrays.copyOfRange(x, start, x.length);
  }

  private static double mean(float[] m, int from, int to) {
    double sum = 0;
    for (int k = from; k < to; k++) {
      sum += (double) m[k] * m[k];
    }
    return sum / (to - from);
  }

  private static double flatness(float[] m, int from, int to) {
    double logs = 0;
    double sum = 0;
    for (int k = from; k < to; k++) {
      double p = (double) m[k] * m[k] + 1e-9;
      logs += Math.log(p);
      sum += p;
    }
    return logs / (to - from) - Math.log(sum / (to - from));
  }

  private static int loudness(float[] x, int start, float[] out, int at) {
    double[] db = new double[SLICES];
    double top = -1e9;
    for (int s = 0; s < SLICES; s++) {
      double sum = 0;
      for (int i = start + s * SLICE; i < start + (s + 1) * SLICE && i < x.length; i++) {
        sum += (double) x[i] * x[i];
      }
      db[s] = 10 * Math.log10(sum + 1e-12);
      top = Math.max(top, db[s]);
    }
    for (double v : db) {
      out[at++] = (float) (Math.max(v - top, -40) / 20 + 1);
    }
    return at;
  }
}
