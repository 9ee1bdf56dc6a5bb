package looseecho.activity;

import java.io.DataInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import java.util.zip.CRC32;
import looseecho.reading.Progress;

/**
 * A small trained network: three 2-D convolutions over time and mel bands with pooling over bands,
 * one joining layer, nine dilated residual 1-D convolutions, sigmoid outputs. In the manner of Vogl
 * and others, "Drum transcription via joint beat and drum modeling using convolutional recurrent
 * neural networks", ISMIR 2017, and of Davies and Boeck, "Temporal convolutional networks for
 * musical audio beat tracking", EUSIPCO 2019.
 *
 * <p>Flat arrays, channels innermost, so that the inner loops vectorise. The song is cut into
 * blocks that overlap by the network's reach (5.2 s each way), and the blocks run in parallel; the
 * outcome does not depend on the cutting or on the number of threads. Immutable and thread-safe.
 */
public final class ActivityNet {
  private static final String WEIGHTS = "activity-net.bin";
  private static final int MAGIC = 0x4c454e31;
  private static final int BLOCK = 1500;
  private static final int[] DILATIONS = {1, 2, 4, 8, 16, 32, 64, 128, 256};
  private static final int REACH = 520;
  private static final int POOL = 3;

  private final List<float[]> weights;
  private final List<int[]> shapes;

  private ActivityNet(List<float[]> weights, List<int[]> shapes) {
    this.weights = weights;
    this.shapes = shapes;
  }

