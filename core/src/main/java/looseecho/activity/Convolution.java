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
          for (int w = first; w <= last; w++) {
            accumulate(
                acc,
                x,
                (m * bands + b + w - width / 2) * in,
                in,
                k,
                (t * width + w) * in * out,
                out);
          }
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
    for (int i = 0; i < in; i++) {
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
