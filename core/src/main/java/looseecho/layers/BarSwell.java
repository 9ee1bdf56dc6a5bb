package looseecho.layers;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import looseecho.layers.HeardLayer.Span;
import looseecho.separate.SpectrumBands;

/**
 * Hears what is pushed down once in a bar, at its beginning, and swells over most of it: half a
 * cosine in decibels, fitted by least squares to the bars laid over each other, for each of several
 * lengths. Chords that come in slowly in every bar sound alike and are taken for it. Our own rule.
 */
final class BarSwell {
  private static final double HOP = (double) SpectrumBands.HOP / SpectrumBands.RATE;
  private static final int STEPS = 16; // of a bar
  private static final int FEWEST = 6; // bars
  private static final double SHORTEST = 0.3; // of a bar, until it is back
  private static final double LONGEST = 0.95;
  private static final double LEAST_DB = 4;
  private static final double MOST_DB = 20;
  private static final double FIT = 0.75; // least coefficient of determination
  private static final double USUAL = 0.75; // of the bars are softer in the beginning

  private final double line;
  private final double bar;

  /**
   * On a grid.
   *
   * @param line seconds of any bar line
   * @param bar seconds
   */
  BarSwell(double line, double bar) {
    this.line = line;
    this.bar = bar;
  }

  /** Over a power in every frame, in the bars that are played throughout. */
  Optional<HeardLayer.Duck> find(float[] power, List<Span> active) {
    List<double[]> bars = new ArrayList<>();
    for (double t = line + Math.ceil(-line / bar) * bar; at(t + bar) < power.length; t += bar) {
      double start = t;
      if (active.stream().anyMatch(s -> s.start() < start + 0.1 && s.end() > start + bar - 0.1)) {
        bars.add(course(power, start));
      }
    }
    return bars.size() < FEWEST ? Optional.empty() : fitted(bars);
  }

  private static int at(double time) {
    return (int) Math.max(0, Math.rint(time / HOP));
  }

  /** Decibels over a bar, against its mean. */
  private double[] course(float[] power, double start) {
    double[] out = new double[STEPS];
    for (int k = 0; k < STEPS; k++) {
      int from = at(start + k * bar / STEPS);
      int to = Math.max(from + 1, at(start + (k + 1) * bar / STEPS));
      double sum = 1e-12;
      for (int n = from; n < to; n++) {
        sum += power[n] / (to - from);
      }
      out[k] = 10 * Math.log10(sum);
    }
    double mean = Arrays.stream(out).average().orElse(0);
    return Arrays.stream(out).map(v -> v - mean).toArray();
  }

  private Optional<HeardLayer.Duck> fitted(List<double[]> bars) {
    double[] middle = new double[STEPS];
    for (int k = 0; k < STEPS; k++) {
      int at = k;
      double[] sorted = bars.stream().mapToDouble(b -> b[at]).sorted().toArray();
      middle[k] = sorted[sorted.length / 2];
    }
    double best = 0;
    Optional<HeardLayer.Duck> out = Optional.empty();
    for (double length = SHORTEST; length <= LONGEST; length += 0.05) {
      WayBack line = WayBack.of(WayBack.Shape.COSINE, length * bar, steps(), middle);
      boolean far = line.depthDb() >= LEAST_DB && line.depthDb() <= MOST_DB;
      if (far && line.fit() >= FIT && line.fit() > best && isUsual(bars, length)) {
        best = line.fit();
        out =
            Optional.of(
                new HeardLayer.Duck(HeardLayer.Duck.BAR, line.depthDb(), 1000 * line.seconds()));
      }
    }
    return out;
  }

  /** Seconds since the bar line in the middle of each step. */
  private double[] steps() {
    return IntStream.range(0, STEPS).mapToDouble(k -> (k + 0.5) * bar / STEPS).toArray();
  }

  private static boolean isUsual(List<double[]> bars, double length) {
    int half = (int) Math.round(STEPS * length / 2);
    int back = (int) Math.min(STEPS - 1, Math.round(STEPS * length));
    long softer =
        bars.stream()
            .filter(
                b ->
                    Arrays.stream(b, 0, half).average().orElse(0)
                        < Arrays.stream(b, back, STEPS).average().orElse(0) - LEAST_DB / 2)
            .count();
    return softer >= USUAL * bars.size();
  }
}