  /** Loads the shipped weights; their checksum is verified. */
  public static ActivityNet load() {
    try (InputStream in = ActivityNet.class.getResourceAsStream(WEIGHTS)) {
      if (in == null) {
        throw new IOException("the weights are missing from the program");
      }
      return parse(in.readAllBytes());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  static ActivityNet parse(byte[] bytes) throws IOException {
    CRC32 crc = new CRC32();
    crc.update(bytes, 0, bytes.length - 4);
    if ((int) crc.getValue() != ByteBuffer.wrap(bytes).getInt(bytes.length - 4)) {
      throw new IOException("the network's weights are damaged");
    }
    DataInputStream in = new DataInputStream(new java.io.ByteArrayInputStream(bytes));
    if (in.readInt() != MAGIC) {
      throw new IOException("not a file of network weights");
    }
    int count = in.readInt();
    List<float[]> weights = new ArrayList<>();
    List<int[]> shapes = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      int[] shape = new int[in.readInt()];
      int size = 1;
      for (int d = 0; d < shape.length; d++) {
        shape[d] = in.readInt();
        size *= shape[d];
      }
      float[] w = new float[size];
      for (int k = 0; k < size; k++) {
        w[k] = in.readFloat();
      }
      weights.add(w);
      shapes.add(shape);
    }
    return new ActivityNet(weights, shapes);
  }

  /** Runs the network over the whole song. */
  public Activities run(MelSpectra mel, Progress progress) {
    int frames = mel.frames();
    int outputs = Activities.CURVES + Lane.values().length;
    float[][] curves = new float[outputs][frames];
    int blocks = (frames + BLOCK - 1) / BLOCK;
    IntStream.range(0, blocks)
        .parallel()
        .forEach(
            b -> {
              if (progress.cancelled()) {
                return;
              }
              int from = b * BLOCK;
              int count = Math.min(BLOCK, frames - from);
              // Frames outside the song are zeros at the network's input only where it never looks:
              // clip to the song,
              // as in training, where the convolutions pad at the song's ends.
              int first = Math.max(0, from - REACH);
              int last = Math.min(frames, from + count + REACH);
              float[] out = block(mel, first, last - first);
              for (int n = 0; n < count; n++) {
                for (int o = 0; o < outputs; o++) {
                  curves[o][from + n] = sigmoid(out[(from - first + n) * outputs + o]);
                }
              }
              progress.at("Hearing hits and beats", (b + 1.0) / blocks);
            });
    progress.step("Hearing hits and beats", 1);
    return new Activities(curves);
  }

  private float[] block(MelSpectra mel, int from, int frames) {
    float[] x = new float[frames * MelSpectra.BANDS * 2];
    mel.copy(from, frames, x);
    int bands = MelSpectra.BANDS;
    int t = 0;
    for (int layer = 0; layer < 3; layer++, t += 2) {
      int out = shapes.get(t)[3];
      x = conv2d(x, frames, bands, shapes.get(t)[2], weights.get(t), weights.get(t + 1), out);
      x = maxPool(x, frames, bands, out);
      bands = (bands + POOL - 1) / POOL;
    }
    x = channelMajor(x, frames, bands, x.length / frames / bands);
    int channels = shapes.get(t)[1];
    x = dense(x, frames, weights.get(t), weights.get(t + 1), channels, true);
    t += 2;
    for (int d : DILATIONS) {
      residual(x, frames, channels, d, weights.get(t), weights.get(t + 1));
      t += 2;
    }
    return dense(x, frames, weights.get(t), weights.get(t + 1), shapes.get(t)[1], false);
  }

  /**
   * 3 x 3 convolution with zero padding, then ReLU. Layouts [frame][band][channel]; kernel
   * [dt][db][in][out].
   */
  private static float[] conv2d(
      float[] x, int frames, int bands, int in, float[] k, float[] bias, int out) {
    float[] y = new float[frames * bands * out];
    float[] acc = new float[out];
    for (int n = 0; n < frames; n++) {
      for (int b = 0; b < bands; b++) {
        System.arraycopy(bias, 0, acc, 0, out);
        for (int dt = -1; dt <= 1; dt++) {
          if (n + dt < 0 || n + dt >= frames) {
            continue;
          }
          for (int db = -1; db <= 1; db++) {
            if (b + db < 0 || b + db >= bands) {
              continue;
            }
            int xi = ((n + dt) * bands + b + db) * in;
            int ki = ((dt + 1) * 3 + db + 1) * in * out;
            accumulate(acc, x, xi, in, k, ki, out);
          }
        }
        int yi = (n * bands + b) * out;
        for (int o = 0; o < out; o++) {
          y[yi + o] = Math.max(0, acc[o]);
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

  /** Largest of three neighbouring bands; the last group may be shorter. */
  private static float[] maxPool(float[] x, int frames, int bands, int channels) {
    int groups = (bands + POOL - 1) / POOL;
    float[] y = new float[frames * groups * channels];
    java.util.Arrays.fill(y, Float.NEGATIVE_INFINITY);
    for (int n = 0; n < frames; n++) {
      for (int b = 0; b < bands; b++) {
        int xi = (n * bands + b) * channels;
        int yi = (n * groups + b / POOL) * channels;
        for (int c = 0; c < channels; c++) {
          y[yi + c] = Math.max(y[yi + c], x[xi + c]);
        }
      }
    }
    return y;
  }

  /** [frame][band][channel] to [frame][channel][band]. */
  private static float[] channelMajor(float[] x, int frames, int bands, int channels) {
    float[] y = new float[x.length];
    for (int n = 0; n < frames; n++) {
      for (int b = 0; b < bands; b++) {
        for (int c = 0; c < channels; c++) {
          y[(n * channels + c) * bands + b] = x[(n * bands + b) * channels + c];
        }
      }
    }
    return y;
  }

  private static float[] dense(
      float[] x, int frames, float[] k, float[] bias, int out, boolean relu) {
    int in = x.length / frames;
    float[] y = new float[frames * out];
    float[] acc = new float[out];
    for (int n = 0; n < frames; n++) {
      System.arraycopy(bias, 0, acc, 0, out);
      accumulate(acc, x, n * in, in, k, 0, out);
      for (int o = 0; o < out; o++) {
        y[n * out + o] = relu ? Math.max(0, acc[o]) : acc[o];
      }
    }
    return y;
  }

  /** x += relu(dilated convolution of x), in place through a copy; zero padding at the ends. */
  private static void residual(
      float[] x, int frames, int channels, int dilation, float[] k, float[] bias) {
    float[] old = x.clone();
    float[] acc = new float[channels];
    for (int n = 0; n < frames; n++) {
      System.arraycopy(bias, 0, acc, 0, channels);
      for (int tap = -1; tap <= 1; tap++) {
        int m = n + tap * dilation;
        if (m >= 0 && m < frames) {
          accumulate(
              acc, old, m * channels, channels, k, (tap + 1) * channels * channels, channels);
        }
      }
      for (int c = 0; c < channels; c++) {
        x[n * channels + c] += Math.max(0, acc[c]);
      }
    }
  }

  private static float sigmoid(float x) {
    return (float) (1 / (1 + Math.exp(-x)));
  }
}
