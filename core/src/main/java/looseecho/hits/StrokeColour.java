package looseecho.hits;

import java.util.List;
import looseecho.network.Convolution;
import looseecho.network.Weights.Tensor;
import looseecho.reading.Together;

/** The spectrum of a stroke in decibels by half semitones, to be held against another's. */
final class StrokeColour {
  private static final int PER_SEMITONE = 2;
  private static final int MOST = 12 * PER_SEMITONE; // an octave either way
  private static final double LOW_HZ = 150;
  private static final double HIGH_HZ = 14000;
  private static final double DEEPEST = 40; // dB below the top: what is deeper others mask
  private static final double LEAST = 1e-12;
  private static final int AT_ONCE = 512; // strokes whose products are summed together

  private final double[] decibels;
  private final double[] sums; // of the values before each, from their mean
  private final double[] squares;

  /**
   * How a stroke is best had from another.
   *
   * @param semitones that the other has to be moved up
   * @param agrees their correlation then
   * @param unmoved their correlation as they are
   */
  record Move(double semitones, double agrees, double unmoved) {}

  private StrokeColour(double[] decibels) {
    int n = decibels.length;
    double mean = java.util.Arrays.stream(decibels).average().orElse(0);
    this.decibels = decibels;
    this.sums = new double[n + 1];
    this.squares = new double[n + 1];
    for (int k = 0; k < n; k++) {
      decibels[k] -= mean; // small numbers keep their digits in sums of squares
      sums[k + 1] = sums[k] + decibels[k];
      squares[k + 1] = squares[k] + decibels[k] * decibels[k];
    }
  }

  /** Of both sides together, each step read between the bins that it lies between. */
  static StrokeColour of(StruckSpectrum.Sides s) {
    int count = (int) (12 * PER_SEMITONE * Math.log(HIGH_HZ / LOW_HZ) / Math.log(2));
    double[] out = new double[count];
    double top = Double.NEGATIVE_INFINITY;
    for (int k = 0; k < count; k++) {
      double bin = LOW_HZ * Math.pow(2, k / (12.0 * PER_SEMITONE)) / s.binHz();
      int low = (int) bin;
      double power = LEAST;
      if (low + 1 < s.left().length) {
        double a = s.left()[low] + s.right()[low];
        double b = s.left()[low + 1] + s.right()[low + 1];
        power += a + (bin - low) * (b - a);
      }
      out[k] = 10 * Math.log10(power);
      top = Math.max(top, out[k]);
    }
    for (int k = 0; k < count; k++) {
      out[k] = Math.max(out[k], top - DEEPEST);
    }
    return new StrokeColour(out);
  }

  /** How each of some strokes is best had from a model. */
  static List<Move> moves(List<StrokeColour> strokes, StrokeColour model) {
    int size = model.decibels.length;
    double[][] moved = new double[2 * MOST + 1][size];
    for (int m = 0; m < moved.length; m++) {
      for (int k = Math.max(0, m - MOST); k < Math.min(size, size + m - MOST); k++) {
        moved[m][k] = model.decibels[k - m + MOST];
      }
    }
    float[][] products = products(strokes, moved);
    Move[] out = new Move[strokes.size()];
    Together.each(
        out.length,
        s -> {
          int best = 0;
          double[] agrees = new double[moved.length];
          for (int m = 0; m < moved.length; m++) {
            agrees[m] = model.agreement(strokes.get(s), m - MOST, products[m][s]);
            best = agrees[m] > agrees[best] ? m : best;
          }
          out[s] = new Move((double) (best - MOST) / PER_SEMITONE, agrees[best], agrees[MOST]);
        });
    return List.of(out);
  }

  /** Correlations of strokes with models, all as they are: [model][stroke]. */
  static double[][] agreements(List<StrokeColour> strokes, List<StrokeColour> models) {
    float[][] products =
        products(strokes, models.stream().map(m -> m.decibels).toArray(double[][]::new));
    double[][] out = new double[models.size()][strokes.size()];
    Together.each(
        out.length,
        m -> {
          for (int s = 0; s < out[m].length; s++) {
            out[m][s] = models.get(m).agreement(strokes.get(s), 0, products[m][s]);
          }
        });
    return out;
  }

  /**
   * Sums of products of every pattern and every stroke, [pattern][stroke]: a layer of a network, so
   * to speak.
   */
  private static float[][] products(List<StrokeColour> strokes, double[][] patterns) {
    int size = patterns[0].length;
    float[] weights = new float[size * patterns.length];
    for (int k = 0; k < size; k++) {
      for (int m = 0; m < patterns.length; m++) {
        weights[k * patterns.length + m] = (float) patterns[m][k];
      }
    }
    Tensor kernel = new Tensor(new int[] {1, 1, size, patterns.length}, weights);
    Tensor none = new Tensor(new int[] {patterns.length}, new float[patterns.length]);
    float[][] out = new float[patterns.length][strokes.size()];
    Together.each(
        (strokes.size() + AT_ONCE - 1) / AT_ONCE,
        c -> {
          int from = c * AT_ONCE;
          int count = Math.min(AT_ONCE, strokes.size() - from);
          float[][] planes = new float[size][count];
          for (int s = 0; s < count; s++) {
            double[] decibels = strokes.get(from + s).decibels;
            for (int k = 0; k < size; k++) {
              planes[k][s] = (float) decibels[k];
            }
          }
          float[][] part = Convolution.apply(planes, 1, kernel, none, 1, false);
          for (int m = 0; m < part.length; m++) {
            System.arraycopy(part[m], 0, out[m], from, count);
          }
        });
    return out;
  }

  /** Correlation with another, that one moved down by so many half semitones, -1 to 1. */
  private double agreement(StrokeColour other, int moved, double products) {
    int from = Math.max(0, -moved);
    int to = Math.min(decibels.length, other.decibels.length - moved);
    double mine = sums[to] - sums[from];
    double its = other.sums[to + moved] - other.sums[from + moved];
    int n = to - from;
    double own = squares[to] - squares[from] - mine * mine / n;
    double others = other.squares[to + moved] - other.squares[from + moved] - its * its / n;
    return (products - mine * its / n) / Math.sqrt(Math.max(LEAST, own) * Math.max(LEAST, others));
  }
}
