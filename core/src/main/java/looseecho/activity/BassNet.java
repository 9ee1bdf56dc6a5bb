package looseecho.activity;

import java.util.stream.IntStream;
import looseecho.reading.Progress;

/**
 * A small trained network that hears bass notes: six convolutions over time and pitch on stacked
 * harmonics. In the manner of Bittner and others, "A lightweight instrument-agnostic model for
 * polyphonic note transcription and multipitch estimation", ICASSP 2022. Immutable and thread-safe;
 * blocks overlap by the network's reach and run in parallel.
 */
public final class BassNet {
  /** Sampling rate of the input in hertz. */
  public static final int RATE = BassSpectra.RATE;

  static final String WEIGHTS = "bass-net.bin";
  private static final int[] DILATIONS = {1, 2, 1, 3, 6, 12};
  private static final int REACH = 42;
  private static final int BLOCK = 1000;

  private final Weights weights;

  private BassNet(Weights weights) {
    this.weights = weights;
  }

  /** The shipped network. */
  public static BassNet load() {
    return new BassNet(Weights.load(WEIGHTS));
  }

  /** Hears the bass in mono sound at {@link #RATE}, which is {@code tuningCents} above 440 Hz. */
  public BassActivity run(float[] mono, double tuningCents, Progress progress) {
    BassSpectra spectra = new BassSpectra(mono, tuningCents);
    int frames = mono.length / BassSpectra.HOP + 1;
    int width = 2 * BassSpectra.PITCHES;
    float[] out = new float[frames * width];
    IntStream.range(0, (frames + BLOCK - 1) / BLOCK)
        .parallel()
        .forEach(
            b -> {
              if (progress.cancelled()) {
                return;
              }
              int from = b * BLOCK;
              int first = Math.max(0, from - REACH);
              int last = Math.min(frames, from + BLOCK + REACH);
              progress.at("Following the bass", (double) from / frames);
              float[] y = spectra.frames(first, last);
              for (int l = 0; l <= DILATIONS.length; l++) {
                boolean head = l == DILATIONS.length;
                y =
                    Convolution.apply(
                        y,
                        last - first,
                        BassSpectra.PITCHES,
                        weights.get(2 * l),
                        weights.get(2 * l + 1),
                        head ? 1 : DILATIONS[l],
                        !head);
              }
              for (int i = from * width; i < Math.min(frames, from + BLOCK) * width; i++) {
                out[i] = Convolution.sigmoid(y[i - first * width]);
              }
            });
    progress.step("Following the bass", 1);
    return new BassActivity(out);
  }
}
