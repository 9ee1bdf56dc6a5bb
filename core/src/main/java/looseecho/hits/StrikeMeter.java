package looseecho.hits;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.hits.AttackLevel.Attack;
import looseecho.reading.Together;

/**
 * Refines how hard the hits of one lane are struck, from the energy of their attacks.
 *
 * <p>The network's own loudness is good on average and coarse from hit to hit; what the bands of
 * the attacks have in common ({@link CommonLoudness}) tells single hits apart but knows nothing of
 * the instrument. They are standardised over the lane's hits, weighed and added, and put back
 * around the network's mean, as far apart as the network and the attacks say, in the geometric
 * mean: an amplitude goes with the square of the velocity (DLS Level 1 specification, MIDI
 * Manufacturers Association 1999; from memory). Weights are those that correlated best on self-made
 * validation songs (docs/accuracy.md).
 */
public final class StrikeMeter {
  private static final int FEWEST = 6;
  private static final double STEADY = 1e-2; // hits that the network hears as one loudness
  private static final double POWER = 2; // of the velocity, in the amplitude
  private static final double WIDEST = 40; // spread of velocities
  private final Strokes strokes;

  public StrikeMeter(Strokes strokes) {
    this.strokes = strokes;
  }

  /** The same hits with refined velocities, in the same order. */
  public List<Hit> refine(List<Hit> hits) {
    Hit[] out = hits.toArray(new Hit[0]);
    Together.each(Lane.HEARD, lane -> refine(hits, lane, out)); // each has its own places
    return List.of(out);
  }

  private void refine(List<Hit> hits, Lane lane, Hit[] out) {
    int[] at = IntStream.range(0, out.length).filter(i -> hits.get(i).lane() == lane).toArray();
    double[] times = Arrays.stream(at).mapToDouble(i -> hits.get(i).time()).toArray();
    double[] heard = Arrays.stream(at).mapToDouble(i -> hits.get(i).velocity()).toArray();
    double[] struck = velocities(lane, times, heard);
    for (int k = 0; k < at.length; k++) {
      int velocity = (int) Math.round(Math.max(1, Math.min(127, struck[k])));
      out[at[k]] = hits.get(at[k]).withVelocity(velocity);
    }
  }

  private double[] velocities(Lane lane, double[] times, double[] heard) {
    double mean = mean(heard);
    double spread = spread(heard, mean);
    if (times.length < FEWEST || spread < STEADY) {
      return heard;
    }
    List<Attack> attacks = strokes.attacks(lane, times);
    if (attacks.isEmpty()) {
      return heard;
    }
    double[] common = CommonLoudness.of(attacks);
    double[] sum = new double[times.length];
    add(sum, common, 1);
    add(sum, heard, heard(lane));
    double measured = Math.min(WIDEST, mean * spread(common, 0) / POWER);
    double scale = Math.sqrt(spread * measured) / Math.max(1e-9, spread(sum, 0));
    return Arrays.stream(sum).map(s -> mean + scale * s).toArray();
  }

  /** What the network's loudness counts beside the attack's. */
  private static double heard(Lane lane) {
    return switch (lane) {
      case SNARE, CLAP, HAT_OPEN -> 0.15;
      case TOM -> 0.7;
      case PERCUSSION -> 1;
      default -> 0.5;
    };
  }

  /** Adds a measure, standardised and weighed. */
  private static void add(double[] sum, double[] measure, double weight) {
    double mean = mean(measure);
    double spread = Math.max(1e-9, spread(measure, mean));
    for (int i = 0; i < sum.length; i++) {
      sum[i] += weight * (measure[i] - mean) / spread;
    }
  }

  private static double mean(double[] x) {
    return Arrays.stream(x).average().orElse(0);
  }

  private static double spread(double[] x, double mean) {
    return Math.sqrt(Arrays.stream(x).map(v -> (v - mean) * (v - mean)).average().orElse(0));
  }
}
