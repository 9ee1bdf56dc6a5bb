package looseecho.activity;

import looseecho.dsp.FrameFft;

/**
 * A line network's input: per 20 ms frame and pitch the strength of its harmonics in windows of
 * several lengths.
 *
 * <p>Input: mono at the register's rate. Frame n is centred on sample n * hop. Harmonics stacked as
 * channels after Bittner and others, "Deep salience representations for F0 estimation in polyphonic
 * music", ISMIR 2017. The scale is that of {@code training/line_features.py}, and a test holds the
 * two together.
 */
final class LineSpectra {
  private static final double SONG_RMS = 0.1;

  private final Register register;
  private final float[] mono;
  private final double tuningCents;
  private final float gain;

  /**
   * Of mono sound that is {@code tuningCents} above 440 Hz.
   *
   * @param rms of the whole song, of which {@code mono} may be a part
   */
  LineSpectra(Register register, float[] mono, double rms, double tuningCents) {
    this.register = register;
    this.mono = mono;
    this.tuningCents = tuningCents;
    this.gain = rms > 1e-9 ? (float) (SONG_RMS / rms) : 1;
  }

  /** Root mean square of a sound. */
  static double rms(float[] mono) {
    double power = 0;
    for (float x : mono) {
      power += (double) x * x;
    }
    return Math.sqrt(power / Math.max(1, mono.length));
  }

  /** Frames from to before to, as planes, [pitch * channels + channel][frame]. */
  float[][] frames(int from, int to) {
    float[][] out = new float[Register.PITCHES * register.channels()][to - from];
    int channel = 0;
    for (Register.Window w : register.windows()) {
      fill(w, channel, from, to, out);
      channel += w.harmonics().length;
    }
    return out;
  }

  private void fill(Register.Window w, int channel, int from, int to, float[][] out) {
    FrameFft fft = new FrameFft(w.size(), w.length());
    int channels = register.channels();
    double binHz = (double) register.rate() / w.size();
    double[] hertz = new double[Register.PITCHES];
    for (int p = 0; p < Register.PITCHES; p++) {
      hertz[p] = 440 * Math.pow(2, (register.lowest() + p - 69 + tuningCents / 100) / 12);
    }
    for (int n = from; n < to; n += FrameFft.AT_ONCE) {
      float[][] magnitudes = fft.magnitudes(mono, n * register.hop(), register.hop());
      int count = Math.min(FrameFft.AT_ONCE, to - n);
      for (int p = 0; p < Register.PITCHES; p++) {
        for (int h = 0; h < w.harmonics().length; h++) {
          double at = w.harmonics()[h] * hertz[p] / binHz;
          int k = (int) at;
          float[] low = magnitudes[k];
          float[] high = magnitudes[k + 1];
          float[] plane = out[p * channels + channel + h];
          for (int f = 0; f < count; f++) {
            double m = gain * (low[f] * (1 - (at - k)) + high[f] * (at - k));
            plane[n - from + f] = (float) ((Math.log(1e-4 + m) + 5) / 2.5);
          }
        }
      }
    }
  }
}
