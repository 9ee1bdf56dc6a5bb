package looseecho.pulse;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * The likeliest chain of beats through all places of a bar and all lengths of a beat, by dynamic
 * programming: a state is a beat of a place that begins at a frame, and how long the one before it
 * was. The length may change on a beat only, by {@link #REACH} at most.
 *
 * <p>All lengths are weighed side by side, which the compiler makes vector code of; where a state
 * came from is looked up on the way back alone. For that, scores are held some minutes at a time,
 * and made again from a few kept ones where the way leads further: the memory does not grow with
 * the track.
 */
final class BarDecoder {
  private static final float NEVER = Float.NEGATIVE_INFINITY;

  /** Scores that are held at once, 64 MB: six minutes of all tempos, half an hour of a few. */
  static final int HELD = 1 << 24;

  private static final double REACH = 0.12; // of the length

  private final BarTracker beats;
  private final int frames;
  private final int meter;
  private final int shortest;
  private final int tempos;
  private final int block; // frames whose scores are held at once
  private final float breakCost;
  private final int reach; // longest change of a length, in frames
  private final int stride; // states of a place, and as many that never are as keep places apart
  private final float[][] step; // log probability of the length [to][from]
  private final float[][] change; // the same [change + reach][state]
  private final float[][] left; // best score of a beat that lasts so long, by its first frame; ring
  private final float[] shifted;
  private final float[][] rows; // scores of the states that begin at a frame, from `first` on
  private final List<float[][]> tails = new ArrayList<>(); // rows before each block
  private float[][] tail = new float[0][]; // those before `first`
  private int first;

  /** A beat of a place, and how long the one before it was. */
  record State(int frame, int place, int length) {}

  /**
   * Prepares a search.
   *
   * @param shortest length of a beat in frames
   * @param tempos how many lengths there are, each a frame longer than the one before
   * @param held scores held at once
   */
  BarDecoder(
      BarTracker beats, int meter, int shortest, int tempos, PulseSettings settings, int held) {
    this.beats = beats;
    this.frames = beats.frames();
    this.meter = meter;
    this.shortest = shortest;
    this.tempos = tempos;
    breakCost = (float) settings.barBreakCost();
    reach = reach(tempos - 1);
    stride = tempos + reach;
    block = Math.max(1, held / (meter * stride));
    step = transitions(shortest, tempos, settings.tempoRigidity());
    change = new float[2 * reach + 1][meter * stride];
    for (int d = -reach; d <= reach; d++) {
      Arrays.fill(change[d + reach], NEVER);
      for (int i = 0; i < tempos; i++) {
        boolean may = Math.abs(d) <= reach(i) && i + d >= 0 && i + d < tempos;
        for (int place = 0; may && place < meter; place++) {
          change[d + reach][place * stride + i] = step[i][i + d];
        }
      }
    }
    left = new float[shortest + tempos][meter * stride];
    shifted = new float[meter * stride];
    rows = new float[Math.min(frames + 1, block)][];
  }

  private int reach(int i) {
    return Math.max(2, (int) ((shortest + i) * REACH));
  }

  /** Log probabilities of the length [to][from]. */
  private static float[][] transitions(int shortest, int tempos, double rigidity) {
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

  /** The likeliest chain, its last state first, and its score. */
  double decode(List<State> chain) {
    for (int n = 0; n <= frames; n++) {
      if (n - first == block) {
        float[][] last = new float[Math.min(n, shortest + tempos)][];
        for (int k = 0; k < last.length; k++) {
          last[k] = row(n - last.length + k).clone();
        }
        tails.add(last);
        tail = last;
        first = n;
      }
      score(n);
    }
    double top = Double.NEGATIVE_INFINITY;
    State last = null;
    for (int n = Math.max(0, frames - (shortest + tempos) + 2); n <= frames; n++) {
      for (int place = 0; place < meter; place++) {
        for (int i = 0; i < tempos; i++) {
          double v = row(n)[place * stride + i] + beats.rest(n, frames);
          if (v > top) {
            top = v;
            last = new State(n, place, i);
          }
        }
      }
    }
    for (State s = last; s != null; s = before(s)) {
      chain.add(s);
    }
    return top;
  }

  private float[] row(int n) {
    return n >= first ? rows[n - first] : tail[n - first + tail.length];
  }

  /** Makes the scores of an earlier block again. */
  private void back(int n) {
    first = n / block * block;
    tail = first == 0 ? new float[0][] : tails.get(first / block - 1);
    for (int k = 0; k < tail.length; k++) {
      leave(first - tail.length + k, tail[k]);
    }
    for (int f = first; f < first + block; f++) {
      score(f);
    }
  }

  private void score(int n) {
    if (rows[n - first] == null) {
      rows[n - first] = new float[meter * stride];
      Arrays.fill(rows[n - first], NEVER); // between places it stays so
    }
    float[] now = rows[n - first];
    float start = start(n);
    for (int i = 0; i < tempos; i++) {
      int m = n - shortest - i;
      if (m < 0) {
        for (int place = 0; place < meter; place++) {
          now[place * stride + i] = start;
        }
        continue;
      }
      float[] then = left[m % left.length];
      float down = (float) beats.interval(m, shortest + i, true);
      float other = (float) beats.interval(m, shortest + i, false);
      now[i] = Math.max(start, firstOfBar(row(m), then[(meter - 1) * stride + i], i, down, other));
      for (int place = 1; place < meter; place++) {
        float value = then[(place - 1) * stride + i] + (place == 1 ? down : other);
        now[place * stride + i] = Math.max(start, value);
      }
    }
    leave(n, now);
  }

  /** Score of the first beat of a bar, behind a whole bar or one that broke off. */
  private float firstOfBar(float[] row, float whole, int i, float down, float other) {
    float best = whole + (meter == 1 ? down : other);
    for (int place = 0; place < meter - 1; place++) {
      best = Math.max(best, row[place * stride + i] + held(i) + (place == 0 ? down : other));
    }
    return best;
  }

  /** What a chain scores that begins at a frame; never where it is too late for that. */
  private float start(int n) {
    boolean may = n < Math.min(frames, 4 * (shortest + tempos));
    return may ? (float) (beats.rest(0, n) - Math.log(tempos * meter)) : NEVER;
  }

  /** Log probability that a bar breaks off, and the length stays. */
  private float held(int i) {
    return step[i][i] - breakCost;
  }

  /** For every length of the beat that begins at a frame, the best it can come from. */
  private void leave(int n, float[] now) {
    float[] out = left[n % left.length];
    Arrays.fill(out, NEVER);
    for (int d = -reach; d <= reach; d++) {
      int from = Math.max(0, d);
      int to = Math.max(0, -d);
      int count = now.length - Math.abs(d);
      System.arraycopy(now, from, shifted, to, count);
      Arrays.fill(shifted, 0, to, NEVER);
      Arrays.fill(shifted, to + count, now.length, NEVER);
      raise(out, shifted, change[d + reach]);
    }
  }

  /** Numbers at one place of three arrays: a loop of vectors. */
  private static void raise(float[] out, float[] from, float[] step) {
    for (int i = 0; i < out.length; i++) {
      out[i] = Math.max(out[i], from[i] + step[i]);
    }
  }

  /** The state that this one is likeliest to have come from; null where a chain begins. */
  private State before(State s) {
    if (s.frame() < first) {
      back(s.frame());
    }
    int i = s.length();
    int m = s.frame() - shortest - i;
    if (m < 0) {
      return null;
    }
    float[] then = row(m);
    float down = (float) beats.interval(m, shortest + i, true);
    float other = (float) beats.interval(m, shortest + i, false);
    int before = (s.place() + meter - 1) % meter;
    float value = NEVER;
    State source = null;
    for (int j = Math.max(0, i - reach(i)); j <= Math.min(tempos - 1, i + reach(i)); j++) {
      float v = then[before * stride + j] + step[i][j] + (before == 0 ? down : other);
      if (v > value) {
        value = v;
        source = new State(m, before, j);
      }
    }
    for (int place = 0; s.place() == 0 && place < meter - 1; place++) {
      float v = then[place * stride + i] + held(i) + (place == 0 ? down : other);
      if (v > value) {
        value = v;
        source = new State(m, place, i);
      }
    }
    return start(s.frame()) > value ? null : source;
  }
}
