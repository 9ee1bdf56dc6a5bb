package looseecho.hits;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.audio.Audio;

/**
 * Refines how hard the hits of one lane are struck, from the energy of their attacks.
 *
 * <p>The network's own loudness is good on average and coarse from hit to hit; the level of the
 * attack in the lane's band tells single hits apart but knows nothing of the instrument; a filter
 * matched to the lane's own sound ({@link MatchedStrikes}) leaves out what sounds along with it.
 * They are standardised over the lane's hits, weighed, added and put back on the network's scale;
 * the network counts the less, the more even it finds the hits, for then it mostly guesses. Of
 * nearly even kicks the click tells most, for no bass sounds along with it. Bands and weights are
 * those that correlated best on self-made validation songs (docs/accuracy.md).
 */
public final class StrikeMeter {
  private static final int FEWEST = 6;
  private static final double WIDE = 12; // spread of velocities that the network judges well
  private static final double STEADY = 1e-2; // hits that the network hears as one loudness
  private static final double CLICK = 0.03; // seconds of a kick's beater
  private final Audio audio;

  public StrikeMeter(Audio audio) {
    this.audio = audio;
  }

  /** The same hits with refined velocities, in the same order. */
  public List<Hit> refine(List<Hit> hits) {
    Hit[] out = hits.toArray(new Hit[0]);
    for (Lane lane : Lane.HEARD) {
      int[] at = IntStream.range(0, out.length).filter(i -> out[i].lane() == lane).toArray();
      double[] times = Arrays.stream(at).mapToDouble(i -> out[i].time()).toArray();
      double[] heard = Arrays.stream(at).mapToDouble(i -> out[i].velocity()).toArray();
      double[] struck = velocities(lane, times, heard);
      for (int k = 0; k < at.length; k++) {
        Hit h = out[at[k]];
        int velocity = (int) Math.round(Math.max(1, Math.min(127, struck[k])));
        out[at[k]] = h.withVelocity(velocity);
      }
    }
    return List.of(out);
  }

  private double[] velocities(Lane lane, double[] times, double[] heard) {
    double[] sum = new double[times.length];
    double mean = mean(heard);
    double spread = spread(heard, mean);
    if (times.length < FEWEST || spread < STEADY) {
      return heard;
    }
    AttackLevel attack = new AttackLevel(audio, lane);
    double[] level = Arrays.stream(times).map(attack::at).toArray();
    double uneven = Math.min(1, spread / WIDE);
    add(sum, heard, heard(lane).at(uneven));
    add(sum, level, 1);
    for (Matched m : matched(lane)) {
      m.filter().loudness(times).ifPresent(gain -> add(sum, gain, m.weight().at(uneven)));
    }
    double joint = Math.max(1e-9, spread(sum, 0));
    return Arrays.stream(sum).map(s -> mean + spread * s / joint).toArray();
  }

  /** What a measure counts where the network finds the hits even, and where it does not. */
  private record Weight(double even, double uneven) {
    double at(double share) {
      return even + share * (uneven - even);
    }
  }

  private record Matched(MatchedStrikes filter, Weight weight) {}

  private static Weight heard(Lane lane) {
    return switch (lane) {
      case KICK, SNARE -> new Weight(0.6, 0.6);
      case CLAP -> new Weight(0, 0.7);
      default -> new Weight(0.3, 1);
    };
  }

  private List<Matched> matched(Lane lane) {
    return switch (lane) {
      case KICK ->
          List.of(new Matched(new MatchedStrikes(audio, 1000, 8000, CLICK), new Weight(0.5, 0.2)));
      case SNARE ->
          List.of(new Matched(new MatchedStrikes(audio, 150, 9000), new Weight(0.4, 0.4)));
      default -> List.of();
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
