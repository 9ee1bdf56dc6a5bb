package looseecho.dsp;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Twelve pitch-class strengths per frame from spectral peaks, with the tuning measured first.
 *
 * <p>Source: pitch class profiles of spectral peaks after Gomez, "Tonal description of polyphonic
 * audio for music content processing", INFORMS Journal on Computing 2006; tuning as the circular
 * mean of peak deviations. Departures: square-root compression; a peak must stand out over its
 * neighbourhood's mean, which keeps drums out.
 */
public final class Chroma {
  private static final double FAINT = 0.02; // strength of a frame below which nothing is sung
  private static final double STRONG = 0.25; // of the strongest pitch class
  private static final double EVEN = 0.965; // normalised entropy; 1 for noise, .76 to .93 for songs
  private static final double LOW_HZ = 65;
  private static final double HIGH_HZ = 2100;
  private static final double STAND_OUT = 2.2;
  private static final double LOWEST_TUNED_HZ = 200;
  private static final int TUNING_CENTS = 20; // either side of the most common deviation
  private static final double STEADY = 0.004; // 7 cents

  /** Of a sound of which nothing is known. */
  public static final Chroma NONE = new Chroma(new float[0][], new float[0][], 0, 1);

  private final float[][] frames;
  private final float[][] bass;
  private final double tuningCents;
  private final double hopSeconds;

  private Chroma(float[][] frames, float[][] bass, double tuningCents, double hopSeconds) {
    this.frames = frames;
    this.bass = bass;
    this.tuningCents = tuningCents;
    this.hopSeconds = hopSeconds;
  }

  /** Measures tuning and chroma of a whole sound. */
  public static Chroma of(ToneSpectra spectra) {
    Builder all = new Builder(spectra.hopSeconds());
    all.add(spectra);
    return all.done();
  }

  /** Takes spectra block by block and keeps their peaks alone. */
  public static final class Builder {
    private final List<float[]> peaks = new ArrayList<>();
    private final double hopSeconds;

    public Builder(double hopSeconds) {
      this.hopSeconds = hopSeconds;
    }

    /** Adds the frames that follow. */
    public void add(ToneSpectra spectra) {
      for (int n = 0; n < spectra.frames(); n++) {
        peaks.add(peaks(spectra, n));
      }
    }

    /** Tuning and chroma of all frames. */
    public Chroma done() {
      return of(peaks.toArray(new float[0][]), hopSeconds);
    }
  }

  private static Chroma of(float[][] peaks, double hopSeconds) {
    double tuning = tuning(peaks);
    float[][] high = new float[peaks.length][12];
    float[][] low = new float[peaks.length][12];
    for (int n = 0; n < peaks.length; n++) {
      for (int k = 0; k < peaks[n].length; k += 2) {
        double p = midi(peaks[n][k]) - tuning;
        int nearest = (int) Math.round(p);
        double closeness =
            Math.cos(Math.PI * (p - nearest)); // 1 on the note, 0 half-way to the next
        float w = (float) (Math.sqrt(peaks[n][k + 1]) * closeness * closeness);
        (peaks[n][k] < 260 ? low : high)[n][Math.floorMod(nearest, 12)] += w;
      }
    }
    return new Chroma(high, low, 100 * tuning, hopSeconds);
  }

  /**
   * Deviation of the notes from 440 Hz in semitones. Only peaks that stay for three frames count,
   * so that neither drums nor slides do; of their deviations the most common one is taken, and the
   * circular mean about it.
   */
  private static double tuning(float[][] peaks) {
    double[] histogram = new double[100];
    for (int n = 1; n + 1 < peaks.length; n++) {
      for (int k = 0; k < peaks[n].length; k += 2) {
        float hz = peaks[n][k];
        if (hz > LOWEST_TUNED_HZ && stays(peaks[n - 1], hz) && stays(peaks[n + 1], hz)) {
          histogram[cents(hz)] += peaks[n][k + 1];
        }
      }
    }
    int best = 0;
    double most = 0;
    for (int c = 0; c < histogram.length; c++) {
      double near = 0;
      for (int d = -TUNING_CENTS; d <= TUNING_CENTS; d++) {
        near += histogram[Math.floorMod(c + d, 100)] * (1 + Math.cos(Math.PI * d / TUNING_CENTS));
      }
      if (near > most) {
        most = near;
        best = c;
      }
    }
    double re = 0;
    double im = 0;
    for (int d = -TUNING_CENTS; d <= TUNING_CENTS; d++) {
      int c = Math.floorMod(best + d, 100);
      double phase = 2 * Math.PI * (c + 0.5) / 100;
      re += histogram[c] * Math.cos(phase);
      im += histogram[c] * Math.sin(phase);
    }
    return re == 0 && im == 0 ? 0 : Math.atan2(im, re) / (2 * Math.PI);
  }

