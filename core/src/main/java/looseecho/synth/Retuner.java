package looseecho.synth;

import java.util.Arrays;
import looseecho.dsp.Fft;
import org.jtransforms.fft.FloatFFT_1D;

/**
 * Gives a one-shot another pitch in three ways that sound different: by speed, with its length
 * kept, or with all its partials moved by as many hertz. Mono, deterministic.
 */
public final class Retuner {
  private static final double GRAIN_SECONDS = 0.03;
  private static final int LOOK = 8192; // samples in which the strongest partial is looked for

  private final int rate;

  /** For sounds at a sampling rate. */
  public Retuner(int rate) {
    this.rate = rate;
  }

  /** Played faster or slower: shorter when it is higher. Linear interpolation. */
  public float[] bySpeed(float[] x, double semitones) {
    double step = Math.pow(2, semitones / 12);
    float[] out = new float[(int) Math.max(1, x.length / step)];
    for (int i = 0; i < out.length; i++) {
      out[i] = at(x, i * step);
    }
    return out;
  }

  /**
   * As long as before: overlapping grains, each read faster or slower from where it stands
   * (granular pitch shifting; Roads, "Microsound", MIT Press 2001). The first one begins at full
   * strength, so that the attack stays.
   */
  public float[] lengthKept(float[] x, double semitones) {
    double step = Math.pow(2, semitones / 12);
    int grain = (int) (GRAIN_SECONDS * rate) / 2 * 2;
    int hop = grain / 2;
    float[] window = Fft.hann(grain);
    float[] out = new float[x.length];
    for (int start = -hop; start < x.length; start += hop) {
      for (int i = Math.max(0, -start); i < grain && start + i < x.length; i++) {
        double from = start < 0 ? (i - hop) * step : start + i * step;
        boolean attack = start < 0;
        float weight = attack && i < hop ? 1 : window[i];
        out[start + i] += weight * at(x, from);
      }
    }
    return out;
  }

  /**
   * All partials moved by as many hertz as bring the strongest one to the new pitch: what was a
   * tone becomes a bell. Single-sideband modulation by the analytic signal (Wardle, "A
   * Hilbert-transformer frequency shifter for audio", DAFx 1998).
   */
  public float[] byHertz(float[] x, double semitones) {
    double hertz = strongest(x) * (Math.pow(2, semitones / 12) - 1);
    int size = Integer.highestOneBit(Math.max(2, x.length)) * 2;
    float[] z = new float[2 * size];
    for (int i = 0; i < x.length; i++) {
      z[2 * i] = x[i];
    }
    FloatFFT_1D fft = new FloatFFT_1D(size);
    fft.complexForward(z);
    for (int k = 1; k < size / 2; k++) {
      z[2 * k] *= 2;
      z[2 * k + 1] *= 2;
    }
    Arrays.fill(z, size + 2, 2 * size, 0);
    fft.complexInverse(z, true);
    float[] out = new float[x.length];
    for (int i = 0; i < x.length; i++) {
      double phase = 2 * Math.PI * hertz * i / rate;
      out[i] = (float) (z[2 * i] * Math.cos(phase) - z[2 * i + 1] * Math.sin(phase));
    }
    return out;
  }

  /** Hertz of the strongest partial near the front. */
  double strongest(float[] x) {
    int window = Math.max(64, Math.min(LOOK, x.length));
    Fft fft = new Fft(LOOK, window);
    float[] magnitudes = new float[fft.bins()];
    fft.magnitudes(x, window / 2, magnitudes);
    int top = 1;
    for (int k = 1; k < magnitudes.length; k++) {
      top = magnitudes[k] > magnitudes[top] ? k : top;
    }
    return (double) top * rate / LOOK;
  }

  private static float at(float[] x, double place) {
    int k = (int) place;
    if (place < 0 || k >= x.length) {
      return 0;
    }
    float next = k + 1 < x.length ? x[k + 1] : 0;
    return (float) (x[k] + (place - k) * (next - x[k]));
  }
}
