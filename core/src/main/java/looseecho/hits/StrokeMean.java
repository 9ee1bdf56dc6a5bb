package looseecho.hits;

import java.util.Arrays;
import looseecho.dsp.Fft;
import looseecho.reading.Together;
import org.jtransforms.fft.FloatFFT_1D;

/**
 * What many strokes of one drum have in common, as a wave.
 *
 * <p>The strokes are laid over each other to the sample, and every moment and frequency of their
 * short-time spectra is averaged by itself, complex, with less weight for strokes that differ there
 * (iteratively reweighted least squares, Holland and Welsch, "Robust regression using iteratively
 * reweighted least squares", 1977). A bass that moves beside them falls on other frequencies, or on
 * other phases, each time and drops out; one that plays the same with every stroke stays in.
 */
public final class StrokeMean {
  /** Samples of a wave. */
  public static final int LENGTH = 6064; // 0.55 s

  /** Hertz of all of it. */
  public static final int RATE = 11025;

  private static final int WINDOW = 1024;
  private static final int HOP = WINDOW / 4;
  private static final int FRAMES = (LENGTH - 1) / HOP + 4; // that reach into the wave
  private static final int FIRST = HOP - WINDOW; // sample at which the first one begins
  private static final int SHIFT = 50; // samples that a stroke may lie aside: 4.5 ms
  private static final int ATTACK = RATE / 5; // by which strokes are laid over each other

  /** Samples that a stroke needs before its beginning, and in all. */
  static final int BEFORE = SHIFT - FIRST;

  static final int NEEDED = BEFORE + LENGTH + WINDOW + SHIFT;

  private static final double FULL_HZ = 300;
  private static final double NO_HZ = 400;
  private static final int BINS = (int) (NO_HZ * WINDOW / RATE) + 1;
  private static final int ROUNDS = 4;
  private static final int AGAIN = 6; // weighings
  private static final float LEAST = 0.03f; // of the mean difference: no stroke counts more
  private static final int ENOUGH = 3; // strokes that reach a moment
  private static final int FADE_IN = RATE / 200;
  private static final int FADE_OUT = RATE * 3 / 100;
  private static final float LOUDEST = 2; // times the usual stroke
  private static final int PIECE = RATE / 20;
  private static final int HELD = RATE * 36 / 100;
  private static final double LEFT = 0.12; // of the power, in the end
  private static final float[] HANN = Fft.hann(WINDOW);

  /**
   * A stroke as it is recorded.
   *
   * @param x {@link #NEEDED} samples, the stroke's beginning at {@link #BEFORE}
   * @param sounds samples until the next stroke cuts it off, at most {@link #LENGTH}
   */
  public record Recorded(float[] x, int sounds) {}

  /** How far from where it was expected a stroke begins, in samples, and how loud it is. */
  public record Fitted(int shift, float gain) {}

  private final float[] wave;

  private StrokeMean(float[] wave) {
    this.wave = wave;
  }

  /** The wave of a usual stroke, at {@link #RATE}, nothing above 400 Hz. */
  public float[] wave() {
    return wave.clone();
  }

  /** False where something is held in it, as a bass is that comes with every stroke. */
  public boolean diesAway() {
    double loudest = 0;
    for (int from = 0; from + PIECE <= LENGTH; from += PIECE) {
      loudest = Math.max(loudest, power(from, from + PIECE));
    }
    return power(HELD, HELD + PIECE) < LEFT * loudest;
  }

  private double power(int from, int to) {
    double sum = 0;
    for (int i = from; i < to; i++) {
      sum += wave[i] * wave[i] / (to - from);
    }
    return sum;
  }

  /** The wave of some strokes. */
  public static StrokeMean of(Recorded... strokes) {
    StrokeMean mean = new StrokeMean(usual(strokes));
    Fitted[] fits = new Fitted[strokes.length];
    for (int round = 0; round < ROUNDS; round++) {
      StrokeMean last = mean;
      Together.each(strokes.length, i -> fits[i] = last.fit(strokes[i]));
      float usual = usual(fits);
      if (usual <= 0) {
        break;
      }
      for (int i = 0; i < fits.length; i++) {
        float gain = Math.min(LOUDEST, fits[i].gain() / usual);
        fits[i] = new Fitted(fits[i].shift(), round == 0 ? 1 : gain);
      }
      mean = new StrokeMean(averaged(strokes, fits));
    }
    return mean;
  }

  /** Where a stroke lies and how loud it is, by the wave. */
  public Fitted fit(Recorded r) {
    int reach = Math.min(ATTACK, r.sounds());
    int best = 0;
    double most = Double.NEGATIVE_INFINITY;
    for (int shift = -SHIFT; shift <= SHIFT; shift++) {
      double sum = product(r.x(), BEFORE + shift, reach);
      if (sum > most) {
        most = sum;
        best = shift;
      }
    }
    double own = 1e-12;
    for (int i = 0; i < r.sounds(); i++) {
      own += wave[i] * wave[i];
    }
    double gain = product(r.x(), BEFORE + best, r.sounds()) / own;
    return new Fitted(best, (float) Math.max(0, gain));
  }

