package looseecho.layers;

import looseecho.audio.Audio;
import looseecho.dsp.Fft;
import looseecho.dsp.ThirdOctaves;

/** Looks at short stretches of the mix, on both sides, in the middle and at the sides. */
final class SoundProbe {
  private static final double TAKEN = 0.6; // of what sounded before a stroke (Boll 1979)
  private static final double LEAST = 0.02;
  private static final double LEAD = 0.002; // seconds before a stroke
  private static final double BEFORE = 0.023; // seconds that tell what sounds on

  private final Audio audio;
  private final Look now;
  private final Look before;
  private final double binHz;

  /** A transform of so many samples. */
  private record Look(Fft fft, int samples) {
    static Look of(float[] window, int size) {
      return new Look(new Fft(size, ofUnitPower(window, size)), window.length);
    }
  }

  private SoundProbe(Audio audio, float[] now, float[] before) {
    this.audio = audio;
    int size = 2 * Integer.highestOneBit(Math.max(now.length, before.length));
    this.now = Look.of(now, size);
    this.before = Look.of(before, size);
    this.binHz = (double) audio.sampleRate() / size;
  }

  /** With a Hann window of so many seconds. Holds work arrays: one per thread. */
  SoundProbe(Audio audio, double seconds) {
    this(audio, Fft.hann(samples(audio, seconds)), Fft.hann(samples(audio, seconds)));
  }

  /** Even over so many seconds: a stroke's first moments count in full. */
  static SoundProbe even(Audio audio, double seconds) {
    return new SoundProbe(audio, tukey(audio, seconds), tukey(audio, BEFORE));
  }

  private static int samples(Audio audio, double seconds) {
    return (int) (seconds * audio.sampleRate());
  }

  /** Even but for raised cosines at both ends (Tukey 1967), so that low tones don't splatter. */
  private static float[] tukey(Audio audio, double seconds) {
    float[] out = new float[samples(audio, seconds)];
    double edge = LEAD * audio.sampleRate();
    for (int i = 0; i < out.length; i++) {
      double near = Math.min(1, Math.min(i, out.length - 1 - i) / edge);
      out[i] = (float) (0.5 - 0.5 * Math.cos(Math.PI * near));
    }
    return out;
  }

  /** Scaled to the separator's powers: noise of variance 1 adds up to 3. */
  private static float[] ofUnitPower(float[] window, int size) {
    double sum = 0;
    for (float w : window) {
      sum += w * w;
    }
    float[] out = new float[window.length];
    for (int i = 0; i < window.length; i++) {
      out[i] = window[i] * (float) Math.sqrt(6 / (sum * size));
    }
    return out;
  }

  /** Power by view and bin from a time on. */
  private double[][] powers(Look look, double start) {
    int from = (int) Math.round(start * audio.sampleRate());
    float[][] x = new float[4][look.samples()];
    for (int i = 0; i < look.samples(); i++) {
      int at = from + i;
      boolean inside = at >= 0 && at < audio.length();
      x[BandPowers.LEFT][i] = inside ? audio.left(at) : 0;
      x[BandPowers.RIGHT][i] = inside ? audio.right(at) : 0;
      x[BandPowers.MIDDLE][i] = 0.5f * (x[0][i] + x[1][i]);
      x[BandPowers.SIDE][i] = 0.5f * (x[0][i] - x[1][i]);
    }
    double[][] out = new double[4][look.fft().bins()];
    float[] magnitudes = new float[look.fft().bins()];
    for (int v = 0; v < 4; v++) {
      look.fft().magnitudes(x[v], look.samples() / 2, magnitudes);
      for (int k = 0; k < magnitudes.length; k++) {
        out[v][k] = magnitudes[k] * magnitudes[k];
      }
    }
    return out;
  }

  /** Adds what a stroke brings, between two frequencies, beside what sounded before it. */
  void stroke(double time, double lowHz, double highHz, BandPowers to) {
    double start = time - LEAD;
    double[][] with = powers(now, start);
    double[][] had = powers(before, start - (double) before.samples() / audio.sampleRate());
    for (int v = 0; v < 4; v++) {
      for (int k = 0; k < with[v].length; k++) {
        with[v][k] = Math.max(LEAST * with[v][k], with[v][k] - TAKEN * had[v][k]);
      }
    }
    add(with, lowHz, highHz, to);
  }

  /** Adds what sounds from a moment on, between two frequencies. */
  void moment(double time, double lowHz, double highHz, BandPowers to) {
    add(powers(now, time), lowHz, highHz, to);
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
