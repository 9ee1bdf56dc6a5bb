package looseecho.activity;

import looseecho.activity.Weights.Tensor;

/**
 * Convolution over time and bands with zero padding. Layouts: input and output
 * [frame][band][channel], kernel [time tap][band tap][in][out]; flat arrays, channels innermost, so
 * that the inner loop vectorises.
 */
final class Convolution {
  private Convolution() {}

  /**
   * Convolves.
   *
   * @param bands width of the input, 1 for curves over time alone
   * @param dilation frames between two taps in time
   * @param relu true to cut off what is below zero
   */
  static float[] apply(
      float[] x, int frames, int bands, Tensor kernel, Tensor bias, int dilation, boolean relu) {
    int taps = kernel.shape()[0];
    int width = kernel.shape()[1];
    int in = kernel.shape()[2];
    int out = kernel.shape()[3];
    float[] k = kernel.values();
    float[] y = new float[frames * bands * out];
    float[] acc = new float[out];
    for (int n = 0; n < frames; n++) {
      for (int b = 0; b < bands; b++) {
        System.arraycopy(bias.values(), 0, acc, 0, out);
        for (int t = 0; t < taps; t++) {
          int m = n + (t - taps / 2) * dilation;
          if (m < 0 || m >= frames) {
            continue;
          }
          int first = Math.max(0, width / 2 - b);
          int last = Math.min(width - 1, bands - 1 - b + width / 2);
          // Neighbouring bands lie side by side in the input and in the kernel: one run over all of
          // them.
          int from = (m * bands + b + first - width / 2) * in;
          accumulate(acc, x, from, (last - first + 1) * in, k, (t * width + first) * in * out, out);
        }
        int at = (n * bands + b) * out;
        for (int o = 0; o < out; o++) {
          y[at + o] = relu ? Math.max(0, acc[o]) : acc[o];
        }
      }
    }
    return y;
  }

  /** acc[o] += sum over i of x[xi + i] * k[ki + i * out + o]. */
  private static void accumulate(
      float[] acc, float[] x, int xi, int in, float[] k, int ki, int out) {
    int i = 0;
    for (;
        i + 3 < in;
        i += 4) { // four inputs at a time, so that the sums are loaded and stored less often
      float v0 = x[xi + i];
      float v1 = x[xi + i + 1];
      float v2 = x[xi + i + 2];
      float v3 = x[xi + i + 3];
      int row = ki + i * out;
      for (int o = 0; o < out; o++) {
        acc[o] +=
            v0 * k[row + o]
                + v1 * k[row + out + o]
                + v2 * k[row + 2 * out + o]
                + v3 * k[row + 3 * out + o];
      }
    }
    for (; i < in; i++) {
      float v = x[xi + i];
      int row = ki + i * out;
      for (int o = 0; o < out; o++) {
        acc[o] += v * k[row + o];
      }
    }
  }

  static float sigmoid(float x) {
    return (float) (1 / (1 + Math.exp(-x)));
  }
}
