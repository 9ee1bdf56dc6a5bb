package looseecho.hits;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import looseecho.pulse.Pulse;

/**
 * The finest even grid that the hits lie on.
 *
 * <p>For n lines to a beat the hits' places are laid around a circle n times; the length of their
 * mean vector is 1 when all lie on the grid and near 0 when they ignore it (mean resultant length,
 * Fisher, "Statistical Analysis of Circular Data", Cambridge 1993). The coarsest grid that explains
 * nearly as much as the best one is taken.
 *
 * @param perBeat lines to a beat
 * @param words such as "sixteenths"
 * @param fit mean resultant length, 0..1
 */
public record Division(int perBeat, String words, double fit) {
  private static final int FEWEST = 16;
  private static final double NEARLY = 0.08;
  private static final int[] GRIDS = {1, 2, 3, 4, 6, 8, 12};
  private static final String[] WORDS = {
    "quarters",
    "eighths",
    "eighth triplets",
    "sixteenths",
    "sixteenth triplets",
    "thirty-seconds",
    "thirty-second triplets"
  };

  /** Finds the grid; swung hits are first set straight. Empty with too few hits. */
  public static Optional<Division> of(List<Hit> hits, Pulse pulse, Optional<Swing> swing) {
    return of(hits.stream().mapToDouble(h -> pulse.beatsAt(h.time())).toArray(), swing);
  }

  /** The same of attacks at positions in beats. */
  static Optional<Division> of(double[] beats, Optional<Swing> swing) {
    if (beats.length < FEWEST) {
      return Optional.empty();
    }
    double[] places = Arrays.stream(beats).map(b -> straight(b, swing)).toArray();
    double[] fit = new double[GRIDS.length];
    double most = 0;
    for (int g = 0; g < GRIDS.length; g++) {
      double re = 0;
      double im = 0;
      for (double p : places) {
        re += Math.cos(2 * Math.PI * GRIDS[g] * p) / places.length;
        im += Math.sin(2 * Math.PI * GRIDS[g] * p) / places.length;
      }
      fit[g] = Math.hypot(re, im);
      most = Math.max(most, fit[g]);
    }
    for (int g = 0; g < GRIDS.length; g++) {
      if (fit[g] >= most - NEARLY) {
        return Optional.of(new Division(GRIDS[g], WORDS[g], fit[g]));
      }
    }
    throw new IllegalStateException("one grid is the best");
  }

  /** Undoes the swing of a place in beats. */
  private static double straight(double beats, Optional<Swing> swing) {
    if (swing.isEmpty() || swing.get().percent() < Swing.STRAIGHT) {
      return beats;
    }
    int pairs = swing.get().unit().equals("16th") ? 2 : 1;
    double first = swing.get().percent() / 100;
    double x = beats * pairs;
    double in = x - Math.floor(x);
    double even = in < first ? 0.5 * in / first : 0.5 + 0.5 * (in - first) / (1 - first);
    return (Math.floor(x) + even) / pairs;
  }
}
