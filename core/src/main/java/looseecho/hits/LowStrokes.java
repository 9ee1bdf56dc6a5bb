package looseecho.hits;

import looseecho.audio.Audio;
import looseecho.audio.Resampler;

/** Cuts the low end of single strokes from a recording, for {@link StrokeMean}. */
public final class LowStrokes {
  /** Hertz that a recording is brought to first. */
  public static final int FINE_RATE = 44100;

  private static final int FINER = FINE_RATE / StrokeMean.RATE;
  private static final double AHEAD = 0.01; // seconds that a wave begins before its stroke
  private static final int CUT = StrokeMean.RATE / 200; // before the next stroke
  private static final int MARGIN = 512; // for the resampler's ends

  /**
   * Two running means one after the other: their zeros lie at the frequencies that would fold onto
   * the low end (Hogenauer, "An economical class of digital filters for decimation and
   * interpolation", 1981), of which 58 dB less are left at 400 Hz and below.
   */
  private static final float[] TRIANGLE = {
    1 / 16f, 2 / 16f, 3 / 16f, 4 / 16f, 3 / 16f, 2 / 16f, 1 / 16f
  };

  private final Audio audio;

  public LowStrokes(Audio audio) {
    this.audio = audio;
  }

  /** The sample, at {@link StrokeMean#RATE}, at which the wave of a stroke should begin. */
  public static int begins(double time) {
    return (int) Math.round((time - AHEAD) * StrokeMean.RATE);
  }

  /**
   * One stroke.
   *
   * @param time at which it is struck
   * @param next at which the next one cuts it off
   */
  public StrokeMean.Recorded at(double time, double next) {
    int from = (begins(time) - StrokeMean.BEFORE) * FINER - TRIANGLE.length / 2;
    float[] x = fine(from, StrokeMean.NEEDED * FINER + TRIANGLE.length);
    float[] out = new float[StrokeMean.NEEDED];
    for (int i = 0; i < out.length; i++) {
      for (int k = 0; k < TRIANGLE.length; k++) {
        out[i] += TRIANGLE[k] * x[i * FINER + k];
      }
    }
    int sounds = (int) Math.min(StrokeMean.LENGTH, (next - time) * StrokeMean.RATE - CUT);
    return new StrokeMean.Recorded(out, Math.max(0, sounds));
  }

  /** The middle from a sample of {@link #FINE_RATE} on. */
  private float[] fine(int from, int count) {
    int own = audio.sampleRate();
    if (own == FINE_RATE) {
      return middle(from, count);
    }
    // Both rates meet at every such number of samples.
    int common = gcd(own, FINE_RATE);
    int steps = Math.floorDiv(from - MARGIN, FINE_RATE / common);
    int skip = from - steps * (FINE_RATE / common);
    int needed = (int) ((long) (skip + count + MARGIN) * own / FINE_RATE);
    float[] all = new Resampler().resample(middle(steps * (own / common), needed), own, FINE_RATE);
    float[] out = new float[count];
    System.arraycopy(all, skip, out, 0, count);
    return out;
  }

  private float[] middle(int from, int count) {
    float[] x = new float[count];
    for (int i = Math.max(0, -from); i < count && from + i < audio.length(); i++) {
      x[i] = (audio.left(from + i) + audio.right(from + i)) / 2;
    }
    return x;
  }

  private static int gcd(int a, int b) {
    return b == 0 ? a : gcd(b, a % b);
  }
}
