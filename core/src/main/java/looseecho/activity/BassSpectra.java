package looseecho.activity;

import looseecho.dsp.Fft;
import looseecho.reading.Progress;

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

  private BassSpectra() {}

  /** Values in layout [(frame * 37 + pitch) * 9 + channel]; {@code tuningCents} above 440 Hz. */
  static float[] of(float[] mono, double tuningCents, Progress progress) {
    int frames = mono.length / HOP + 1;
    float[] out = new float[frames * PITCHES * CHANNELS];
    double power = 0;
    for (float x : mono) {
      power += (double) x * x;
    }
    double rms = Math.sqrt(power / Math.max(1, mono.length));
    float gain = rms > 1e-9 ? (float) (SONG_RMS / rms) : 1;
    int channel = 0;
    for (int w = 0; w < WINDOWS.length; w++) {
      fill(mono, gain, tuningCents, w, channel, out, progress);
      channel += HARMONICS[w].length;
    }
    return out;
  }

  private static void fill(
      float[] mono, float gain, double cents, int w, int channel, float[] out, Progress progress) {
    int frames = out.length / (PITCHES * CHANNELS);
    Fft fft = new Fft(SIZES[w], WINDOWS[w]);
    float[] magnitudes = new float[fft.bins()];
    double binHz = (double) RATE / SIZES[w];
    for (int n = 0; n < frames; n++) {
      fft.magnitudes(mono, n * HOP, magnitudes);
      for (int p = 0; p < PITCHES; p++) {
        double hz = 440 * Math.pow(2, (LOWEST + p - 69 + cents / 100) / 12);
        for (int h = 0; h < HARMONICS[w].length; h++) {
          double at = HARMONICS[w][h] * hz / binHz;
          int k = (int) at;
          double m = gain * (magnitudes[k] * (1 - (at - k)) + magnitudes[k + 1] * (at - k));
          out[(n * PITCHES + p) * CHANNELS + channel + h] =
              (float) ((Math.log(1e-4 + m) + 5) / 2.5);
        }
      }
      if (n % 1000 == 0) {
        progress.step("Following the bass", 0.25 * w + 0.25 * n / frames);
      }
    }
  }
}
