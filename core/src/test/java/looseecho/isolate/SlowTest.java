package looseecho.isolate;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import looseecho.audio.Audio;
import looseecho.dsp.Fft;
import looseecho.reading.Progress;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SlowTest {
  private static final int RATE = 44100;

  private static Audio tone(double seconds) {
    float[] l = new float[(int) (seconds * RATE)];
    float[] r = new float[l.length];
    for (int i = 0; i < l.length; i++) {
      l[i] = (float) (0.3 * Math.sin(2 * Math.PI * 440 * i / RATE));
      r[i] = 0.5f * l[i];
    }
    return new Audio(l, r, RATE);
  }

  /** Equal temperament: A4 is 440 Hz (MIDI tuning standard) and stays so; flutter below 0.5 dB. */
  @ParameterizedTest
  @ValueSource(doubles = {0.5, 0.63, 0.75, 0.9})
  void pitchLevelAndSidesStay(double speed) {
    Audio slow = new TimeStretch().slow(tone(3), speed, new double[0], Progress.NONE);
    assertEquals(3 / speed, slow.duration(), 1.0 / RATE);
    Fft fft = new Fft(32768, 32768);
    float[] m = new float[fft.bins()];
    fft.magnitudes(slow.channel(0), (int) (1.5 * RATE / speed), m);
    int peak = 0;
    for (int k = 1; k < m.length; k++) {
      peak = m[k] > m[peak] ? k : peak;
    }
    assertEquals(440, (double) peak * RATE / 32768, 1.4);
    double least = 1;
    double most = 0;
    float[] left = slow.channel(0);
    float[] right = slow.channel(1);
    for (int at = RATE / 2; at + 1000 < left.length - RATE / 2; at += 441) {
      double rms = looseecho.Signals.rms(left, at, at + 1003);
      least = Math.min(least, rms);
      most = Math.max(most, rms);
      assertEquals(0.5, looseecho.Signals.rms(right, at, at + 1003) / rms, 0.01);
    }
    assertTrue(20 * Math.log10(most / least) < 0.5, "flutter " + least + " to " + most);
    assertEquals(0.3 / Math.sqrt(2), most, 0.01);
  }

  /** A struck sound keeps its attack: one burst at its time over the speed, nothing before it. */
  @Test
  void attacksStaySharpAndOnTheBeat() {
    float[] x = new float[2 * RATE];
    double[] attacks = {0.5, 1.0, 1.13, 1.5};
    for (double a : attacks) {
      for (int i = 0; i < 2000; i++) {
        x[(int) (a * RATE) + i] +=
            (float) (0.6 * Math.exp(-i / 500.0) * Math.sin(2 * Math.PI * 1800 * i / RATE));
      }
    }
    Audio slow = new TimeStretch().slow(new Audio(x, x.clone(), RATE), 0.5, attacks, Progress.NONE);
    float[] y = slow.channel(0);
    for (double a : attacks) {
      int at = (int) (2 * a * RATE);
      double before = looseecho.Signals.rms(y, at - 900, at - 30);
      double struck = looseecho.Signals.rms(y, at, at + 900);
      assertTrue(20 * Math.log10(before / struck) < -26, a + ": " + before + " before " + struck);
      assertEquals(
          looseecho.Signals.rms(x, (int) (a * RATE), (int) (a * RATE) + 900), struck, 0.03);
    }
  }
}
