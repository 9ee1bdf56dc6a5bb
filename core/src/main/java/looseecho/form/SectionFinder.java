package looseecho.form;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import looseecho.activity.Activities;
import looseecho.activity.MelSpectra;
import looseecho.dsp.Chroma;
import looseecho.hits.Hit;
import looseecho.notes.Note;
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
  private static final double SAME = 0.25; // below this they share it without a prime

  /**
   * Everything that the form is drawn from.
   *
   * @param end where the music ends, in seconds
   * @param sweeps moves of level and filter, and what is thrown
   * @param marks the person's own sections; empty to have them found
   */
  public record Material(
      MelSpectra mel,
      Chroma chroma,
      Activities activity,
      Pulse pulse,
      List<Hit> hits,
      List<Note> bass,
      double end,
      BandLevels levels,
      List<Event> sweeps,
      List<SectionMark> marks) {}

  /** Finds the form. */
  public Form find(Material m, Progress progress) {
    progress.step("Finding the sections", 0);
    BarFeatures bars = BarFeatures.of(m, edges(m));
    Layers layers = Layers.of(bars, m.hits(), m.bass(), m.chroma());
    List<SectionMark> marks = new ArrayList<>(m.marks());
    List<Integer> cuts = marks.isEmpty() ? cuts(bars) : cuts(bars, marks);
    List<Section> sections = label(bars, layers, cuts, marks);
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
    List<Event> events = EventFinder.find(m, bars, layers, sections);
    return new Form(sections, events, energy);
  }

  /** Beats at which a bar must end although it is not full: the person's own edges. */
  private static Set<Integer> edges(Material m) {
    Set<Integer> out = new HashSet<>();
    m.marks().forEach(k -> out.add((int) Math.rint(m.pulse().beatsAt(k.start()))));
    return out;
  }

  /** First bars of the person's sections; marks that fall together are taken out of the list. */
  private static List<Integer> cuts(BarFeatures bars, List<SectionMark> marks) {
    List<Integer> cuts = new ArrayList<>(List.of(0));
    for (int i = 1; i < marks.size(); ) {
      int b = bars.at(marks.get(i).start() + 0.02);
      if (b > cuts.get(cuts.size() - 1)) {
        cuts.add(b);
        i++;
      } else {
        marks.remove(i);
      }
    }
    return cuts;
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
      // The spread of a longer section is no less, and what is before it costs something.
      for (int s = e - 1; s >= 0 && spread.total() < best[e]; s--) {
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

  private static List<Section> label(
      BarFeatures bars, Layers layers, List<Integer> cuts, List<SectionMark> marks) {
    int n = cuts.size();
    double[][] means = new double[n][];
    for (int i = 0; i < n; i++) {
      means[i] = mean(bars, cuts.get(i), i + 1 < n ? cuts.get(i + 1) : bars.values().length);
    }
    SectionRoles roles = new SectionRoles(bars, layers, cuts);
    int[] letter = new int[n];
    boolean[] prime = new boolean[n];
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
      prime[i] = near >= 0 && (least > SAME || prime[near]);
    }
    List<Section> out = new ArrayList<>();
    for (int i = 0; i < n; i++) {
      int a = cuts.get(i);
      int b = i + 1 < n ? cuts.get(i + 1) : bars.values().length;
      double length = 0;
      for (int k = a; k < b; k++) {
        length += bars.lengths()[k];
      }
      boolean byHand = i < marks.size();
      String name = (char) ('A' + Math.min(25, letter[i])) + (prime[i] ? "'" : "");
      double contrast = i == 0 ? 4 : distance(means[i], means[i - 1]);
      out.add(
          new Section(
              byHand ? marks.get(i).label() : name,
              byHand ? marks.get(i).role() : roles.guess(i),
              bars.starts()[a],
              bars.ends()[b - 1],
              length,
              byHand ? 1 : Math.min(1, contrast / 2.5),
              i == 0 ? Change.NONE : layers.change(cuts.get(i - 1), a, b, bars.levels())));
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
}
