package looseecho.hits;

import looseecho.audio.Audio;
import looseecho.dsp.Fft;

/**
 * The power spectra of a hit's left and right side just after its attack, with half of what sounded
 * there before taken off (spectral subtraction, Boll 1979). Holds work arrays: one per thread.
 */
final class StruckSpectrum {
  private static final double SECONDS = 0.046;
  private static final double BEFORE = 0.002; // ahead of the hit
  private static final double TAKEN = 0.5;
  private static final double LEAST = 0.05;

  private final Audio audio;
  private final int window;
  private final Fft fft;
  private final double binHz;

  StruckSpectrum(Audio audio) {
    this.audio = audio;
    this.window = (int) (SECONDS * audio.sampleRate());
    int size = 2 * Integer.highestOneBit(window);
    this.fft = new Fft(size, window);
    this.binHz = (double) audio.sampleRate() / size;
  }

  /** Power by bin of one hit on both sides. */
  record Sides(double[] left, double[] right, double binHz) {
    /** Power between two frequencies; [0] left, [1] right. */
    double[] between(double lowHz, double highHz) {
      double[] out = new double[2];
      for (int k = (int) (lowHz / binHz); k <= highHz / binHz && k < left.length; k++) {
        out[0] += left[k];
        out[1] += right[k];
      }
      return out;
    }

    /** (R - L) / (R + L) of the powers between two frequencies, -1 left .. 1 right. */
    double pan(double lowHz, double highHz) {
      double[] sides = between(lowHz, highHz);
      return (sides[1] - sides[0]) / (sides[0] + sides[1] + 1e-12);
    }

    /** Mean of the frequencies between two, weighed by power, as octaves over the lower one. */
    double centroid(double lowHz, double highHz) {
      double sum = 0;
      double weight = 1e-12;
      for (int k = (int) Math.ceil(lowHz / binHz); k <= highHz / binHz && k < left.length; k++) {
        double w = left[k] + right[k];
        sum += w * Math.log(k * binHz / lowHz) / Math.log(2);
        weight += w;
      }
      return sum / weight;
    }
  }

  /** Of the hit at a time in seconds. */
  Sides at(double seconds) {
    int from = (int) Math.round((seconds - BEFORE) * audio.sampleRate());
    return new Sides(side(0, from), side(1, from), binHz);
  }

  private double[] side(int channel, int from) {
    double[] during = power(channel, from);
    double[] before = power(channel, from - window);
    for (int k = 0; k < during.length; k++) {
      during[k] = Math.max(during[k] - TAKEN * before[k], LEAST * during[k]);
    }
    return during;
  }

  private double[] power(int channel, int from) {
    float[] magnitudes = new float[fft.bins()];
    fft.magnitudes(audio.channel(channel, from, window), window / 2, magnitudes);
    double[] out = new double[magnitudes.length];
    for (int k = 0; k < out.length; k++) {
      out[k] = magnitudes[k] * magnitudes[k];
    }
    return out;
  }
}
