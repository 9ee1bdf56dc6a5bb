package looseecho.mix;

import looseecho.dsp.Biquad;

/**
 * Colours a sound, block after block: a peaking filter per octave band, shelves at both ends. What
 * each filter does to its neighbours' bands is taken into account, so that the gain at every centre
 * is the one asked for (Välimäki and Reiss, "All about audio equalization: solutions and
 * frontiers", Applied Sciences 6(5), 2016, section on graphic equalisers). Phases move; nothing is
 * delayed.
 */
final class ColourFilter {
  private static final double Q = 1.1; // bands of an octave
  private static final double LEAST_DB = 0.05;

  private final Biquad[] filters;

  ColourFilter(Colour colour, double rate) {
    double[] gains = solved(colour, rate);
    filters =
        java.util.stream.IntStream.range(0, gains.length)
            .filter(k -> Math.abs(gains[k]) > LEAST_DB)
            .mapToObj(k -> band(k, gains[k], rate))
            .toArray(Biquad[]::new);
  }

  private static Biquad band(int k, double db, double rate) {
    double hz = Colour.hz(k);
    if (k == 0) {
      return Biquad.lowShelf(rate, hz * Math.sqrt(2), db);
    }
    return k == Colour.BANDS - 1
        ? Biquad.highShelf(rate, hz / Math.sqrt(2), db)
        : Biquad.peak(rate, hz, Q, db);
  }

  /** Gains of the filters that together give the colour's at the centres. */
  private static double[] solved(Colour colour, double rate) {
    int n = Colour.BANDS;
    double[] wanted = colour.db().stream().mapToDouble(g -> g).toArray();
    double[] gains = wanted.clone();
    for (int round = 0; round < 30; round++) { // Gauss-Seidel: the filters' own band weighs most
      for (int k = 0; k < n; k++) {
        double sum = 0;
        for (int j = 0; j < n; j++) {
          sum += share(j, k, gains[j], rate);
        }
        double step = 0.8 * (wanted[k] - sum);
        gains[k] = Math.max(-36, Math.min(36, gains[k] + step));
      }
    }
    return gains;
  }

  /** What a filter does at another band's centre, in dB. */
  private static double share(int filter, int at, double db, double rate) {
    return Math.abs(db) < 1e-9 ? 0 : band(filter, db, rate).decibels(rate, Colour.hz(at));
  }

  /** Colours a block in place. */
  void run(float[] x) {
    for (Biquad f : filters) {
      f.run(x);
    }
  }

  /** True when it leaves everything as it is. */
  boolean isIdle() {
    return filters.length == 0;
  }
}
