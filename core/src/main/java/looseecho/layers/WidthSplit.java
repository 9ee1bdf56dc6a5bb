package looseecho.layers;

import java.util.Arrays;
import java.util.List;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import looseecho.layers.HeardLayer.Span;
import looseecho.separate.Stem;

/**
 * Tells two layers of one group apart, of which one stands narrow and one wide. Bars in which each
 * plays by itself show how wide it is; where both play, the sides' share of the power says how much
 * of it is whose. What widens little by little is one layer that moves. Our own rule.
 */
final class WidthSplit {
  private static final int NARROW_BARS = 4; // in a row, alone
  private static final int WIDE_BARS = 3;
  private static final double APART = 0.3; // of the sides' share of the power
  private static final double NEAR = 0.12; // of it, that bars of one layer differ
  private static final double JUMP = 0.6; // of what lies between both, from one bar to the next
  private static final double ALONE = 0.15; // share of the other
  private static final double FAINT = Math.pow(10, -0.8); // against the layer alone
  private static final double SILENT = Math.pow(10, -2.5); // against the loudest bar

  private final double bar;
  private final double line;
  private final double[] width; // of the sides, by bar; not a number where the group is silent
  private final double[] power;

  /**
   * Over a group.
   *
   * @param line seconds of any bar line
   * @param bar seconds of a bar
   * @param active when the group plays
   */
  WidthSplit(StemMeter meter, Stem stem, double line, double bar, List<Span> active) {
    this.bar = bar;
    double first = active.get(0).start();
    this.line = line + Math.rint((first - line) / bar) * bar;
    double end = active.get(active.size() - 1).end();
    int bars = Math.max(0, (int) Math.rint((end - this.line) / bar));
    width = new double[bars];
    power = new double[bars];
    for (int k = 0; k < bars; k++) {
      BandPowers own = meter.over(stem, meter.slot(time(k)), meter.slot(time(k + 1)));
      double middle = (time(k) + time(k + 1)) / 2;
      boolean plays = active.stream().anyMatch(s -> s.has(middle));
      width[k] = plays ? own.image().width() : Double.NaN;
      power[k] = plays ? own.loudness() : 0;
    }
    double most = Arrays.stream(power).max().orElse(0);
    for (int k = 0; k < bars; k++) {
      width[k] = power[k] < SILENT * most ? Double.NaN : width[k];
    }
  }

  /**
   * One of two layers.
   *
   * @param active when it plays
   * @param alone when the other does not
   */
  record Layer(List<Span> active, List<Span> alone) {}

  /** The narrow one and the wide one; empty where there is only one. */
  List<Layer> find() {
    double narrow = steadiest(NARROW_BARS, -1);
    double wide = steadiest(WIDE_BARS, 1);
    if (!(wide - narrow >= APART) || !changesAtOnce(narrow, wide)) {
      return List.of();
    }
    double[] share = new double[width.length]; // of the wide one
    for (int k = 0; k < share.length; k++) {
      double smooth = median(Math.max(0, k - 1), Math.min(width.length, k + 2));
      share[k] = Math.max(0, Math.min(1, (smooth - narrow) / (wide - narrow)));
    }
    IntPredicate first = k -> share[k] <= ALONE;
    IntPredicate second = k -> share[k] >= 1 - ALONE;
    double loudFirst = usual(first);
    double loudSecond = usual(second);
    Layer a =
        layer(
            k -> !second.test(k) && (1 - share[k]) * power[k] >= FAINT * loudFirst,
            first,
            NARROW_BARS);
    Layer b =
        layer(k -> !first.test(k) && share[k] * power[k] >= FAINT * loudSecond, second, WIDE_BARS);
    return a.alone().isEmpty() || b.alone().isEmpty() ? List.of() : List.of(a, b);
  }

  /** Median of the bars in a row of which the one that is farthest the other way is farthest. */
  private double steadiest(int count, int sign) {
    double best = Double.NEGATIVE_INFINITY;
    double out = Double.NaN;
    for (int k = 0; k + count <= width.length; k++) {
      double least = Arrays.stream(width, k, k + count).map(w -> sign * w).min().orElse(Double.NaN);
      if (least > best) {
        best = least;
        out = median(k, k + count);
      }
    }
    return out;
  }

  private boolean changesAtOnce(double narrow, double wide) {
    for (int k = WIDE_BARS; k + WIDE_BARS <= width.length; k++) {
      double before = median(k - WIDE_BARS, k);
      double after = median(k, k + WIDE_BARS);
      boolean opens = before <= narrow + NEAR && after >= wide - NEAR;
      boolean closes = before >= wide - NEAR && after <= narrow + NEAR;
      if ((opens || closes) && Math.abs(width[k] - width[k - 1]) >= JUMP * (wide - narrow)) {
        return true;
      }
    }
    return false;
  }

  /** Of the bars that sound; not a number where one of two does not. */
  private double median(int from, int to) {
    double[] v = Arrays.stream(width, from, to).filter(w -> !Double.isNaN(w)).sorted().toArray();
    return 2 * v.length <= to - from ? Double.NaN : v[v.length / 2];
  }

  private double usual(IntPredicate bars) {
    double[] v =
        IntStream.range(0, power.length)
            .filter(k -> !Double.isNaN(width[k]) && bars.test(k))
            .mapToDouble(k -> power[k])
            .sorted()
            .toArray();
    return v.length == 0 ? Double.POSITIVE_INFINITY : v[v.length / 2];
  }

  private Layer layer(IntPredicate plays, IntPredicate alone, int fewest) {
    return new Layer(spans(plays.or(alone), 2), spans(alone, fewest));
  }

  /** Runs of so many bars and more; a single bar that is missing is none. */
  private List<Span> spans(IntPredicate bars, int fewest) {
    boolean[] on = new boolean[width.length];
    for (int k = 0; k < width.length; k++) {
      on[k] = !Double.isNaN(width[k]) && bars.test(k);
    }
    for (int k = 1; k < width.length - 1; k++) {
      on[k] |= on[k - 1] && on[k + 1] && !Double.isNaN(width[k]);
    }
    return Span.runs(width.length, k -> on[k], fewest, this::time);
  }

  private double time(int k) {
    return Math.max(0, line + k * bar);
  }
}
