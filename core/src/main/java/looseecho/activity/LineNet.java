package looseecho.activity;

import java.util.Iterator;
import java.util.List;
import looseecho.network.Convolution;
import looseecho.network.Weights;
import looseecho.reading.Progress;
import looseecho.reading.Together;

/**
 * A small trained network that hears one line of notes, bass or riff: six convolutions over time
 * and pitch on stacked harmonics. In the manner of Bittner and others, "A lightweight
 * instrument-agnostic model for polyphonic note transcription and multipitch estimation", ICASSP
 * 2022. Immutable and thread-safe; blocks overlap by the network's reach and run in parallel.
 */
public final class LineNet {
  private static final int[] DILATIONS = {1, 2, 1, 3, 6, 12};
  private static final int REACH = 42;
  private static final int BLOCK = 2000;
  private static final int WIDTH = 2 * Register.PITCHES;

  private final Register register;
  private final Weights weights;

  private LineNet(Register register, Weights weights) {
    this.register = register;
    this.weights = weights;
  }

  /** The shipped network of a register. */
  public static LineNet load(Register register) {
    return new LineNet(register, Weights.load(LineNet.class, register.weights()));
  }

  /** The level that a song is heard at: its root mean square. */
  public static double level(float[] mono) {
    return LineSpectra.rms(mono);
  }

  /** Hears a whole song, mono at the register's rate and {@code tuningCents} above 440 Hz. */
  public LineActivity run(float[] mono, double tuningCents, Progress progress) {
    return run(mono, LineSpectra.rms(mono), tuningCents, progress);
  }

  /**
   * Hears what is left of a song.
   *
   * @param rms of the whole song, so that what is left stays as quiet as it was in it
   */
  public LineActivity run(float[] mono, double rms, double tuningCents, Progress progress) {
    int frames = mono.length / register.hop() + 1;
    Part part = new Part(mono, 0, frames, 0);
    return run(frames, List.of(part).iterator(), rms, tuningCents, progress);
  }

  /**
   * A stretch of a song.
   *
   * @param samples mono at the register's rate
   * @param from first frame of the song that is wanted of it
   * @param to behind the last
   * @param first frame of the song at sample 0; what comes before {@code from} is margin
   */
  public record Part(float[] samples, int from, int to, int first) {}

  /**
   * Hears a song part by part, so that a long one need not be held as a whole.
   *
   * @param rms of the whole song
   */
  public LineActivity run(
      int frames, Iterator<Part> parts, double rms, double tuningCents, Progress progress) {
    float[] out = new float[frames * WIDTH];
    while (parts.hasNext()) {
      Part part = parts.next();
      LineSpectra spectra = new LineSpectra(register, part.samples(), rms, tuningCents);
      int end = part.first() + part.samples().length / register.hop() + 1;
      int blocks = (part.to() - part.from() + BLOCK - 1) / BLOCK;
      Together.each(
          blocks,
          b -> {
            int from = part.from() + b * BLOCK;
            int to = Math.min(part.to(), from + BLOCK);
            if (!progress.cancelled()) {
              progress.at(stage(), (double) from / frames);
              block(spectra, part.first(), from, to, Math.min(frames, end), out);
            }
          });
    }
    progress.step(stage(), 1);
    return new LineActivity(register, out);
  }

  private String stage() {
    return register == Register.BASS ? "Following the bass" : "Following the riff";
  }

  /** Frames from to before to of the song; the spectra begin at its frame {@code zero}. */
  private void block(LineSpectra spectra, int zero, int from, int to, int end, float[] out) {
    int first = Math.max(zero, from - REACH);
    int last = Math.min(end, to + REACH);
    float[][] y = spectra.frames(first - zero, last - zero);
    for (int l = 0; l <= DILATIONS.length; l++) {
      boolean head = l == DILATIONS.length;
      y =
          Convolution.apply(
              y,
              Register.PITCHES,
              weights.get(2 * l),
              weights.get(2 * l + 1),
              head ? 1 : DILATIONS[l],
              !head);
    }
    for (int p = 0; p < WIDTH; p++) {
      for (int n = from; n < to; n++) {
        out[n * WIDTH + p] = Convolution.sigmoid(y[p][n - first]);
      }
    }
  }
}
