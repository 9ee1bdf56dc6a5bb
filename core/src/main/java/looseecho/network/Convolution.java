package looseecho.network;

import java.util.Arrays;
import looseecho.network.Weights.Tensor;

/**
 * Convolution over time and bands with zero padding. Sounds are held as planes, one array of all
 * frames per band and channel, in the order [band * channels + channel]; kernels as [time tap][band
 * tap][in][out].
 *
 * <p>The inner loop runs over frames and adds six weighted planes from the same place in each,
 * which the compiler turns into vector instructions; it does not for planes read at different
 * places, hence a shifted copy of the input for each tap in time, nor for more than some twenty
 * operations, hence fused ones. The six stay in the processor's nearest memory while every output
 * takes them.
 */
public final class Convolution {
  private static final int TILE = 1024; // frames worked on at a time, at most
  private static final int AT_ONCE = 6;

  private Convolution() {}

  /**
   * Convolves.
   *
   * @param bands width of the input, 1 for curves over time alone
   * @param dilation frames between two taps in time
   * @param relu true to cut off what is below zero
   */
  public static float[][] apply(
      float[][] x, int bands, Tensor kernel, Tensor bias, int dilation, boolean relu) {
    int taps = kernel.shape()[0];
    int out = kernel.shape()[3];
    int frames = x[0].length;
    int tiles = (frames + TILE - 1) / TILE;
    int tile = (frames + tiles - 1) / tiles; // all alike: a short one costs as much
    float[][] y = new float[bands * out][frames];
    for (int p = 0; p < y.length; p++) {
      Arrays.fill(y[p], bias.values()[p % out]);
    }
    float[][] shifted = null;
    for (int t = 0; t < taps; t++) {
      int by = (t - taps / 2) * dilation;
      if (Math.abs(by) >= frames) {
        continue;
      }
      shifted = by != 0 && shifted == null ? new float[x.length][frames] : shifted;
      float[][] from = by == 0 ? x : shift(x, by, shifted);
      for (int at = 0; at < frames; at += tile) {
        tap(from, y, bands, kernel, t, at, Math.min(frames, at + tile));
      }
    }
    if (relu) {
      for (float[] plane : y) {
        for (int n = 0; n < frames; n++) {
          plane[n] = Math.max(0, plane[n]);
        }
      }
    }
    return y;
  }

  /** Fills {@code out} with out[n] = x[n + by], zero outside. */
  private static float[][] shift(float[][] x, int by, float[][] out) {
    int count = x[0].length - Math.abs(by);
    int to = Math.max(0, -by);
    for (int p = 0; p < x.length; p++) {
      Arrays.fill(out[p], 0, to, 0);
      System.arraycopy(x[p], Math.max(0, by), out[p], to, count);
      Arrays.fill(out[p], to + count, out[p].length, 0);
    }
    return out;
  }

  /** Adds what one tap in time gives to the frames from to before to. */
  private static void tap(
      float[][] x, float[][] y, int bands, Tensor kernel, int tap, int from, int to) {
    int width = kernel.shape()[1];
    int in = kernel.shape()[2];
    int out = kernel.shape()[3];
    float[] k = kernel.values();
    for (int b = 0; b < bands; b++) {
      int first = Math.max(0, width / 2 - b);
      int last = Math.min(width - 1, bands - 1 - b + width / 2);
      int plane = (b + first - width / 2) * in; // neighbouring bands follow one another
      int inputs = (last - first + 1) * in;
      int row = (tap * width + first) * in * out;
      int i = 0;
      for (; i + AT_ONCE <= inputs; i += AT_ONCE) {
        for (int o = 0; o < out; o++) {
          add(y[b * out + o], x, plane + i, k, row + i * out + o, out, from, to);
        }
      }
      for (; i < inputs; i++) {
        for (int o = 0; o < out; o++) {
          add(y[b * out + o], x[plane + i], k[row + i * out + o], from, to);
        }
      }
    }
  }

  private static void add(
      float[] sum, float[][] x, int plane, float[] k, int at, int step, int from, int to) {
    float[] a = x[plane];
    float[] b = x[plane + 1];
    float[] c = x[plane + 2];
    float[] d = x[plane + 3];
    float[] e = x[plane + 4];
    float[] f = x[plane + 5];
    float ka = k[at];
    float kb = k[at + step];
    float kc = k[at + 2 * step];
    float kd = k[at + 3 * step];
    float ke = k[at + 4 * step];
    float kf = k[at + 5 * step];
    for (int n = from; n < to; n++) {
      float s = Math.fma(ka, a[n], Math.fma(kb, b[n], Math.fma(kc, c[n], sum[n])));
      sum[n] = Math.fma(kd, d[n], Math.fma(ke, e[n], Math.fma(kf, f[n], s)));
    }
  }

  private static void add(float[] sum, float[] a, float weight, int from, int to) {
    for (int n = from; n < to; n++) {
      sum[n] += weight * a[n];
    }
  }

  /** The logistic function. */
  public static float sigmoid(float x) {
    return (float) (1 / (1 + Math.exp(-x)));
  }

  /** Adds y to x. */
  public static void add(float[][] x, float[][] y) {
    for (int p = 0; p < x.length; p++) {
      for (int n = 0; n < x[p].length; n++) {
        x[p][n] += y[p][n];
      }
    }
  }

  /** A kernel over time alone, (tap, in, out) or (in, out), as one of width 1. */
  public static Tensor curve(Weights weights, int at) {
    Tensor t = weights.get(at);
    int[] s = t.shape();
    return new Tensor(
        s.length == 3 ? new int[] {s[0], 1, s[1], s[2]} : new int[] {1, 1, s[0], s[1]}, t.values());
  }
}
