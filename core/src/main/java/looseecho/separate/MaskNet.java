package looseecho.separate;

import looseecho.network.Convolution;
import looseecho.network.Weights;

/**
 * A small trained network that tells which group every band of every moment belongs to: one layer
 * over all bands of middle and side, dilated residual convolutions over time, and a softmax over
 * the groups. In the manner of Luo and Mesgarani, "Conv-TasNet: surpassing ideal time-frequency
 * magnitude masking for speech separation", 2019, on magnitudes instead of a learned front.
 * Immutable and thread-safe.
 */
final class MaskNet {
  static final int INPUTS = 2 * SpectrumBands.COUNT;
  private static final int[] DILATIONS = {1, 2, 4, 8, 16, 32, 64, 1};

  /** Frames on either side that an output depends on. */
  static final int REACH = 128;

  private final Weights weights;

  private MaskNet(Weights weights) {
    this.weights = weights;
  }

  /** The shipped network. */
  static MaskNet load() {
    return new MaskNet(Weights.load(MaskNet.class, "separator.bin"));
  }

  /**
   * Shares of the groups.
   *
   * @param x [2 x bands: middle, then side][frames]
   * @return [group x 2 x bands][frames]; the groups of one band add up to 1
   */
  float[][] run(float[][] x) {
    int at = 0;
    float[][] y = layer(x, at, 1, true);
    at += 2;
    for (int d : DILATIONS) {
      Convolution.add(y, layer(y, at, d, true));
      at += 2;
    }
    float[][] out = layer(y, at, 1, false);
    for (int p = 0; p < INPUTS; p++) {
      softmax(out, p);
    }
    return out;
  }

  private float[][] layer(float[][] x, int at, int dilation, boolean relu) {
    return Convolution.apply(
        x, 1, Convolution.curve(weights, at), weights.get(at + 1), dilation, relu);
  }

  private static void softmax(float[][] out, int plane) {
    int groups = out.length / INPUTS;
    int frames = out[plane].length;
    for (int n = 0; n < frames; n++) {
      float top = Float.NEGATIVE_INFINITY;
      for (int g = 0; g < groups; g++) {
        top = Math.max(top, out[g * INPUTS + plane][n]);
      }
      float sum = 0;
      for (int g = 0; g < groups; g++) {
        float e = (float) Math.exp(out[g * INPUTS + plane][n] - top);
        out[g * INPUTS + plane][n] = e;
        sum += e;
      }
      for (int g = 0; g < groups; g++) {
        out[g * INPUTS + plane][n] /= sum;
      }
    }
  }
}
