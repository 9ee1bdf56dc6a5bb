package looseecho.layers;

/**
 * Powers in third octaves on the left, on the right, in the middle and at the sides.
 *
 * <p>Centres are the exact base-ten ones of IEC 61260-1:2014, 10^(k/10) times 1 kHz.
 */
final class BandPowers {
  static final int LEFT = 0;
  static final int RIGHT = 1;
  static final int MIDDLE = 2;
  static final int SIDE = 3;
  static final int BANDS = 30; // 25 Hz to 20 kHz
  private static final int FIRST = -16; // 10^-1.6 kHz: 25.1 Hz

  private final double[][] power = new double[4][BANDS];
  private double weight;

  /** The centre of a band in hertz. */
  static double centre(int band) {
    return 1000 * Math.pow(10, (FIRST + band) / 10.0);
  }

  /** The band that a frequency lies in; -1 outside. */
  static int band(double hz) {
    int k = (int) Math.round(10 * Math.log10(hz / 1000)) - FIRST;
    return k >= 0 && k < BANDS ? k : -1;
  }

  void add(int view, int band, double value) {
    power[view][band] += value;
  }

  /** Counts what was added once more. */
  void count(double times) {
    weight += times;
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
      sum += centre(b) >= lowHz && centre(b) < highHz ? mean(view, b) : 0;
    }
    return sum;
  }

  /**
   * Mean power of both sides as ITU-R BS.1770-4 weighs it: its two filters' response at the bands'
   * centres, near enough for a comparison of two sounds.
   */
  double loudness() {
    double sum = 0;
    for (int b = 0; b < BANDS; b++) {
      double f = centre(b);
      double shelf = 4 / (1 + Math.pow(1680 / f, 2)); // dB, up to 4 above 1.7 kHz
      double low = -10 * Math.log10(1 + Math.pow(38 / f, 4)); // second order at 38 Hz
      sum += Math.pow(10, (shelf + low) / 10) * (mean(LEFT, b) + mean(RIGHT, b));
    }
    return sum;
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
    return new double[] {centre(low), centre(high)};
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