  private static int cents(float hz) {
    double m = midi(hz);
    return Math.min(99, (int) (100 * (m - Math.floor(m))));
  }

  private static boolean stays(float[] frame, float hz) {
    for (int k = 0; k < frame.length; k += 2) {
      if (Math.abs(frame[k] / hz - 1) < STEADY) {
        return true;
      }
    }
    return false;
  }

  /** {hertz, magnitude, hertz, magnitude, ...} of the frame's outstanding peaks. */
  private static float[] peaks(ToneSpectra s, int n) {
    float[] out = new float[512];
    int count = 0;
    int first = (int) (LOW_HZ / s.binHz());
    int last = Math.min(s.bins() - 2, (int) (HIGH_HZ / s.binHz()));
    for (int k = Math.max(2, first); k < last && count < 510; k++) {
      float m = s.at(n, k);
      if (m > 1e-5
          && m > s.at(n, k - 1)
          && m >= s.at(n, k + 1)
          && m > STAND_OUT * around(s, n, k)) {
        double l = Math.log(s.at(n, k - 1) + 1e-9);
        double c = Math.log(m + 1e-9);
        double r = Math.log(s.at(n, k + 1) + 1e-9);
        double shift = 0.5 * (l - r) / (l - 2 * c + r);
        out[count++] = (float) ((k + (Double.isFinite(shift) ? shift : 0)) * s.binHz());
        out[count++] = m;
      }
    }
    return Arrays.copyOf(out, count);
  }

  private static float around(ToneSpectra s, int n, int k) {
    int reach = Math.max(6, k / 12);
    float sum = 0;
    int count = 0;
    for (int j = Math.max(0, k - reach); j <= Math.min(s.bins() - 1, k + reach); j++, count++) {
      sum += s.at(n, j);
    }
    return sum / count;
  }

  private static double midi(double hz) {
    return 69 + 12 * Math.log(hz / 440) / Math.log(2);
  }

  /** How far the recording lies above 440 Hz tuning, in cents, -50..50. */
  public double tuningCents() {
    return tuningCents;
  }

  /**
   * True when a few pitch classes stand out over the others for long enough to speak of a key:
   * noise, speech and slides spread over all twelve, drums have hardly any, a lone tone has one.
   */
  public boolean isTonal(double from, double to) {
    double[] all = sum(from, to);
    double[] tones = new double[12];
    double sum = 0;
    double most = 0;
    for (int c = 0; c < 12; c++) {
      tones[c] = all[c] + 0.5 * all[12 + c];
      sum += tones[c];
      most = Math.max(most, tones[c]);
    }
    if (sum <= FAINT * (to - from) / hopSeconds) {
      return false;
    }
    double evenness = 0;
    int strong = 0;
    for (double t : tones) {
      evenness -= t > 0 ? t / sum * Math.log(t / sum) / Math.log(12) : 0;
      strong += t > STRONG * most ? 1 : 0;
    }
    return evenness < EVEN && strong >= 3;
  }

  /** How many frames a span of time has. */
  public double framesIn(double from, double to) {
    return (to - from) / hopSeconds;
  }

  /**
   * Sum over a span of time of the chroma above (first twelve, C first) and below 260 Hz (next
   * twelve).
   */
  public double[] sum(double from, double to) {
    double[] out = new double[24];
    int a = Math.max(0, (int) Math.round(from / hopSeconds));
    int b = Math.min(frames.length, Math.max(a + 1, (int) Math.round(to / hopSeconds)));
    for (int n = a; n < b; n++) {
      for (int c = 0; c < 12; c++) {
        out[c] += frames[n][c];
        out[12 + c] += bass[n][c];
      }
    }
    return out;
  }
}
