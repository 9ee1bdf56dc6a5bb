package looseecho.hits;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * How much a rhythm leans against the bar.
 *
 * <p>Longuet-Higgins and Lee, "The rhythmic interpretation of monophonic music", Music Perception
 * 1984: every step has a metrical weight, 0 for the bar and one less for each halving; a note that
 * is followed by rests of which one is stronger than itself is syncopated by the difference.
 * Variability after Grabe and Low, "Durational variability in speech and the rhythm class
 * hypothesis", Laboratory Phonology 7, 2002 (nPVI).
 */
public final class Syncopation {
  private Syncopation() {}

  /**
   * Weights of the steps of a bar: 0 for its first, and one less for every level of the meter's
   * tree on which a step first appears. The bar falls into beats by its prime parts, twos first; a
   * beat into two and two, or into three and two where it is compound. So 4/4 in sixteenths gives 0
   * -4 -3 -4 -2 -4 -3 -4 -1 ..., 3/4 gives 0 -3 -2 -3 -1 ..., 6/8 gives 0 -3 -2 -3 -2 -3 -1 ...
   *
   * @param steps of the bar
   * @param stepsPerBeat 4, or 6 in compound time
   */
  public static int[] weights(int steps, int stepsPerBeat) {
    List<Integer> parts = primes(Math.max(1, steps / stepsPerBeat));
    parts.addAll(stepsPerBeat % 3 == 0 ? List.of(3, 2) : List.of(2, 2));
    int[] w = new int[steps];
    for (int s = 1; s < steps; s++) {
      int span = steps;
      int level = 0;
      while (level < parts.size() && s % span != 0) {
        span /= parts.get(level);
        level++;
      }
      w[s] = -level;
    }
    return w;
  }

  private static List<Integer> primes(int beats) {
    List<Integer> out = new ArrayList<>();
    int left = beats;
    for (int p = 2; left > 1; p++) {
      for (; left % p == 0; left /= p) {
        out.add(p);
      }
    }
    return out;
  }

  /** Sum of the syncopations of a bar that is repeated; {@code played[step]}. */
  public static int of(boolean[] played, int[] weights) {
    int sum = 0;
    for (int s = 0; s < played.length; s++) {
      if (!played[s]) {
        continue;
      }
      int strongest = Integer.MIN_VALUE;
      for (int k = 1; k < played.length && !played[(s + k) % played.length]; k++) {
        strongest = Math.max(strongest, weights[(s + k) % played.length]);
      }
      sum += Math.max(0, strongest == Integer.MIN_VALUE ? 0 : strongest - weights[s]);
    }
    return sum;
  }

  /** nPVI of successive durations, 0 for even ones; NaN for fewer than two. */
  public static double variability(double[] durations) {
    double sum = 0;
    for (int k = 0; k + 1 < durations.length; k++) {
      sum += Math.abs(durations[k] - durations[k + 1]) / ((durations[k] + durations[k + 1]) / 2);
    }
    return durations.length < 2 ? Double.NaN : 100 * sum / (durations.length - 1);
  }

  /** Durations from each played step to the next, round the bar. */
  public static double[] durations(boolean[] played) {
    int[] at = java.util.stream.IntStream.range(0, played.length).filter(s -> played[s]).toArray();
    return Arrays.stream(java.util.stream.IntStream.range(0, at.length).toArray())
        .mapToDouble(
            i -> i + 1 < at.length ? at[i + 1] - at[i] : at[0] + played.length - at[at.length - 1])
        .toArray();
  }
}
