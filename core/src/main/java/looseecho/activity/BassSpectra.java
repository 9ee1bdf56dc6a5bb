package looseecho.activity;

import looseecho.dsp.Fft;

/**
 * The bass network's input: per 20 ms frame and pitch the strength of its harmonics in a long and a
 * short window.
 *
 * <p>Input: mono at {@link #RATE}. Frame n is centred on sample n * {@link #HOP}. Harmonics stacked
 * as channels after Bittner and others, "Deep salience representations for F0 estimation in
 * polyphonic music", ISMIR 2017. The scale is that of {@code training/bass_features.py}, and a test
 * holds the two together.
 */
final class BassSpectra {
  static final int RATE = 5000;
  static final int HOP = 100;
  static final int LOWEST = 24;
  static final int PITCHES = 37;
  static final int CHANNELS = 9;

  private static final int[] WINDOWS = {1280, 400};
  private static final int[] SIZES = {4096, 1024};
  private static final double[][] HARMONICS = {{0.5, 1, 2, 3, 4, 5}, {1, 2, 3}};
  private static final double SONG_RMS = 0.1;

  private final float[] mono;
  private final double tuningCents;
  private final float gain;

  /** Of mono sound at {@link #RATE} that is {@code tuningCents} above 440 Hz. */
  BassSpectra(float[] mono, double tuningCents) {
    double power = 0;
    for (float x : mono) {
      power += (double) x * x;
    }
    double rms = Math.sqrt(power / Math.max(1, mono.length));
    this.mono = mono;
    this.tuningCents = tuningCents;
    this.gain = rms > 1e-9 ? (float) (SONG_RMS / rms) : 1;
  }

  /** Frames from to before to, in layout [(frame * 37 + pitch) * 9 + channel]. */
  float[] frames(int from, int to) {
    float[] out = new float[(to - from) * PITCHES * CHANNELS];
    int channel = 0;
    for (int w = 0; w < WINDOWS.length; w++) {
      fill(w, channel, from, to, out);
      channel += HARMONICS[w].length;
    }
    return out;
  }

  private void fill(int w, int channel, int from, int to, float[] out) {
    Fft fft = new Fft(SIZES[w], WINDOWS[w]);
    float[] magnitudes = new float[fft.bins()];
    double binHz = (double) RATE / SIZES[w];
    double[] hertz = new double[PITCHES];
    for (int p = 0; p < PITCHES; p++) {
      hertz[p] = 440 * Math.pow(2, (LOWEST + p - 69 + tuningCents / 100) / 12);
    }
    for (int n = from; n < to; n++) {
      fft.magnitudes(mono, n * HOP, magnitudes);
      for (int p = 0; p < PITCHES; p++) {
        for (int h = 0; h < HARMONICS[w].length; h++) {
          double at = HARMONICS[w][h] * hertz[p] / binHz;
          int k = (int) at;
          double m = gain * (magnitudes[k] * (1 - (at - k)) + magnitudes[k + 1] * (at - k));
          out[((n - from) * PITCHES + p) * CHANNELS + channel + h] =
              (float) ((Math.log(1e-4 + m) + 5) / 2.5);
        }
      }
    }
  }
}
