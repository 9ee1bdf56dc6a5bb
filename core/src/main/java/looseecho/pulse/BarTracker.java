package looseecho.pulse;

import java.util.ArrayList;
import java.util.Arrays;
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
    int shortest = (int) Math.round(6000 / settings.maxBpm());
    int longest = (int) Math.round(6000 / settings.minBpm());
    int tempos = longest - shortest + 1;
    float[][] step = transitions(shortest, tempos);
    int width = beatsPerBar * tempos;
    // best[n][state]: a beat of place b begins at frame n, the beat before it lasted shortest + i
    // frames. Only the last few frames of it are ever read again, so it is kept as a ring.
    float[][] best = new float[longest + 1][width];
    short[][] from = new short[frames + 1][];
    for (int n = 0; n <= frames; n++) {
      from[n] = new short[width];
      Arrays.fill(best[n % best.length], Float.NEGATIVE_INFINITY);
      advance(n, beatsPerBar, shortest, tempos, step, best, from);
    }
    return trace(beatsPerBar, shortest, tempos, best, from);
  }

  /** Log probabilities of the tempo [to][from]. */
  private static float[][] transitionsFor(int shortest, int tempos, double rigidity) {
    float[][] out = new float[tempos][tempos];
    double[] share = new double[tempos];
    for (int j = 0; j < tempos; j++) {
      double sum = 0;
      for (int i = 0; i < tempos; i++) {
        share[i] = Math.exp(-rigidity * Math.abs((double) (shortest + i) / (shortest + j) - 1));
        sum += share[i];
      }
      for (int i = 0; i < tempos; i++) {
        out[i][j] = (float) Math.log(share[i] / sum);
      }
    }
    return out;
  }

  private float[][] transitions(int shortest, int tempos) {
    return transitionsFor(shortest, tempos, settings.tempoRigidity());
  }

  private void advance(
      int n, int meter, int shortest, int tempos, float[][] step, float[][] best, short[][] from) {
    double start = restSum[n] - Math.log(tempos * meter);
    boolean mayStart = n < longestStart(shortest, tempos);
    float[] now = best[n % best.length];
    for (int i = 0; i < tempos; i++) {
      int length = shortest + i;
      int m = n - length;
      float[] then = m < 0 ? null : best[m % best.length];
      int reach = Math.max(2, (int) (length * 0.12));
      int low = Math.max(0, i - reach);
      int high = Math.min(tempos - 1, i + reach);
      float held = step[i][i] - (float) settings.barBreakCost();
      float down = then == null ? 0 : (float) interval(m, length, beatSum[0]);
      float other = then == null ? 0 : (float) interval(m, length, beatSum[1]);
      for (int b = 0; b < meter; b++) {
        float value = Float.NEGATIVE_INFINITY;
        int source = -1;
        if (then != null) {
          int before = (b + meter - 1) % meter * tempos;
          source = likeliest(then, before, step[i], low, high);
          value = source < 0 ? value : then[source] + step[i][source - before];
          int broken = b == 0 ? unfinished(then, meter, tempos, i) : -1;
          if (broken >= 0 && then[broken] + held > value) {
            value = then[broken] + held;
            source = broken;
          }
          if (source >= 0) {
            value += source < tempos ? down : other;
          }
        }
        if (mayStart && start > value) {
          value = (float) start;
          source = -1;
        }
        now[b * tempos + i] = value;
        from[n][b * tempos + i] = (short) source;
      }
    }
  }

  /** The state behind {@code before} from which a change of tempo is likeliest; -1 for none. */
  private static int likeliest(float[] then, int before, float[] step, int low, int high) {
    float value = Float.NEGATIVE_INFINITY;
    int source = -1;
    for (int j = low; j <= high; j++) {
      float v = then[before + j] + step[j];
      if (v > value) {
        value = v;
        source = before + j;
      }
    }
    return source;
  }

  /** The likeliest bar of tempo i that breaks off before its last beat; -1 for none. */
  private static int unfinished(float[] then, int meter, int tempos, int i) {
    float value = Float.NEGATIVE_INFINITY;
    int source = -1;
    for (int at = i; at < (meter - 1) * tempos; at += tempos) {
      if (then[at] > value) {
        value = then[at];
        source = at;
      }
    }
    return source;
  }

  private int longestStart(int shortest, int tempos) {
    return Math.min(frames, 4 * (shortest + tempos));
  }

  /**
   * Log likelihood of one beat that begins at frame m and lasts {@code length} frames.
   *
   * @param on running log likelihood of a beat of its kind
   */
  private double interval(int m, int length, double[] on) {
    int head = Math.max(1, (2 * length + OBSERVE) / (2 * OBSERVE)); // the nearest sixteenth
    int half = head / 2; // the activity's bump lies around the beat, not behind it
    int a = Math.max(0, m - half);
    int b = Math.min(frames, m - half + head);
    int end = Math.min(frames, m + length - half);
    return on[b] - on[a] + restSum[Math.max(b, end)] - restSum[b];
  }

  private Path trace(int meter, int shortest, int tempos, float[][] best, short[][] from) {
    int end = frames;
    double top = Double.NEGATIVE_INFINITY;
    int state = -1;
    for (int n = Math.max(0, frames - (shortest + tempos) + 2); n <= frames; n++) {
      for (int s = 0; s < meter * tempos; s++) {
        double v = best[n % best.length][s] + (restSum[frames] - restSum[n]);
        if (v > top) {
          top = v;
          end = n;
          state = s;
        }
      }
    }
    List<int[]> back = new ArrayList<>(); // {frame, place}
    int n = end;
    while (state >= 0) {
      back.add(new int[] {n, state / tempos});
      int source = from[n][state];
      n -= shortest + state % tempos;
      state = source;
    }
    int count = back.size();
    double[] times = new double[count];
    int[] places = new int[count];
    for (int k = 0; k < count; k++) {
      int[] beat = back.get(count - 1 - k);
      times[k] = Activities.FRAMES.seconds(first + beat[0]);
      places[k] = beat[1] + 1;
    }
    return new Path(times, places, top / Math.max(1, frames));
  }
}
