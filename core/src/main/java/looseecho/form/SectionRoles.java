package looseecho.form;

import java.util.List;

/**
 * Guesses what a section is for from its place and its level against the rest (common practice, no
 * published source).
 */
final class SectionRoles {
  private static final double LOUD_DB = -1.2;
  private static final double QUIET_DB = -7;

  private SectionRoles() {}

  static String guess(BarFeatures bars, List<Integer> cuts, int i) {
    double top = Double.NEGATIVE_INFINITY;
    for (int k = 0; k < cuts.size(); k++) {
      top = Math.max(top, level(bars, cuts, k));
    }
    double relative = level(bars, cuts, i) - top;
    boolean last = i == cuts.size() - 1;
    if (i == 0 && cuts.size() > 1 && relative < LOUD_DB) {
      return "intro";
    }
    if (last && cuts.size() > 2 && relative < LOUD_DB) {
      return "outro";
    }
    double next = last ? relative : level(bars, cuts, i + 1) - top;
    double before = i == 0 ? relative : level(bars, cuts, i - 1) - top;
    if (relative < QUIET_DB || relative < before - 4 && relative < next - 4) {
      return "break";
    }
    if (relative > LOUD_DB) {
      return before < relative - 2 || i == 0 ? "drop" : "chorus";
    }
    return next > relative + 2 ? "lift" : "verse";
  }

  private static double level(BarFeatures bars, List<Integer> cuts, int i) {
    int from = cuts.get(i);
    int to = i + 1 < cuts.size() ? cuts.get(i + 1) : bars.values().length;
    double sum = 0;
    for (int b = from; b < to; b++) {
      sum += bars.levels()[b] / (to - from);
    }
    return sum;
  }
}
