package looseecho.form;

import java.util.Arrays;
import looseecho.audio.Audio;
import looseecho.dsp.FrameFft;
import looseecho.dsp.ThirdOctaves;
import looseecho.pulse.Pulse;
import looseecho.reading.Together;

/** Powers of the middle and of the sides in third octaves over time. Immutable. */
public final class BandLevels {
  private static final int HOP = 4096;
  private static final int WINDOW = 8192;
  private static final int BANDS = ThirdOctaves.COUNT;

  private final float[][] power; // [frame][middle's bands, then the sides']
  private final double hopSeconds;

  private BandLevels(float[][] power, double hopSeconds) {
    this.power = power;
    this.hopSeconds = hopSeconds;
  }

  /** Measures a sound. */
  public static BandLevels of(Audio audio) {
    int frames = audio.length() / HOP + 1;
    float[][] out = new float[frames][2 * BANDS];
    double binHz = (double) audio.sampleRate() / WINDOW;
    int[] band = new int[WINDOW / 2 + 1];
    Arrays.setAll(band, k -> ThirdOctaves.band(k * binHz));
    int stretch = 256;
    Together.each(
        (frames + stretch - 1) / stretch,
        s -> {
          FrameFft fft = new FrameFft(WINDOW, WINDOW);
          for (int n = s * stretch;
              n < Math.min(frames, (s + 1) * stretch);
              n += FrameFft.AT_ONCE) {
            fill(audio, n, fft, band, out);
          }
        });
    return new BandLevels(out, (double) HOP / audio.sampleRate());
  }

  /** The frames from {@code first} on that are looked at together. */
  private static void fill(Audio audio, int first, FrameFft fft, int[] band, float[][] out) {
    int from = first * HOP - WINDOW / 2;
    float[] middle = audio.channel(0, from, (FrameFft.AT_ONCE - 1) * HOP + WINDOW);
    float[] side = audio.channel(1, from, middle.length);
    for (int i = 0; i < middle.length; i++) {
      float left = middle[i];
      middle[i] = (left + side[i]) / 2;
      side[i] = (left - side[i]) / 2;
    }
    for (int view = 0; view < 2; view++) {
      float[][] magnitudes = fft.magnitudes(view == 0 ? middle : side, WINDOW / 2, HOP);
      for (int k = 1; k < magnitudes.length; k++) {
        for (int n = 0; band[k] >= 0 && n < FrameFft.AT_ONCE; n++) {
          if (first + n < out.length) {
            out[first + n][view * BANDS + band[k]] += magnitudes[k][n] * magnitudes[k][n];
          }
        }
      }
    }
  }

  /** Mean powers over the whole: the middle's bands, then the sides'. */
  public double[] means() {
    double[] out = new double[2 * BANDS];
    for (float[] frame : power) {
      for (int b = 0; b < out.length; b++) {
        out[b] += frame[b] / power.length;
      }
    }
    return out;
  }

  /**
   * What sounds in every half beat.
   *
   * @param lowEdge third octave below which next to nothing sounds, counted in octaves
   * @param low decibels below 130 Hz
   * @param width share of the sides above 200 Hz, 0..1
   * @param level loudness in decibels
   * @param upper decibels above 800 Hz, where what is cut at the low end changes little
   * @param floor decibels of the quietest moment in each octave from 2 kHz up
   */
  record Course(
      double[] lowEdge,
      double[] low,
      double[] width,
      double[] level,
      double[] upper,
      double[][] floor) {}

  /** The course over a pulse's half beats, the first at its first beat. */
  Course over(Pulse pulse) {
    int n = 2 * (pulse.beats().size() - 1);
    Course c =
        new Course(
            new double[n],
            new double[n],
            new double[n],
            new double[n],
            new double[n],
            new double[HIGHS][n]);
    Together.each(
        n,
        k -> {
          int a = frame(pulse.timeAt(k / 2.0));
          half(a, Math.max(a + 1, frame(pulse.timeAt((k + 1) / 2.0))), c, k);
        });
    return c;
  }

  private int frame(double time) {
    return (int) Math.max(0, Math.min(power.length - 1, Math.round(time / hopSeconds)));
  }

  private static final int WIDE_FROM = ThirdOctaves.band(200);
  private static final int LOW_TO = ThirdOctaves.band(130) + 1;
  private static final int UPPER_FROM = ThirdOctaves.band(800);
  private static final int HIGH_FROM = ThirdOctaves.band(1600);
  private static final int HIGHS = 4; // octaves from there
  private static final double EDGE_DB = 22; // below the strongest band of the middle range

  private void half(int from, int to, Course c, int k) {
    double[] mean = new double[BANDS];
    double middle = 1e-12;
    double side = 0;
    double loud = 1e-10;
    double low = 1e-10;
    double upper = 1e-10;
    double[] least = new double[HIGHS];
    Arrays.fill(least, 1);
    for (int n = from; n < Math.min(power.length, to); n++) {
      double[] high = new double[HIGHS];
      for (int b = 0; b < BANDS; b++) {
        double m = power[n][b];
        double s = power[n][BANDS + b];
        mean[b] += m + s;
        loud += (m + s) * ThirdOctaves.loudness(ThirdOctaves.centre(b)) / (to - from);
        upper += b >= UPPER_FROM ? (m + s) / (to - from) : 0;
        low += b < LOW_TO ? (m + s) / (to - from) : 0;
        if (b >= WIDE_FROM) {
          middle += m;
          side += s;
        }
        if (b >= HIGH_FROM && b < HIGH_FROM + 3 * HIGHS) {
          high[(b - HIGH_FROM) / 3] += m + s;
        }
      }
      for (int o = 0; o < HIGHS; o++) {
        least[o] = Math.min(least[o], high[o]);
      }
    }
    c.lowEdge()[k] = lowEdge(mean);
    c.upper()[k] = 10 * Math.log10(upper);
    c.low()[k] = 10 * Math.log10(low);
    c.width()[k] = side / (middle + side);
    c.level()[k] = 10 * Math.log10(loud);
    for (int o = 0; o < HIGHS; o++) {
      c.floor()[o][k] = 10 * Math.log10(least[o] + 1e-9);
    }
  }

  private static double lowEdge(double[] mean) {
    double top = 0;
    for (int b = WIDE_FROM; b < BANDS; b++) {
      top = Math.max(top, mean[b]);
    }
    int b = 0;
    while (b < BANDS - 1 && mean[b] < top * Math.pow(10, -EDGE_DB / 10)) {
      b++;
    }
    return b / 3.0;
  }
}
