package looseecho.activity;

import java.util.List;
import looseecho.network.Convolution;
import looseecho.network.Weights;
import looseecho.reading.Progress;
import looseecho.reading.Together;

/**
 * Two small trained networks whose outputs are averaged before the sigmoid; they learnt from other
 * songs and other kits, and err in other places (Hansen and Salamon, "Neural network ensembles",
 * 1990). Each: three 2-D convolutions over time and mel bands with pooling over bands between them,
 * one joining layer, nine dilated residual 1-D convolutions, sigmoid outputs. In the manner of Vogl
 * and others, "Drum transcription via joint beat and drum modeling using convolutional recurrent
 * neural networks", ISMIR 2017, and of Davies and Boeck, "Temporal convolutional networks for
 * musical audio beat tracking", EUSIPCO 2019.
 *
 * <p>The song is cut into blocks that overlap by the network's reach (5.2 s each way), and the
 * blocks run in parallel; the outcome does not depend on the cutting or on the number of threads.
 * Immutable and thread-safe.
 */
public final class ActivityNet {
  static final List<String> WEIGHTS = List.of("activity-net-1.bin", "activity-net-2.bin");
  private static final int SHORTEST = 3000; // frames of a block
  private static final int LONGEST = 12000;
  private static final int[] DILATIONS = {1, 2, 4, 8, 16, 32, 64, 128, 256};
  private static final int REACH = 520;
  private static final int POOL = 3;
  private static final int FRONT = 3;

  private final Weights first;
  private final Weights second;

  private ActivityNet(Weights first, Weights second) {
    this.first = first;
    this.second = second;
  }

  /** The shipped networks. */
  public static ActivityNet load() {
    return new ActivityNet(
        Weights.load(ActivityNet.class, WEIGHTS.get(0)),
        Weights.load(ActivityNet.class, WEIGHTS.get(1)));
  }

  /** Runs the networks over the whole song. */
  public Activities run(MelSpectra mel, Progress progress) {
    int frames = mel.frames();
    int outputs = Activities.CURVES + Lane.HEARD.size();
    float[][] curves = new float[outputs][frames];
    // Two blocks for each core: the longer a block, the less is heard twice at its edges.
    int share = frames / (2 * Runtime.getRuntime().availableProcessors()) + 1;
    int block = Math.max(SHORTEST, Math.min(LONGEST, share));
    int blocks = (frames + block - 1) / block;
    Together.each(
        blocks,
        b -> {
          if (progress.cancelled()) {
            return;
          }
          int from = b * block;
          int count = Math.min(block, frames - from);
          // Clipped to the song, so that the convolutions pad at its ends as they did in
          // training.
          int start = Math.max(0, from - REACH);
          int end = Math.min(frames, from + count + REACH);
          float[][] x = mel.planes(start, end - start);
          float[][] one = block(first, x);
          float[][] two = block(second, x);
          for (int o = 0; o < outputs; o++) {
            for (int n = 0; n < count; n++) {
              int at = from - start + n;
              curves[o][from + n] = Convolution.sigmoid(joint(o, one[o][at], two[o][at]));
            }
          }
          progress.at("Hearing hits and beats", (b + 1.0) / blocks);
        });
    progress.step("Hearing hits and beats", 1);
    return new Activities(curves);
  }

  /**
   * The mean of the two, but for the downbeat, which is the first's: both together lose an even
   * beat's bars.
   */
  private static float joint(int output, float one, float two) {
    return output == Activities.DOWNBEAT ? one : (one + two) / 2;
  }

  private static float[][] block(Weights weights, float[][] x) {
    int bands = MelSpectra.BANDS;
    int joined = weights.get(2 * FRONT).shape()[0];
    int at = 0;
    for (int layer = 0; layer < FRONT; layer++, at += 2) {
      x = Convolution.apply(x, bands, weights.get(at), weights.get(at + 1), 1, true);
      if (layer < FRONT - 1 || x.length > joined) {
        x = maxPool(x, bands);
        bands = (bands + POOL - 1) / POOL;
      }
    }
    x = channelMajor(x, bands);
    x = Convolution.apply(x, 1, Convolution.curve(weights, at), weights.get(at + 1), 1, true);
    at += 2;
    for (int d : DILATIONS) {
      float[][] y =
          Convolution.apply(x, 1, Convolution.curve(weights, at), weights.get(at + 1), d, true);
      Convolution.add(x, y);
      at += 2;
    }
    return Convolution.apply(x, 1, Convolution.curve(weights, at), weights.get(at + 1), 1, false);
  }

  /** Largest of three neighbouring bands; the last group may be shorter. */
  private static float[][] maxPool(float[][] x, int bands) {
    int channels = x.length / bands;
    float[][] y = new float[(bands + POOL - 1) / POOL * channels][];
    for (int p = 0; p < x.length; p++) {
      int to = p / channels / POOL * channels + p % channels;
      if (y[to] == null) {
        y[to] = x[p];
        continue;
      }
      for (int n = 0; n < y[to].length; n++) {
        y[to][n] = Math.max(y[to][n], x[p][n]);
      }
    }
    return y;
  }

  /** [band][channel] to [channel][band]. */
  private static float[][] channelMajor(float[][] x, int bands) {
    int channels = x.length / bands;
    float[][] y = new float[x.length][];
    for (int p = 0; p < x.length; p++) {
      y[p % channels * bands + p / channels] = x[p];
    }
    return y;
  }
}
