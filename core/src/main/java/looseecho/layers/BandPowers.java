package looseecho.layers;

import java.util.List;
import looseecho.dsp.ThirdOctaves;

/** Powers in third octaves on the left, on the right, in the middle and at the sides. */
final class BandPowers {
  static final int LEFT = 0;
  static final int RIGHT = 1;
  static final int MIDDLE = 2;
  static final int SIDE = 3;
  static final int BANDS = ThirdOctaves.COUNT;

  private final double[][] power = new double[4][BANDS];
  private double weight;

  /** What a share of some sounds stays below, in each band. */
  static BandPowers typical(List<BandPowers> some, double share) {
    BandPowers out = new BandPowers();
    for (int view = 0; view < out.power.length; view++) {
      for (int b = 0; b < BANDS; b++) {
        int v = view;
        int band = b;
        double[] sorted = some.stream().mapToDouble(p -> p.mean(v, band)).sorted().toArray();
        out.add(view, b, sorted[(int) (share * sorted.length)]);
      }
    }
    out.count(1);
    return out;
  }

  void add(int view, int band, double value) {
    power[view][band] += value;
  }

  /** Adds all that was added to others. */
  void add(BandPowers others) {
    for (int v = 0; v < power.length; v++) {
      for (int b = 0; b < BANDS; b++) {
        power[v][b] += others.power[v][b];
      }
    }
    weight += others.weight;
  }

  /** Counts what was added once more. */
  void count(double times) {
    weight += times;
  }

  /** All of it louder or softer by a factor of power. */
  BandPowers times(double gain) {
    BandPowers out = new BandPowers();
    out.add(this);
    out.weight = weight / gain;
    return out;
  }

  boolean isEmpty() {
    return weight == 0;
  }

  /** Mean power of a view in a band. */
  double mean(int view, int band) {
    return power[view][band] / Math.max(1e-12, weight);
  }

  /** Mean power of a view between two frequencies. */
  double between(int view, double lowHz, double highHz) {
    double sum = 0;
    for (int b = 0; b < BANDS; b++) {
      sum += ThirdOctaves.centre(b) >= lowHz && ThirdOctaves.centre(b) < highHz ? mean(view, b) : 0;
    }
    return sum;
  }

  /**
   * Mean power of both sides as ITU-R BS.1770-4 weighs it: its two filters' response at the bands'
   * centres, near enough for a comparison of two sounds.
   */
  double loudness() {
    double[] weights = weights();
    double sum = 0;
    for (int b = 0; b < BANDS; b++) {
      sum += weights[b] * (mean(LEFT, b) + mean(RIGHT, b));
    }
    return sum;
  }

  /** What a band's power counts for the loudness. */
  static double[] weights() {
    double[] out = new double[BANDS];
    for (int b = 0; b < BANDS; b++) {
      out[b] = ThirdOctaves.loudness(ThirdOctaves.centre(b));
    }
    return out;
  }

  /** Outermost bands within 10 dB of the strongest; [0] low, [1] high. */
  double[] edges() {
    double top = 0;
    for (int b = 0; b < BANDS; b++) {
      top = Math.max(top, both(b));
    }
    int low = 0;
    int high = BANDS - 1;
    while (low < BANDS - 1 && both(low) < top / 10) {
      low++;
    }
    while (high > low && both(high) < top / 10) {
      high--;
    }
    return new double[] {ThirdOctaves.centre(low), ThirdOctaves.centre(high)};
  }

  /** Centre of the highest band within so many decibels of the strongest. */
  double upper(double decibels) {
    double top = 0;
    for (int b = 0; b < BANDS; b++) {
      top = Math.max(top, both(b));
    }
    int b = BANDS - 1;
    while (b > 0 && both(b) < top * Math.pow(10, -decibels / 10)) {
      b--;
    }
    return ThirdOctaves.centre(b);
  }

  private double both(int band) {
    return mean(LEFT, band) + mean(RIGHT, band);
  }

  HeardLayer.Image image() {
    double left = between(LEFT, 0, 1e6);
    double right = between(RIGHT, 0, 1e6);
    return new HeardLayer.Image(
        (right - left) / (left + right + 1e-15),
        width(0, 1e6),
        width(0, 120),
        width(120, 2000),
        width(2000, 1e6));
  }

  private double width(double lowHz, double highHz) {
    double side = between(SIDE, lowHz, highHz);
    return side / (between(MIDDLE, lowHz, highHz) + side + 1e-15);
  }
}
