package looseecho.drawer;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import looseecho.palette.SoundClassifier.Look;

/**
 * Judges every sample together with the few that are most like it in the same drawer: a drawer is
 * made of families, so that what the network is unsure of is told by its kin. A logarithmic pool of
 * opinions, repeated; after Zhou and others, "Learning with local and global consistency", NIPS
 * 2003.
 */
final class Neighbours {
  private static final int NEAREST = 3;
  private static final double SAY = 0.3; // of a neighbour that lies in the very same place
  private static final int NARROW = 8; // power of the cosine: what lies further away has no say
  private static final int ROUNDS = 4;
  private static final double UNIT = 10_000; // length of a place
  private static final double FLOOR = 0.02; // nobody is surer than that

  private record Kin(int[] who, double[] say) {}

  private Neighbours() {}

  /** Shares of the classes of every sound, each judged with its neighbours. */
  static List<double[]> settled(List<Look> sounds) {
    int[][] places = sounds.stream().map(l -> unit(l.place())).toArray(int[][]::new);
    List<Kin> kin =
        IntStream.range(0, places.length).parallel().mapToObj(i -> kin(i, places)).toList();
    List<double[]> now = sounds.stream().map(Look::shares).toList();
    for (int round = 0; round < ROUNDS; round++) {
      List<double[]> before = now;
      now =
          IntStream.range(0, places.length)
              .mapToObj(i -> pooled(sounds.get(i).shares(), kin.get(i), before))
              .toList();
    }
    return now;
  }

  private static double[] pooled(double[] own, Kin kin, List<double[]> all) {
    double[] out = new double[own.length];
    for (int c = 0; c < out.length; c++) {
      double sum = Math.log(own[c] + FLOOR);
      for (int k = 0; k < kin.who().length; k++) {
        sum += kin.say()[k] * Math.log(all.get(kin.who()[k])[c] + FLOOR);
      }
      out[c] = Math.exp(sum);
    }
    double whole = Arrays.stream(out).sum();
    return Arrays.stream(out).map(v -> v / whole).toArray();
  }

  private static Kin kin(int own, int[][] places) {
    int most = Math.min(NEAREST, places.length - 1);
    int[] who = new int[most];
    double[] near = new double[most];
    Arrays.fill(near, -1);
    for (int i = 0; i < places.length; i++) {
      double cosine = i == own ? -1 : cosine(places[own], places[i]);
      for (int k = 0; k < most; k++) {
        if (cosine > near[k]) { // the others move down by one
          System.arraycopy(near, k, near, k + 1, most - k - 1);
          System.arraycopy(who, k, who, k + 1, most - k - 1);
          near[k] = cosine;
          who[k] = i;
          break;
        }
      }
    }
    return new Kin(who, Arrays.stream(near).map(c -> SAY * Math.pow(c, NARROW)).toArray());
  }

  private static int[] unit(byte[] place) {
    double sum = 1e-9;
    for (byte b : place) {
      sum += b * b;
    }
    int[] out = new int[place.length];
    for (int k = 0; k < out.length; k++) {
      out[k] = (int) Math.rint(place[k] / Math.sqrt(sum) * UNIT);
    }
    return out;
  }

  /**
   * Of whole numbers, whose sum may be taken in any order and so side by side: four times as fast.
   */
  private static double cosine(int[] a, int[] b) {
    int sum = 0;
    for (int k = 0; k < a.length; k++) {
      sum += a[k] * b[k];
    }
    return sum / (UNIT * UNIT);
  }
}
