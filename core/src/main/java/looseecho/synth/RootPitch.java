package looseecho.synth;

import java.util.Arrays;
import java.util.OptionalDouble;
import looseecho.dsp.Yin;

/** The pitch that a recording of one note has: the median of what YIN hears in its first second. */
public final class RootPitch {
  private static final double UNKNOWN = 60;

  /** MIDI number with cents; 60 where no pitch is heard. */
  public double of(float[] mono, int rate) {
    int hop = rate / 50;
    double[] pitches = new double[50];
    int count = 0;
    Yin yin = new Yin(rate, 30, 2000, rate / 25);
    for (int at = hop; at < mono.length && at < rate && count < pitches.length; at += hop) {
      OptionalDouble hz = yin.hertz(mono, at);
      if (hz.isPresent()) {
        pitches[count++] = 69 + 12 * Math.log(hz.getAsDouble() / 440) / Math.log(2);
      }
    }
    if (count == 0) {
      return UNKNOWN;
    }
    Arrays.sort(pitches, 0, count);
    return Math.max(0, Math.min(127, pitches[count / 2]));
  }
}
