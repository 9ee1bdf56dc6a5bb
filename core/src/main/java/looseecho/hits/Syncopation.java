package looseecho.hits;

import java.util.Arrays;

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
   * Weights of the steps of a bar, 0 and below: for 4/4 in sixteenths 0 -4 -3 -4 -2 -4 -3 -4 -1 ...
   *
   * @param steps of the bar
   * @param stepsPerBeat 4, or 6 in compound time
   */
  public static int[] weights(int steps, int stepsPerBeat) {
    int beats = Math.max(1, steps / stepsPerBeat);
    int[] w = new int[steps];
    for (int s = 0; s < steps; s++) {
      int beat = s / stepsPerBeat;
      int in = s % stepsPerBeat;
      if (in == 0) {
        w[s] =
            beat == 0 ? 0 : beats % 2 == 0 && beat % (beats / 2) == 0 ? -1 : beats <= 2 ? -1 : -2;
      } else {
        boolean middle = stepsPerBeat % 4 == 0 ? in % 2 == 0 : in % 2 == 0;
        w[s] = middle ? -3 : -4;
      }
    }
    return w;
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
