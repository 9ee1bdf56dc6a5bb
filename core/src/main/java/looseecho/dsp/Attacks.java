package looseecho.dsp;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Where sounds begin in a recording: peaks of the spectral flux over a moving median (Dixon, "Onset
 * detection revisited", DAFx 2006). For cutting loops, not for hearing who plays.
 */
public final class Attacks {
  private static final int SIZE = 1024;
  private static final int HOP = 256;
  private static final int AROUND = 9; // frames on each side that the median is taken of
  private static final double OVER = 1.6; // times the median
  private static final double FLOOR = 0.08; // of the largest flux
  private static final double APART_SECONDS = 0.045;
  private static final int STEP = 32; // samples to which an attack is told
  private static final int NEAR = 24; // steps on each side that it is looked for in
  private static final int BEFORE = 8; // steps that it is held against

  /** Seconds of the attacks, in order; what begins with the recording is one. */
  public double[] find(float[] mono, int rate) {
    double[] flux = flux(mono);
    double most = Arrays.stream(flux).max().orElse(0);
    List<Double> out = new ArrayList<>();
    for (int k = 0; k + 1 < flux.length; k++) {
      int from = Math.max(0, k - AROUND);
      double[] near = Arrays.copyOfRange(flux, from, Math.min(flux.length, k + AROUND + 1));
      Arrays.sort(near);
      boolean peak = (k == 0 || flux[k] >= flux[k - 1]) && flux[k] > flux[k + 1];
      double time = (double) k * HOP / rate;
      boolean apart = out.isEmpty() || time - out.get(out.size() - 1) > APART_SECONDS;
      if (peak && apart && flux[k] > FLOOR * most && flux[k] > OVER * near[near.length / 2]) {
        out.add((double) attack(mono, k * HOP) / rate);
      }
    }
    return out.stream().mapToDouble(t -> t).toArray();
  }

  /** The sample near a place from which on it is suddenly louder than before. */
  private static int attack(float[] x, int near) {
    int best = Math.max(0, near);
    double most = 0;
    for (int k = -NEAR; k <= NEAR; k++) {
      int at = near + k * STEP;
      if (at >= 0 && at + STEP <= x.length) {
        double before = energy(x, at - BEFORE * STEP, at) / BEFORE;
        double rise = energy(x, at, at + 2 * STEP) / 2 / (before + 1e-6);
        if (rise > 1.2 * most) {
          most = rise;
          best = at;
        }
      }
    }
    return best;
  }

  private static double energy(float[] x, int from, int to) {
    double sum = 0;
    for (int i = Math.max(0, from); i < Math.min(x.length, to); i++) {
      sum += x[i] * x[i];
    }
    return sum;
  }

  private static double[] flux(float[] x) {
    int pad = SIZE / 2; // silence before it, so that a beginning counts as one
    float[] padded = new float[x.length + SIZE];
    System.arraycopy(x, 0, padded, pad, x.length);
    Fft fft = new Fft(SIZE, SIZE);
    float[] now = new float[fft.bins()];
    double[] before = new double[fft.bins()];
    double[] out = new double[x.length / HOP + 1];
    for (int k = 0; k < out.length; k++) {
      fft.magnitudes(padded, pad + k * HOP, now);
      double sum = 0;
      for (int b = 0; b < now.length; b++) {
        double level = Math.log1p(100 * now[b]);
        sum += Math.max(0, level - before[b]);
        before[b] = level;
      }
      out[k] = sum;
    }
    return out;
  }
}
