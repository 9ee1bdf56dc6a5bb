package looseecho.layers;

import looseecho.audio.Audio;
import looseecho.dsp.Fft;
import looseecho.separate.SpectrumBands;

/**
 * How loud the sides of a sound are over time, from 200 Hz to 2 kHz: wide chords are heard there by
 * themselves, since kick, snare and bass stand in the middle, and nothing needs to be parted.
 */
final class SideCourse {
  private static final int WINDOW = 1024;
  private static final double LOW = 200; // hertz
  private static final double HIGH = 2000;

  private SideCourse() {}

  /** Power in every frame of {@link SpectrumBands#HOP} samples at {@link SpectrumBands#RATE}. */
  static float[] of(Audio audio) {
    Fft fft = new Fft(WINDOW, WINDOW);
    float[] magnitudes = new float[fft.bins()];
    double hop = (double) SpectrumBands.HOP / SpectrumBands.RATE * audio.sampleRate();
    int low = (int) Math.ceil(LOW * WINDOW / audio.sampleRate());
    int high = (int) Math.min(fft.bins(), HIGH * WINDOW / audio.sampleRate());
    float[] out = new float[(int) (audio.length() / hop) + 1];
    for (int n = 0; n < out.length; n++) {
      int from = (int) Math.rint(n * hop) - WINDOW / 2;
      float[] x = audio.channel(0, from, WINDOW);
      float[] right = audio.channel(1, from, WINDOW);
      for (int i = 0; i < WINDOW; i++) {
        x[i] -= right[i];
      }
      fft.magnitudes(x, WINDOW / 2, magnitudes);
      for (int k = low; k < high; k++) {
        out[n] += magnitudes[k] * magnitudes[k];
      }
    }
    return out;
  }
}
