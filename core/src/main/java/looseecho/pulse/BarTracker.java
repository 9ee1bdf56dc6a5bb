package looseecho.pulse;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import looseecho.activity.Activities;

/**
 * Decodes beats and bars together from beat and downbeat activity.
 *
 * <p>Input: activity at 100 frames a second. Output: the likeliest sequence of beats with places in
 * the bar, and its log likelihood per frame. Method: the bar-pointer model with a state space as in
 * Krebs, Boeck and Widmer, "An efficient state-space model for joint tempo and meter tracking",
 * ISMIR 2015, solved as a semi-Markov chain: as the pointer can change its speed on a beat only, a
 * whole beat is scored at once from running sums. Departure: a bar may break off early at a cost,
 * so that one and a half bars stay one and a half. Tempos are whole frames per beat; finer ones are
 * found later.
 */
final class BarTracker {
  private static final int OBSERVE = 16; // a sixteenth of a beat around its start counts as "beat"
  private static final double EPS = 1e-4;

  /** A decoded path: beat times in seconds, place in bar from 1, log likelihood per frame. */
  record Path(double[] times, int[] positions, double score) {}

  private final PulseSettings settings;
  private final int first;
  private final int frames;
  private final double[][] beatSum =
      new double[2][]; // running log likelihood of "downbeat" (0) and "other beat" (1)
  private final double[] restSum; // running log likelihood of "no beat"

  /** Tracks the frames {@code from} to before {@code to}. */
  BarTracker(Activities activity, int from, int to, PulseSettings settings) {
    this.settings = settings;
    this.first = from;
    this.frames = to - from;
    beatSum[0] = new double[frames + 1];
    beatSum[1] = new double[frames + 1];
    restSum = new double[frames + 1];
    for (int n = 0; n < frames; n++) {
      double any = activity.beat(from + n);
      double down = Math.min(activity.downbeat(from + n), 0.98);
      double other = Math.max(EPS, any - 0.75 * down);
      beatSum[0][n + 1] = beatSum[0][n] + Math.log(Math.max(EPS, down));
      beatSum[1][n + 1] = beatSum[1][n] + Math.log(other);
      restSum[n + 1] =
          restSum[n] + Math.log(Math.max(EPS, (1 - Math.max(any, down)) / (OBSERVE - 1)));
    }
  }

  /** The best path for a meter; empty times when the song is shorter than two beats. */
  Path decode(int beatsPerBar) {
    return decode(beatsPerBar, BarDecoder.HELD);
  }

  /** The same with so many scores held at once. */
  Path decode(int beatsPerBar, int held) {
    int shortest = (int) Math.round(6000 / settings.maxBpm());
    int longest = (int) Math.round(6000 / settings.minBpm());
    List<BarDecoder.State> chain = new ArrayList<>();
    double score =
        new BarDecoder(this, beatsPerBar, shortest, longest - shortest + 1, settings, held)
            .decode(chain);
    Collections.reverse(chain);
    double[] times =
        chain.stream().mapToDouble(s -> Activities.FRAMES.seconds(first + s.frame())).toArray();
    int[] places = chain.stream().mapToInt(s -> s.place() + 1).toArray();
    return new Path(times, places, score / Math.max(1, frames));
  }

  int frames() {
    return frames;
  }

  /** Log likelihood that no beat is between two frames. */
  double rest(int from, int to) {
    return restSum[to] - restSum[from];
  }

  /**
   * Log likelihood of one beat that begins at frame m and lasts {@code length} frames.
   *
   * @param down true for the first of a bar
   */
  double interval(int m, int length, boolean down) {
    double[] on = beatSum[down ? 0 : 1];
    int head = Math.max(1, (2 * length + OBSERVE) / (2 * OBSERVE)); // the nearest sixteenth
    int half = head / 2; // the activity's bump lies around the beat, not behind it
    int a = Math.max(0, m - half);
    int b = Math.min(frames, m - half + head);
    int end = Math.min(frames, m + length - half);
    return on[b] - on[a] + restSum[Math.max(b, end)] - restSum[b];
  }
}
