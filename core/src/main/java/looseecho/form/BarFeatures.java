package looseecho.form;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import looseecho.activity.Lane;
import looseecho.activity.MelSpectra;
import looseecho.pulse.Pulse;
import looseecho.reading.Together;

/**
 * What each bar sounds like: band levels, drum density and pitch classes, scaled so that each group
 * weighs alike. Package-private work object; {@code values[bar][feature]}.
 */
record BarFeatures(
    double[] starts, double[] ends, double[] lengths, double[][] values, double[] levels) {
  private static final int GROUPS = 16; // mel bands are gathered by five
  private static final double REMNANT = 0.6; // of a bar
  private static final double DRUMS = 1.2;
  private static final double TONES = 0.35;
  // Spreads below these are no change at all: a loop that is repeated stays in one piece.
  private static final double LEAST_LEVELS = 5;
  private static final double LEAST_DRUMS = 3e-4;
  private static final double LEAST_TONES = 0.05;

  /** Describes the bars; a bar also ends at each of the {@code edges}, which are beats. */
  static BarFeatures of(SectionFinder.Material m, Set<Integer> edges) {
    Pulse pulse = m.pulse();
    double end = m.end();
    List<Integer> bars = new ArrayList<>(pulse.bars());
    edges.stream()
        .filter(b -> b >= 0 && b < pulse.beats().size() && !bars.contains(b))
        .forEach(bars::add);
    bars.sort(null);
    if (bars.isEmpty() || bars.get(0) > 0) {
      bars.add(0, 0); // the pick-up is a bar of its own
    }
    int whole = pulse.beatsPerBar();
    if (bars.size() > 1
        && !edges.contains(bars.get(bars.size() - 1))
        && pulse.beatsAt(end) - bars.get(bars.size() - 1) < REMNANT * whole) {
      bars.remove(bars.size() - 1); // a last chord dying away is no bar of its own
    }
    int n = bars.size();
    double[] starts = new double[n];
    double[] ends = new double[n];
    double[] lengths = new double[n];
    double[] levels = new double[n];
    double[][] rows = new double[n][];
    for (int b = 0; b < n; b++) {
      starts[b] = pulse.beats().get(bars.get(b)).time();
      boolean last = b == n - 1;
      ends[b] = last ? Math.max(end, starts[b] + 0.05) : pulse.beats().get(bars.get(b + 1)).time();
      int beats = (last ? (int) Math.round(pulse.beatsAt(end)) : bars.get(b + 1)) - bars.get(b);
      lengths[b] = (double) Math.max(1, beats) / pulse.beatsPerBar();
    }
    Together.each(
        n,
        b -> {
          rows[b] = row(m, starts[b], ends[b]);
          levels[b] = level(m.mel(), starts[b], ends[b]);
        });
    scale(rows);
    return new BarFeatures(starts, ends, lengths, rows, levels);
  }

  /** The bar that a time in seconds lies in; -1 outside. */
  int at(double time) {
    int i = java.util.Arrays.binarySearch(starts, time);
    int b = i >= 0 ? i : -i - 2;
    return b >= 0 && time < ends[b] ? b : -1;
  }

  private static double[] row(SectionFinder.Material m, double from, double to) {
    MelSpectra mel = m.mel();
    int lanes = Lane.HEARD.size();
    double[] row = new double[GROUPS + lanes + 12];
    int a = Math.max(0, MelSpectra.FRAMES.nearest(from));
    int b = Math.min(mel.frames(), Math.max(a + 1, MelSpectra.FRAMES.nearest(to)));
    double[] levels = new double[MelSpectra.BANDS];
    for (int n = a; n < b; n++) {
      for (int k = 0; k < levels.length; k++) {
        levels[k] += mel.band(n, k);
      }
      for (int l = 0; l < lanes; l++) {
        row[GROUPS + l] += m.activity().lane(Lane.HEARD.get(l), n) / (b - a);
      }
    }
    for (int k = 0; k < levels.length; k++) {
      row[k * GROUPS / levels.length] += levels[k] / (b - a);
    }
    double[] tones = m.chroma().sum(from, to);
    double norm = 1e-9;
    for (int c = 0; c < 12; c++) {
      norm += tones[c] * tones[c];
    }
    for (int c = 0; c < 12; c++) {
      row[GROUPS + lanes + c] = tones[c] / Math.sqrt(norm);
    }
    return row;
  }

  /**
   * Divides each group by its spread over the song, so that levels, drums and tones weigh as their
   * weights say.
   */
  private static void scale(double[][] rows) {
    int lanes = Lane.HEARD.size();
    scaleGroup(rows, 0, GROUPS, 1, LEAST_LEVELS);
    scaleGroup(rows, GROUPS, GROUPS + lanes, DRUMS, LEAST_DRUMS);
    scaleGroup(rows, GROUPS + lanes, GROUPS + lanes + 12, TONES, LEAST_TONES);
  }

  private static void scaleGroup(double[][] rows, int from, int to, double weight, double least) {
    double sum = 0;
    for (int k = from; k < to; k++) {
      double mean = 0;
      for (double[] r : rows) {
        mean += r[k] / rows.length;
      }
      for (double[] r : rows) {
        r[k] -= mean;
        sum += r[k] * r[k] / rows.length;
      }
    }
    for (double[] r : rows) {
      for (int k = from; k < to; k++) {
        r[k] *= weight / Math.sqrt(Math.max(least, sum));
      }
    }
  }

  /** Power mean of the frame levels, in decibels. */
  private static double level(MelSpectra mel, double from, double to) {
    int a = Math.max(0, MelSpectra.FRAMES.nearest(from));
    int b = Math.min(mel.frames(), Math.max(a + 1, MelSpectra.FRAMES.nearest(to)));
    double sum = 0;
    for (int n = a; n < b; n++) {
      sum += Math.pow(10, mel.decibels(n) / 10) / (b - a);
    }
    return 10 * Math.log10(sum + 1e-12);
  }
}
