package looseecho.hits;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import looseecho.activity.Lane;
import looseecho.activity.MelSpectra;
import looseecho.pulse.Pulse;

/**
 * Tells lanes apart that the network hears as one: high, mid and low toms by pitch, rides from
 * crashes by how they follow one another, and a second snare or clap where two sound different.
 *
 * <p>Sounds are grouped by two-means clustering (Lloyd 1982) of their attack spectra; two groups
 * count only when they lie far apart for their width and each step keeps to one of them.
 */
final class VoiceSorter {
  private static final int FEWEST = 5; // hits of a voice
  private static final double LEAST_SHARE = 0.15;
  private static final double APART = 9; // squared distance of the groups over their mean width
  private static final double PURE = 0.85; // share of a step's hits that are of one group
  private static final int GROUPS = 12; // of mel bands
  private static final double LOW_HZ = 300;
  private static final double HIGH_HZ = 7000;
  private static final double TOM_RATIO = 1.25; // pitches this far apart are two toms
  private static final double RIDE_BEATS = 1.3; // a ride has a neighbour within this

  private final Envelope envelope;
  private final Pulse pulse;

  VoiceSorter(Envelope envelope, Pulse pulse) {
    this.envelope = envelope;
    this.pulse = pulse;
  }

  /** The same hits in the same order, some of them in lanes of their own. */
  List<Hit> sort(List<Hit> hits) {
    List<Hit> out = new ArrayList<>(hits);
    split(out, Lane.SNARE, Lane.SNARE_2);
    split(out, Lane.CLAP, Lane.CLAP_2);
    toms(out);
    rides(out);
    return out;
  }

  private static int[] of(List<Hit> hits, Lane lane) {
    return java.util.stream.IntStream.range(0, hits.size())
        .filter(i -> hits.get(i).lane() == lane)
        .toArray();
  }

  private void split(List<Hit> hits, Lane lane, Lane other) {
    int[] at = of(hits, lane);
    if (at.length < 2 * FEWEST) {
      return;
    }
    double[][] x = new double[at.length][];
    for (int i = 0; i < at.length; i++) {
      x[i] = profile(envelope.frame(hits.get(at[i]).time()));
    }
    TwoMeans two = TwoMeans.of(x);
    int[] group = two.groups();
    if (two.fewer() < Math.max(FEWEST, LEAST_SHARE * at.length) || two.separation() < APART) {
      return;
    }
    if (purity(hits, at, group) < PURE) {
      return;
    }
    int rare = two.rare();
    for (int i = 0; i < at.length; i++) {
      if (group[i] == rare) {
        hits.set(at[i], hits.get(at[i]).withLane(other));
      }
    }
  }

  /** The attack's spectrum between 300 Hz and 7 kHz without its level. */
  private double[] profile(int frame) {
    double[] out = new double[GROUPS];
    int[] count = new int[GROUPS];
    for (int b = 0; b < MelSpectra.BANDS; b++) {
      double hz = MelSpectra.centreHz(b);
      if (hz >= LOW_HZ && hz <= HIGH_HZ) {
        int g = (int) (GROUPS * Math.log(hz / LOW_HZ) / Math.log(HIGH_HZ / LOW_HZ) * 0.9999);
        out[g] += envelope.rise(frame, b);
        count[g]++;
      }
    }
    double mean = 0;
    for (int g = 0; g < GROUPS; g++) {
      out[g] /= Math.max(1, count[g]);
      mean += out[g] / GROUPS;
    }
    for (int g = 0; g < GROUPS; g++) {
      out[g] -= mean;
    }
    return out;
  }

  static double purity(List<Hit> hits, int[] at, int[] group) {
    java.util.Map<Integer, int[]> steps = new java.util.HashMap<>();
    for (int i = 0; i < at.length; i++) {
      steps.computeIfAbsent(hits.get(at[i]).tick(), s -> new int[2])[group[i]]++;
    }
    int pure = steps.values().stream().mapToInt(n -> Math.max(n[0], n[1])).sum();
    return (double) pure / at.length;
  }

  /** Toms in one to three heights: cut where neighbouring pitches differ by a third or more. */
  private void toms(List<Hit> hits) {
    int[] at = of(hits, Lane.TOM);
    if (at.length < 2) {
      return;
    }
    double[] hz = new double[at.length];
    for (int i = 0; i < at.length; i++) {
      hz[i] = pitch(envelope.frame(hits.get(at[i]).time()));
    }
    double[] sorted = hz.clone();
    Arrays.sort(sorted);
    List<Double> cuts = new ArrayList<>();
    for (int i = 1; i < sorted.length; i++) {
      if (sorted[i] / sorted[i - 1] >= TOM_RATIO) {
        cuts.add(Math.sqrt(sorted[i] * sorted[i - 1]));
      }
    }
    if (cuts.isEmpty()) {
      return;
    }
    double low = cuts.get(0);
    double high = cuts.get(cuts.size() - 1);
    for (int i = 0; i < at.length; i++) {
      Lane lane = hz[i] < low ? Lane.TOM_LOW : hz[i] > high ? Lane.TOM_HIGH : Lane.TOM;
      hits.set(at[i], hits.get(at[i]).withLane(lane));
    }
  }

  /** Hertz of the band between 60 and 350 Hz that rises most, weighed with its neighbours. */
  private double pitch(int frame) {
    double sum = 0;
    double weight = 1e-9;
    for (int b = 0; b < MelSpectra.BANDS; b++) {
      double hz = MelSpectra.centreHz(b);
      if (hz > 60 && hz < 350) {
        double w = Math.exp(2 * envelope.rise(frame, b));
        sum += w * Math.log(hz);
        weight += w;
      }
    }
    return Math.exp(sum / weight);
  }

  /** Cymbals that come beat by beat are rides; those that stand alone are crashes. */
  private void rides(List<Hit> hits) {
    int[] at = of(hits, Lane.CYMBAL);
    for (int i = 0; i < at.length; i++) {
      int near = 0;
      for (int j = Math.max(0, i - 2); j <= Math.min(at.length - 1, i + 2); j++) {
        double beats =
            Math.abs(pulse.beatsAt(hits.get(at[i]).time()) - pulse.beatsAt(hits.get(at[j]).time()));
        near += j != i && beats < RIDE_BEATS * Math.abs(i - j) ? 1 : 0;
      }
      if (near >= 2) {
        hits.set(at[i], hits.get(at[i]).withLane(Lane.RIDE));
      }
    }
  }
}
