package looseecho.palette;

import looseecho.dsp.Fft;
import looseecho.mix.Colour;

/**
 * Magnitudes of the third-octave bands from 50 Hz to 10 kHz (IEC 61260-1), three to each octave of
 * a {@link Colour}, and of what lies below them, in frames of 46 ms, 23 ms apart.
 */
final class Bands {
  static final int PER_OCTAVE = 3;
  private static final int THIRDS = PER_OCTAVE * Colour.BANDS;

  /** The thirds, and one for all below them. */
  static final int COUNT = THIRDS + 1;

  private static final int SIZE = 2048;
  private static final int HOP = 1024;

  private Bands() {}

  /** Frames by bands of a mono sound at a rate. */
  static float[][] of(float[] x, int rate) {
    float[][] out = new float[Math.max(0, 1 + (x.length - SIZE) / HOP)][COUNT];
    Fft fft = new Fft(SIZE, SIZE);
    float[] magnitudes = new float[fft.bins()];
    int[] from = new int[COUNT];
    int[] to = new int[COUNT];
    from[THIRDS] = 1;
    to[THIRDS] = 2;
    for (int b = 0; b < THIRDS; b++) {
      double centre = centre(b);
      from[b] = (int) Math.ceil(centre * Math.pow(2, -1.0 / 6) * SIZE / rate);
      to[b] = (int) Math.ceil(centre * Math.pow(2, 1.0 / 6) * SIZE / rate);
      to[b] = Math.max(from[b] + 1, to[b]);
    }
    for (int f = 0; f < out.length; f++) {
      fft.magnitudes(x, f * HOP + SIZE / 2, magnitudes);
      for (int b = 0; b < COUNT; b++) {
        double sum = 0;
        for (int k = from[b]; k < Math.min(to[b], magnitudes.length); k++) {
          sum += magnitudes[k] * magnitudes[k];
        }
        out[f][b] = (float) Math.sqrt(sum);
      }
    }
    return out;
  }

  /** The same frames with every band weighed. */
  static float[][] weighed(float[][] frames, float[] weights) {
    float[][] out = new float[frames.length][COUNT];
    for (int f = 0; f < out.length; f++) {
      for (int b = 0; b < COUNT; b++) {
        out[f][b] = frames[f][b] * weights[b];
      }
    }
    return out;
  }

  /** The octave of a colour that a band belongs to; what lies below is of the lowest. */
  static int octave(int band) {
    return band == THIRDS ? 0 : band / PER_OCTAVE;
  }

  /** Centre of a third in hertz. */
  static double centre(int band) {
    return Colour.hz(band / PER_OCTAVE) * Math.pow(2, (band % PER_OCTAVE - 1) / 3.0);
  }

  /** Level of every octave over all frames, in dB. */
  static double[] octaves(float[][] frames) {
    double[] sums = new double[Colour.BANDS];
    for (float[] frame : frames) {
      for (int b = 0; b < COUNT; b++) {
        sums[octave(b)] += frame[b] * frame[b];
      }
    }
    double[] out = new double[Colour.BANDS];
    for (int o = 0; o < out.length; o++) {
      out[o] = 10 * Math.log10(1e-12 + sums[o] / Math.max(1, frames.length));
    }
    return out;
  }
}