  private double product(float[] x, int from, int count) {
    float a = 0;
    float b = 0;
    for (int i = 0; i + 1 < count; i += 2) {
      a += wave[i] * x[from + i];
      b += wave[i + 1] * x[from + i + 1];
    }
    return a + b;
  }

  /** The stroke whose beginning is neither loud nor soft among them. */
  private static float[] usual(Recorded... strokes) {
    Recorded[] sorted = strokes.clone();
    Arrays.sort(sorted, java.util.Comparator.comparingDouble(StrokeMean::energy));
    Recorded middle = sorted[sorted.length / 2];
    float[] out = new float[LENGTH];
    System.arraycopy(middle.x(), BEFORE, out, 0, middle.sounds());
    return out;
  }

  private static double energy(Recorded r) {
    double sum = 0;
    for (int i = 0; i < Math.min(ATTACK, r.sounds()); i++) {
      sum += r.x()[BEFORE + i] * r.x()[BEFORE + i];
    }
    return sum;
  }

  private static float usual(Fitted... fits) {
    double[] gains = Arrays.stream(fits).mapToDouble(Fitted::gain).sorted().toArray();
    return (float) gains[gains.length / 2];
  }

  private static float[] averaged(Recorded[] strokes, Fitted... fits) {
    float[][] row = new float[FRAMES][];
    Together.each(FRAMES, f -> row[f] = frame(f, strokes, fits));
    float[] sum = new float[FRAMES * HOP + WINDOW];
    for (int f = 0; f < FRAMES; f++) {
      for (int i = 0; i < WINDOW; i++) {
        sum[f * HOP + i] += row[f][i] * HANN[i] / 1.5f; // squared windows at a quarter's distance
      }
    }
    float[] wave = Arrays.copyOfRange(sum, -FIRST, LENGTH - FIRST);
    for (int i = 0; i < FADE_OUT; i++) {
      wave[LENGTH - 1 - i] *= (float) i / FADE_OUT;
    }
    for (int i = 0; i < FADE_IN; i++) {
      wave[i] *= (float) i / FADE_IN;
    }
    return wave;
  }

  /** One frame of the wave. */
  private static float[] frame(int f, Recorded[] strokes, Fitted... fits) {
    int start = FIRST + f * HOP;
    float[][] spectra = new float[strokes.length][];
    float[] gains = new float[strokes.length];
    int count = 0;
    FloatFFT_1D fft = new FloatFFT_1D(WINDOW);
    for (int i = 0; i < strokes.length; i++) {
      int sounds = strokes[i].sounds();
      if (sounds >= LENGTH || start + WINDOW * 3 / 4 < sounds) {
        float[] x = new float[WINDOW];
        int from = BEFORE + fits[i].shift() + start;
        for (int k = 0; k < WINDOW; k++) {
          x[k] = strokes[i].x()[from + k] * HANN[k];
        }
        fft.realForward(x);
        spectra[count] = x;
        gains[count++] = fits[i].gain();
      }
    }
    float[] out = new float[WINDOW];
    for (int bin = 1; bin < BINS; bin++) {
      double hz = (double) bin * RATE / WINDOW;
      double open = Math.max(0, Math.min(1, (NO_HZ - hz) / (NO_HZ - FULL_HZ)));
      float[] cell = cell(spectra, gains, count, bin);
      out[2 * bin] = cell[0] * (float) open * Math.min(1, (float) count / ENOUGH);
      out[2 * bin + 1] = cell[1] * (float) open * Math.min(1, (float) count / ENOUGH);
    }
    fft.realInverse(out, true);
    return out;
  }

  /** Real and imaginary part that the strokes have in common. */
  private static float[] cell(float[][] spectra, float[] gains, int count, int bin) {
    float re = 0;
    float im = 0;
    float[] off = new float[count];
    Arrays.fill(off, 1);
    float even = 1;
    for (int round = 0; round <= AGAIN; round++) {
      float a = 0;
      float b = 0;
      float all = 1e-12f;
      for (int i = 0; i < count; i++) {
        float weight = gains[i] / (off[i] + LEAST * even + 1e-12f);
        a += weight * spectra[i][2 * bin];
        b += weight * spectra[i][2 * bin + 1];
        all += weight * gains[i];
      }
      re = a / all;
      im = b / all;
      even = 0;
      for (int i = 0; i < count; i++) {
        float dr = spectra[i][2 * bin] - gains[i] * re;
        float di = spectra[i][2 * bin + 1] - gains[i] * im;
        off[i] = dr * dr + di * di;
        even += off[i] / count;
      }
    }
    return new float[] {re, im};
  }
}
