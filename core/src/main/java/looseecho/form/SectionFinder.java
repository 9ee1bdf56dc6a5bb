package looseecho.form;

import java.util.ArrayList;
import java.util.List;
import looseecho.activity.Activities;
import looseecho.activity.MelSpectra;
import looseecho.dsp.Chroma;
import looseecho.pulse.Pulse;
import looseecho.reading.Progress;

/**
 * Cuts the track into sections at bar lines and gives like sections the same letter.
 *
 * <p>Method: the segmentation with the least within-section variance plus a price per section,
 * found exactly by dynamic programming (Jackson and others, "An algorithm for optimal partitioning
 * of data on an interval", IEEE Signal Processing Letters 2005), on bar-wise features in the spirit
 * of Foote, "Automatic audio segmentation using a measure of audio novelty", ICME 2000. Lengths are
 * free; two and four bars only break ties.
 */
public final class SectionFinder {
  private static final double PRICE = 2.6; // per section, in units of feature variance times bars
  private static final double ODD_PRICE = 0.25; // a length that is no multiple of two bars
  private static final double SHORT_PRICE = 1.6; // shorter than two bars
  private static final double ALIKE =
      0.75; // mean squared distance below which two sections share a letter
  private static final double SILENT_DB = -46; // below the loudest frame
  private static final double MIN_STOP_SECONDS = 0.2;

  /** Finds the form; {@code end} is where the music ends, in seconds. */
  public Form find(
      MelSpectra mel, Chroma chroma, Activities act, Pulse pulse, double end, Progress progress) {
    progress.step("Finding the sections", 0);
    BarFeatures bars = BarFeatures.of(mel, chroma, act, pulse, end);
    List<Integer> cuts = cuts(bars);
    List<Section> sections = label(bars, cuts);
    double top = Double.NEGATIVE_INFINITY;
    for (double l : bars.levels()) {
      top = Math.max(top, l);
    }
    List<Form.BarEnergy> energy = new ArrayList<>();
    for (int b = 0; b < bars.levels().length; b++) {
      energy.add(
          new Form.BarEnergy(
              bars.starts()[b], bars.ends()[b], Math.max(-90, bars.levels()[b] - top)));
    }
    return new Form(sections, stops(mel, pulse.beats().get(0).time(), end), energy);
  }

  /** First bars of the sections, the first being 0. */
  private static List<Integer> cuts(BarFeatures bars) {
    int n = bars.values().length;
    double[] best = new double[n + 1];
    int[] from = new int[n + 1];
    for (int e = 1; e <= n; e++) {
      best[e] = Double.POSITIVE_INFINITY;
      Spread spread = new Spread(bars.values()[0].length);
      double length = 0;
      for (int s = e - 1; s >= 0; s--) {
        spread.add(bars.values()[s]);
        length += bars.lengths()[s];
        double cost = best[s] + spread.total() + price(length, s == 0, e == n);
        if (cost < best[e]) {
          best[e] = cost;
          from[e] = s;
        }
      }
    }
    List<Integer> cuts = new ArrayList<>();
    for (int e = n; e > 0; e = from[e]) {
      cuts.add(0, from[e]);
    }
    return cuts;
  }

  private static double price(double bars, boolean first, boolean last) {
    double odd = Math.abs(bars / 2 - Math.rint(bars / 2)) > 0.01 ? ODD_PRICE : 0;
    double brief = bars < 1.99 && !first && !last ? SHORT_PRICE : 0;
    return PRICE + odd + brief;
  }

  /** Running sum of squared distances from the mean (Welford 1962). */
  private static final class Spread {
    private final double[] mean;
    private int count;
    private double total;

    Spread(int width) {
      mean = new double[width];
    }

    void add(double[] x) {
      count++;
      for (int k = 0; k < mean.length; k++) {
        double d = x[k] - mean[k];
        mean[k] += d / count;
        total += d * (x[k] - mean[k]);
      }
    }

    double total() {
      return total;
    }
  }

  private static List<Section> label(BarFeatures bars, List<Integer> cuts) {
    int n = cuts.size();
    double[][] means = new double[n][];
    for (int i = 0; i < n; i++) {
      means[i] = mean(bars, cuts.get(i), i + 1 < n ? cuts.get(i + 1) : bars.values().length);
    }
    int[] letter = new int[n];
    int letters = 0;
    for (int i = 0; i < n; i++) {
      int near = -1;
      double least = ALIKE;
      for (int j = 0; j < i; j++) {
        double d = distance(means[i], means[j]);
        if (d < least) {
          least = d;
          near = j;
        }
      }
      letter[i] = near >= 0 ? letter[near] : letters++;
    }
    List<Section> out = new ArrayList<>();
    for (int i = 0; i < n; i++) {
      int a = cuts.get(i);
      int b = i + 1 < n ? cuts.get(i + 1) : bars.values().length;
      double length = 0;
      for (int k = a; k < b; k++) {
        length += bars.lengths()[k];
      }
      double contrast = i == 0 ? 4 : distance(means[i], means[i - 1]);
      out.add(
          new Section(
              String.valueOf((char) ('A' + Math.min(25, letter[i]))),
              SectionRoles.guess(bars, cuts, i),
              bars.starts()[a],
              bars.ends()[b - 1],
              length,
              Math.min(1, contrast / 2.5)));
    }
    return out;
  }

  private static double[] mean(BarFeatures bars, int from, int to) {
    double[] m = new double[bars.values()[0].length];
    for (int b = from; b < to; b++) {
      for (int k = 0; k < m.length; k++) {
        m[k] += bars.values()[b][k] / (to - from);
      }
    }
    return m;
  }

  private static double distance(double[] a, double[] b) {
    double sum = 0;
    for (int k = 0; k < a.length; k++) {
      sum += (a[k] - b[k]) * (a[k] - b[k]);
    }
    return sum;
  }

  private static List<Form.Stop> stops(MelSpectra mel, double start, double end) {
    List<Form.Stop> out = new ArrayList<>();
    int since = -1;
    int last = Math.min(mel.frames(), (int) (end * MelSpectra.FPS));
    for (int n = Math.max(0, (int) (start * MelSpectra.FPS)); n < last; n++) {
      boolean silent = mel.decibels(n) < SILENT_DB;
      if (silent && since < 0) {
        since = n;
      } else if (!silent && since >= 0) {
        if ((n - since) / (double) MelSpectra.FPS >= MIN_STOP_SECONDS) {
          out.add(new Form.Stop((double) since / MelSpectra.FPS, (double) n / MelSpectra.FPS));
        }
        since = -1;
      }
    }
    return out;
  }
}
