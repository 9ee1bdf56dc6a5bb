package looseecho.hits;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.activity.MelSpectra;
import looseecho.audio.Audio;

/**
 * Refines how hard the hits of one lane are struck, from the energy of their attacks.
 *
 * <p>The network's own loudness is good on average and coarse from hit to hit; the level of the
 * attack in the lane's band tells single hits apart but knows nothing of the instrument; a filter
 * matched to the lane's own sound ({@link MatchedStrikes}) leaves out what sounds along with it.
 * They are standardised over the lane's hits, weighed, added and put back on the network's scale;
 * the network counts the less, the more even it finds the hits, for then it mostly guesses. Bands
 * and weights are those that correlated best on self-made validation songs (docs/accuracy.md).
 */
public final class StrikeMeter {
  private static final int FEWEST = 6;
  private static final double WIDE =
      15; // spread of velocities of which the network is a good judge
  private static final double STEADY = 1e-2; // hits that the network hears as one loudness
  private final Envelope envelope;
  private final Audio audio;

  public StrikeMeter(MelSpectra mel, Audio audio) {
    this.envelope = new Envelope(mel);
    this.audio = audio;
  }

  /** The band in hertz in which a lane's attack stands out (common practice). */
  public static double[] band(Lane lane) {
    return switch (lane.base()) {
      case KICK -> new double[] {30, 120};
      case SNARE -> new double[] {180, 6000};
      case CLAP -> new double[] {600, 6000};
      case HAT_CLOSED, HAT_OPEN -> new double[] {7000, 16000};
      case TOM -> new double[] {70, 300};
      case CYMBAL -> new double[] {4000, 16000};
      default -> new double[] {300, 9000};
    };
  }

  /** The band in hertz whose level at the attack follows how hard the lane is struck. */
  private static double[] strikeBand(Lane lane) {
    return switch (lane) {
      case KICK -> new double[] {30, 300};
      case SNARE -> new double[] {1500, 9000};
      default -> band(lane);
    };
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
    double[] energy = new double[times.length];
    for (int i = 0; i < times.length; i++) {
      energy[i] = level(lane, envelope.frame(times[i]));
    }
    double telling = Math.min(1, spread / WIDE);
    add(sum, heard, (lane == Lane.SNARE ? 0.3 : 1) * telling * telling);
    add(sum, energy, 1);
    for (MatchedStrikes matched : matched(lane)) {
      matched.loudness(times).ifPresent(m -> add(sum, m, lane == Lane.KICK ? 1 : 0.5));
    }
    double joint = Math.max(1e-9, spread(sum, 0));
    return Arrays.stream(sum).map(s -> mean + spread * s / joint).toArray();
  }

  private List<MatchedStrikes> matched(Lane lane) {
    return switch (lane) {
      case KICK -> List.of(new MatchedStrikes(audio, 35, 1000));
      case SNARE ->
          List.of(new MatchedStrikes(audio, 150, 9000), new MatchedStrikes(audio, 5000, 17000));
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

  /** Mean logarithm over the lane's bands of their peaks at the attack. */
  private double level(Lane lane, int frame) {
    double[] hertz = strikeBand(lane);
    double sum = 0;
    int count = 0;
    for (int b = 0; b < MelSpectra.BANDS; b++) {
      if (MelSpectra.centreHz(b) < hertz[0] || MelSpectra.centreHz(b) > hertz[1]) {
        continue;
      }
      sum += envelope.peak(frame, b);
      count++;
    }
    return sum / Math.max(1, count);
  }

  private static double mean(double[] x) {
    return Arrays.stream(x).average().orElse(0);
  }

  private static double spread(double[] x, double mean) {
    return Math.sqrt(Arrays.stream(x).map(v -> (v - mean) * (v - mean)).average().orElse(0));
  }
}
