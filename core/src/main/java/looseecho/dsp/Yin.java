package looseecho.dsp;

import java.util.OptionalDouble;
import java.util.function.IntToDoubleFunction;

/**
 * Fundamental frequency of a short stretch of one voice.
 *
 * <p>Source: A. de Cheveigne and H. Kawahara, "YIN, a fundamental frequency estimator for speech
 * and music", JASA 111, 2002: steps 1 to 5 (difference function, cumulative mean normalisation,
 * absolute threshold, parabolic interpolation).
 */
public final class Yin {
  private static final double THRESHOLD = 0.15;
  private final int rate;
  private final int window;
  private final int longest;
  private final int shortest;

  /**
   * For pitches between two frequencies.
   *
   * @param window samples compared; at least a period of {@code lowHz}
   */
  public Yin(int rate, double lowHz, double highHz, int window) {
    this.rate = rate;
    this.window = window;
    this.longest = (int) Math.ceil(rate / lowHz) + 1;
    this.shortest = Math.max(2, (int) Math.floor(rate / highHz));
  }

  /** Hertz of the stretch centred on a sample; empty where it has no clear pitch. */
  public OptionalDouble hertz(float[] x, int centre) {
    int from = from(centre);
    return inside(x, from)
        ? pitch(lag -> difference(x, from, lag, window))
        : OptionalDouble.empty();
  }

  /**
   * Pitches of stretches that follow one another evenly. What two of them share is looked at once.
   *
   * @param centre of the first
   * @param hop samples from one to the next, of which the window is a multiple
   * @param count of stretches
   */
  public Course course(float[] x, int centre, int hop, int count) {
    if (hop < 1 || window % hop != 0) {
      throw new IllegalArgumentException(
          "need a window that is a multiple of the hop (was: " + window + ", " + hop + ")");
    }
    return new Course(x, from(centre), hop, count);
  }

  /** Holds sums: one thread. */
  public final class Course {
    private final float[] x;
    private final int from;
    private final int hop;
    private final float[][] sums; // [hop of the sound][lag], null until it is asked for

    private Course(float[] x, int from, int hop, int count) {
      this.x = x;
      this.from = from;
      this.hop = hop;
      this.sums = new float[count + window / hop - 1][];
    }

    /** Hertz of a stretch; empty where it has no clear pitch. */
    public OptionalDouble hertz(int stretch) {
      return inside(x, from + stretch * hop)
          ? pitch(lag -> difference(stretch, lag))
          : OptionalDouble.empty();
    }

    private double difference(int stretch, int lag) {
      double sum = 0;
      for (int k = stretch; k < stretch + window / hop; k++) {
        if (sums[k] == null) {
          sums[k] = differences(from + k * hop);
        }
        sum += sums[k][lag];
      }
      return sum;
    }

    /** Of a hop, at all lags side by side: the compiler makes vector code of it. */
    private float[] differences(int start) {
      float[] out = new float[longest + 1];
      for (int i = start; i < start + hop; i++) {
        float here = x[i];
        for (int lag = 0; lag < out.length; lag++) {
          float e = here - x[i + lag];
          out[lag] += e * e;
        }
      }
      return out;
    }
  }

  private int from(int centre) {
    return centre - (window + longest) / 2;
  }

  private boolean inside(float[] x, int from) {
    return from >= 0 && from + window + longest < x.length;
  }

  private OptionalDouble pitch(IntToDoubleFunction differences) {
    double sum = 0;
    double before = 1; // normalised difference two lags ago
    double at = 1;
    for (int lag = 1; lag <= longest; lag++) {
      double difference = differences.applyAsDouble(lag);
      sum += difference;
      double now = sum <= 0 ? 1 : difference * lag / sum;
      if (lag - 1 >= shortest && at < THRESHOLD && at <= before && at <= now) {
        double bend = before - 2 * at + now;
        double shift = bend > 0 ? 0.5 * (before - now) / bend : 0;
        return OptionalDouble.of(rate / (lag - 1 + shift));
      }
      before = at;
      at = now;
    }
    return OptionalDouble.empty();
  }

  /** The difference function at a lag, in four sums that do not wait for each other. */
  private static double difference(float[] x, int from, int lag, int window) {
    double a = 0;
    double b = 0;
    double c = 0;
    double d = 0;
    int end = from + window;
    int i = from;
    for (; i + 3 < end; i += 4) {
      double e = x[i] - x[i + lag];
      double f = x[i + 1] - x[i + 1 + lag];
      double g = x[i + 2] - x[i + 2 + lag];
      double h = x[i + 3] - x[i + 3 + lag];
      a += e * e;
      b += f * f;
      c += g * g;
      d += h * h;
    }
    for (; i < end; i++) {
      double e = x[i] - x[i + lag];
      a += e * e;
    }
    return a + b + (c + d);
  }
}
