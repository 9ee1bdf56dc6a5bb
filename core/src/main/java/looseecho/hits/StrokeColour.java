package looseecho.hits;

/** The spectrum of a stroke in decibels by half semitones, to be held against another's. */
final class StrokeColour {
  private static final int PER_SEMITONE = 2;
  private static final int MOST = 12 * PER_SEMITONE; // an octave either way
  private static final double LOW_HZ = 150;
  private static final double HIGH_HZ = 14000;
  private static final double DEEPEST = 40; // dB below the top: what is deeper others mask
  private static final double LEAST = 1e-12;

  private final double[] decibels;
  private final double[] sums; // of the values before each, from their mean
  private final double[] squares;
  private volatile Compared last;

  /**
   * How a stroke is best had from another.
   *
   * @param semitones that the other has to be moved up
   * @param agrees their correlation then
   * @param unmoved their correlation as they are
   */
  record Move(double semitones, double agrees, double unmoved) {}

  private record Compared(StrokeColour model, Move move) {}

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

  /** How this is best had from another; kept for the one that was asked for last. */
  Move from(StrokeColour model) {
    Compared before = last;
    if (before == null || before.model() != model) {
      before = new Compared(model, compared(model));
      last = before;
    }
    return before.move();
  }

  private Move compared(StrokeColour model) {
    int best = 0;
    double most = Double.NEGATIVE_INFINITY;
    for (int d = -MOST; d <= MOST; d++) {
      double a = model.agreement(this, d);
      if (a > most) {
        most = a;
        best = d;
      }
    }
    return new Move((double) best / PER_SEMITONE, most, model.agreement(this, 0));
  }

  /** In four sums that do not wait for each other. */
  private double products(double[] its, int moved, int from, int to) {
    double a = 0;
    double b = 0;
    double c = 0;
    double d = 0;
    int k = from;
    for (; k + 3 < to; k += 4) {
      a += decibels[k] * its[k + moved];
      b += decibels[k + 1] * its[k + 1 + moved];
      c += decibels[k + 2] * its[k + 2 + moved];
      d += decibels[k + 3] * its[k + 3 + moved];
    }
    for (; k < to; k++) {
      a += decibels[k] * its[k + moved];
    }
    return a + b + (c + d);
  }

  /** Correlation with another, that one moved down by so many half semitones, -1 to 1. */
  double agreement(StrokeColour other, int moved) {
    int from = Math.max(0, -moved);
    int to = Math.min(decibels.length, other.decibels.length - moved);
    double products = products(other.decibels, moved, from, to);
    double mine = sums[to] - sums[from];
    double its = other.sums[to + moved] - other.sums[from + moved];
    int n = to - from;
    double own = squares[to] - squares[from] - mine * mine / n;
    double others = other.squares[to + moved] - other.squares[from + moved] - its * its / n;
    return (products - mine * its / n) / Math.sqrt(Math.max(LEAST, own) * Math.max(LEAST, others));
  }
}
