package looseecho.layers;

import java.util.Arrays;
import looseecho.audio.Audio;
import looseecho.dsp.Fft;

/**
 * A look at two seconds of the bands above 4 kHz: how low they fall between the strokes, and in how
 * many of them what is left stands still and has an even spectrum.
 *
 * @param first its first frame
 * @param power [band][frame], of both sides
 * @param floor power of each band in its quietest quarter
 * @param still in how many bands it stands still
 * @param whole mean power of all
 */
record StillLook(int first, double[][] power, double[] floor, int still, double whole) {
  /** Hertz. */
  private static final double[] EDGES = {4000, 6000, 8000, 11_000, 15_000};

  static final int BANDS = EDGES.length - 1;
  static final int SURE = 3; // bands that must agree
  private static final double WINDOW = 0.0232; // seconds
  private static final double SECONDS = 2;
  private static final double STILL_DB = 1.35; // from the 5th to the 20th hundredth of the frames
  private static final double EVEN = 0.6; // geometric against arithmetic mean over the bins
  private static final double LEVEL_DB = 1.5;

  /** Samples of a frame; the next one begins at its middle. */
  static int window(Audio audio) {
    return Integer.highestOneBit((int) (WINDOW * audio.sampleRate()) + 8);
  }

  /** Frames of a look. */
  static int frames(Audio audio) {
    return (int) (SECONDS * audio.sampleRate()) / (window(audio) / 2);
  }

  /** The look with a number, from 0. */
  static StillLook of(Audio audio, int index) {
    int window = window(audio);
    Fft fft = new Fft(window, window);
    double[][] spectra = new double[frames(audio)][];
    double whole = 0;
    for (int n = 0; n < spectra.length; n++) {
      spectra[n] = spectrum(audio, fft, (index * spectra.length + n) * (window / 2), window);
      whole += Arrays.stream(spectra[n]).sum() / spectra.length;
    }
    double[][] power = new double[BANDS][];
    double[] floor = new double[BANDS];
    int still = 0;
    for (int b = 0; b < BANDS; b++) {
      int from = bin(audio, window, EDGES[b]);
      int to = Math.max(from + 1, bin(audio, window, EDGES[b + 1]));
      power[b] = Arrays.stream(spectra).mapToDouble(s -> sum(s, from, to)).toArray();
      double[] sorted = power[b].clone();
      Arrays.sort(sorted);
      double[] quiet = quiet(spectra, power[b], sorted[sorted.length / 4], from, to);
      floor[b] = Arrays.stream(quiet).sum();
      double spread = decibels(sorted[sorted.length / 5], sorted[sorted.length / 20]);
      still += spread < STILL_DB && evenness(quiet) > EVEN ? 1 : 0;
    }
    return new StillLook(index * spectra.length, power, floor, still, whole);
  }

  /** Mean level of its floors. */
  double decibels() {
    return Arrays.stream(floor).map(f -> decibels(f, 1)).average().orElse(0);
  }

  /** True where most of its bands fall to a level, and no further. */
  boolean isAt(double[] level) {
    int same = 0;
    for (int b = 0; b < BANDS; b++) {
      same += Math.abs(decibels(floor[b], level[b])) < LEVEL_DB ? 1 : 0;
    }
    return same >= SURE;
  }

  private static int bin(Audio audio, int window, double hz) {
    return (int) Math.min(window / 2.0, Math.ceil(hz * window / audio.sampleRate()));
  }

  /** Power of both sides in every bin. */
  private static double[] spectrum(Audio audio, Fft fft, int start, int window) {
    float[] x = new float[window];
    float[] magnitudes = new float[fft.bins()];
    double[] out = new double[fft.bins()];
    for (int side = 0; side < 2; side++) {
      for (int i = 0; i < window; i++) {
        x[i] = side == 0 ? audio.left(start + i) : audio.right(start + i);
      }
      fft.magnitudes(x, window / 2, magnitudes);
      for (int k = 0; k < out.length; k++) {
        out[k] += magnitudes[k] * magnitudes[k];
      }
    }
    return out;
  }

  private static double sum(double[] power, int from, int to) {
    double sum = 0;
    for (int k = from; k < to; k++) {
      sum += power[k];
    }
    return sum;
  }

  /** Mean spectrum of the frames in which a band is at most so loud. */
  private static double[] quiet(double[][] spectra, double[] power, double most, int from, int to) {
    double[] mean = new double[to - from];
    int used = 0;
    for (int n = 0; n < power.length; n++) {
      if (power[n] <= most) {
        used++;
        for (int k = from; k < to; k++) {
          mean[k - from] += spectra[n][k];
        }
      }
    }
    int frames = used;
    return Arrays.stream(mean).map(m -> m / frames).toArray();
  }

  /** Geometric against arithmetic mean: near 1 for noise, next to 0 for partials. */
  private static double evenness(double[] power) {
    double logs = Arrays.stream(power).map(p -> Math.log(p + 1e-15)).average().orElse(0);
    return Math.exp(logs) / (Arrays.stream(power).average().orElse(0) + 1e-15);
  }

  static double decibels(double power, double against) {
    return 10 * Math.log10((power + 1e-15) / (against + 1e-15));
  }
}
