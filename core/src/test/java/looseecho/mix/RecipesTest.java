package looseecho.mix;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Arrays;
import java.util.stream.IntStream;
import looseecho.dsp.Fft;
import looseecho.dsp.StateFilter;
import looseecho.synth.RootPitch;
import looseecho.synth.Timbre;
import looseecho.synth.ToneSound;
import looseecho.synth.ToneSynth;
import org.junit.jupiter.api.Test;

/** Filters, vowels and the compressor against published and worked values. */
class RecipesTest {
  private static final int RATE = EchoRenderer.RATE;

  /** A Butterworth response is 3 dB down at its edge (any handbook); resonance 1 - 1/(Q sqrt 2). */
  @Test
  void theStateFilterIsThreeDecibelsDownAtItsEdge() {
    assertEquals(-3.01, response(1000, 0, 1000, true), 0.05);
    assertEquals(-3.01, response(1000, 0, 1000, false), 0.05);
    assertEquals(-24.1, response(1000, 0, 4000, true), 1.0, "12 dB an octave");
    double q = 4;
    double resonance = 1 - Math.sqrt(0.5) / q;
    assertEquals(20 * Math.log10(q), response(1000, resonance, 1000, true), 0.05);
  }

  private static double response(double edge, double resonance, double hz, boolean low) {
    StateFilter f = new StateFilter(RATE);
    f.set(edge, resonance);
    double sum = 0;
    for (int i = 0; i < RATE; i++) {
      f.next(Math.sin(2 * Math.PI * hz * i / RATE));
      double y = low ? f.low() : f.high();
      sum += i >= RATE / 2 ? y * y : 0;
    }
    return 10 * Math.log10(2 * sum / (RATE / 2));
  }

  /** Giannoulis and others 2012, equation 4: 4:1 above -20 dB leaves -15 of -0 dB. */
  @Test
  void theCompressorFollowsItsCurveAndItsTimes() {
    Squeeze s = new Squeeze(-20, 4, 10, 100, 0);
    assertEquals(15, Compressor.staticReduction(s, 0), 1e-9);
    assertEquals(0, Compressor.staticReduction(s, -20), 1e-9);
    float[] x = new float[RATE];
    Arrays.fill(x, 0, RATE / 2, 1);
    float[] gains = new Compressor(s, RATE).gains(x, x);
    double share = 1 - Math.exp(-1);
    assertEquals(-15 * share, 20 * Math.log10(gains[RATE / 100]), 0.1, "after one time constant");
    assertEquals(-15, 20 * Math.log10(gains[RATE / 2 - 1]), 0.01);
    double later = 20 * Math.log10(gains[RATE / 2 + RATE / 10]);
    assertEquals(-15 * Math.exp(-1), later, 0.1, "and back");
  }

  /** Peterson and Barney 1952, table II: the formants of "a" for men: 730, 1090, 2440 Hz. */
  @Test
  void aVowelHasItsPublishedFormants() {
    Timbre a =
        Timbre.PLAIN.with(Timbre.Dial.PULSE, 0.5).filter(Timbre.Filter.VOWEL, 0, Timbre.Vowel.A);
    ToneSound noise =
        new ToneSound(1, 1, 0, 15000, 0, 2, 1000, 1, 20, 0, 0, a.wave(Timbre.Wave.NOISE));
    float[] x = new ToneSynth().render(noise, 45, 2, 120, RATE);
    double[] power = new double[4096];
    Fft fft = new Fft(8192, 8192);
    float[] m = new float[fft.bins()];
    for (int at = 8192; at < x.length - 8192; at += 4096) {
      fft.magnitudes(x, at, m);
      for (int k = 0; k < power.length; k++) {
        power[k] += m[k] * m[k];
      }
    }
    for (double hz : new double[] {730, 1090, 2440}) {
      double near = around(power, hz, 40);
      assertTrue(near > 2 * around(power, hz * 1.22, 40), "above " + hz);
      assertTrue(near > 2 * around(power, hz / 1.22, 40), "below " + hz);
    }
  }

  private static double around(double[] power, double hz, double reach) {
    double bin = RATE / 8192.0;
    return IntStream.rangeClosed((int) ((hz - reach) / bin), (int) ((hz + reach) / bin))
        .mapToDouble(k -> power[k])
        .average()
        .orElse(0);
  }

  /** A4 is MIDI note 69 at 440 Hz (MIDI tuning standard); a recorded note is known by its pitch. */
  @Test
  void theRootOfARecordingIsMeasured() {
    float[] x = new ToneSynth().render(ToneSound.PLUCK, 57.25, 1, 100, RATE);
    assertEquals(57.25, new RootPitch().of(x, RATE), 0.05);
    assertEquals(60, new RootPitch().of(new float[RATE], RATE), "where there is none");
  }
}
