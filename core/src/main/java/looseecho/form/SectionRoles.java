package looseecho.form;

import java.util.List;

/**
 * Guesses what a section is for from its place, its loudness and how many layers play against the
 * rest (common practice, no published source).
 */
final class SectionRoles {
  private static final double LOUD_DB = -2;
  private static final double QUIET_DB = -7;
  private static final int SHORT = 4; // bars

  private final BarFeatures bars;
  private final Layers layers;
  private final List<Integer> cuts;
  private final double loudest;
  private final double fullest;

  SectionRoles(BarFeatures bars, Layers layers, List<Integer> cuts) {
    this.bars = bars;
    this.layers = layers;
    this.cuts = cuts;
    double loud = Double.NEGATIVE_INFINITY;
    double full = 0;
    for (int i = 0; i < cuts.size(); i++) {
      loud = Math.max(loud, level(i));
      full = Math.max(full, fullness(i));
    }
    loudest = loud;
    fullest = full;
  }

  /** The role of section i. */
  String guess(int i) {
    int n = cuts.size();
    double relative = level(i) - loudest;
    boolean full = fullness(i) > fullest - 1.01 && relative > LOUD_DB;
    if (n > 1 && i == 0 && (!full || fullness(1) > fullness(0))) {
      return "intro";
    }
    if (n > 2 && i == n - 1 && (!full || fullness(i - 1) > fullness(i))) {
      return "outro";
    }
    boolean kick = layers.share("kick", cuts.get(i), end(i)) > 0.5;
    boolean wasKick = i == 0 || layers.share("kick", cuts.get(i - 1), cuts.get(i)) > 0.5;
    boolean next = i < n - 1 && fullness(i + 1) > fullness(i);
    if (!full && next && end(i) - cuts.get(i) <= SHORT && rises(i)) {
      return "lift";
    }
    if (!kick || relative < QUIET_DB) {
      return "break";
    }
    if (full) {
      return wasKick ? "chorus" : "drop";
    }
    return "verse";
  }

  /** True when the section's second half is clearly louder than its first. */
  private boolean rises(int i) {
    int middle = (cuts.get(i) + end(i)) / 2;
    return middle > cuts.get(i)
        && mean(bars.levels(), middle, end(i)) - mean(bars.levels(), cuts.get(i), middle) > 2;
  }

  private int end(int i) {
    return i + 1 < cuts.size() ? cuts.get(i + 1) : bars.levels().length;
  }

  private double level(int i) {
    return mean(bars.levels(), cuts.get(i), end(i));
  }

  /** Mean number of layers. */
  private double fullness(int i) {
    double sum = 0;
    for (int b = cuts.get(i); b < end(i); b++) {
      sum += layers.count(b);
    }
    return sum / (end(i) - cuts.get(i));
  }

  private static double mean(double[] x, int from, int to) {
    double sum = 0;
    for (int b = from; b < to; b++) {
      sum += x[b] / (to - from);
    }
    return sum;
  }
}
