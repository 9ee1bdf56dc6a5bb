package looseecho.layers;

import looseecho.audio.Audio;
import looseecho.dsp.Fft;
import looseecho.dsp.ThirdOctaves;

/** Looks at short stretches of the mix, on both sides, in the middle and at the sides. */
final class SoundProbe {
  private static final double TAKEN = 0.6; // of what sounded before a stroke (Boll 1979)
  private static final double LEAST = 0.02;

  private final Audio audio;
  private final int window;
  private final Fft fft;
  private final double binHz;

  /** With a window of so many seconds. Holds work arrays: one per thread. */
  SoundProbe(Audio audio, double seconds) {
    this.audio = audio;
    this.window = (int) (seconds * audio.sampleRate());
    int size = 2 * Integer.highestOneBit(window);
    this.fft = new Fft(size, window);
    this.binHz = (double) audio.sampleRate() / size;
  }

  /** Power by view and bin of the stretch that begins at a time. */
  double[][] at(double seconds) {
    int from = (int) Math.round(seconds * audio.sampleRate());
    float[][] x = new float[4][window];
    for (int i = 0; i < window; i++) {
      int at = from + i;
      boolean inside = at >= 0 && at < audio.length();
      x[BandPowers.LEFT][i] = inside ? audio.left(at) : 0;
      x[BandPowers.RIGHT][i] = inside ? audio.right(at) : 0;
      x[BandPowers.MIDDLE][i] = 0.5f * (x[0][i] + x[1][i]);
      x[BandPowers.SIDE][i] = 0.5f * (x[0][i] - x[1][i]);
    }
    double[][] out = new double[4][fft.bins()];
    float[] magnitudes = new float[fft.bins()];
    for (int v = 0; v < 4; v++) {
      fft.magnitudes(x[v], window / 2, magnitudes);
      for (int k = 0; k < magnitudes.length; k++) {
        out[v][k] = magnitudes[k] * magnitudes[k];
      }
    }
    return out;
  }

  /** Adds what a stroke brings, between two frequencies, beside what sounded before it. */
  void stroke(double seconds, double lowHz, double highHz, BandPowers to) {
    double[][] now = at(seconds - 0.002);
    double[][] before = at(seconds - 0.002 - (double) window / audio.sampleRate());
    for (int v = 0; v < 4; v++) {
      for (int k = 0; k < now[v].length; k++) {
        now[v][k] = Math.max(LEAST * now[v][k], now[v][k] - TAKEN * before[v][k]);
      }
    }
    add(now, lowHz, highHz, to);
  }

  /** Adds what sounds at a moment, between two frequencies. */
  void moment(double seconds, double lowHz, double highHz, BandPowers to) {
    add(at(seconds), lowHz, highHz, to);
  }

  private void add(double[][] power, double lowHz, double highHz, BandPowers to) {
    for (int k = 1; k < power[0].length; k++) {
      boolean inside = k * binHz >= lowHz && k * binHz <= highHz;
      int band = inside ? ThirdOctaves.band(k * binHz) : -1;
      for (int v = 0; v < 4 && band >= 0; v++) {
        to.add(v, band, power[v][k]);
      }
    }
    to.count(1);
  }
}
