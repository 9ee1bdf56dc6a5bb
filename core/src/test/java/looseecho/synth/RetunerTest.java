package looseecho.synth;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;

/** Equal temperament (ISO 16): seven semitones up is a ratio of 1.4983, twelve of 2. */
class RetunerTest {
  private static final int RATE = 44100;
  private final Retuner retuner = new Retuner(RATE);

  private static float[] tones(double... hertz) {
    float[] x = new float[RATE / 2];
    for (int i = 0; i < x.length; i++) {
      for (int k = 0; k < hertz.length; k++) {
        double loud = Math.exp(-i / 9000.0) / (1 + k);
        x[i] += (float) (0.4 * loud * Math.sin(2 * Math.PI * hertz[k] * i / RATE));
      }
    }
    return x;
  }

  /** Strength of a frequency (Goertzel 1958). */
  private static double level(float[] x, double hertz) {
    double re = 0;
    double im = 0;
    for (int i = 0; i < Math.min(x.length, 8192); i++) {
      re += x[i] * Math.cos(2 * Math.PI * hertz * i / RATE);
      im += x[i] * Math.sin(2 * Math.PI * hertz * i / RATE);
    }
    return Math.hypot(re, im);
  }

  private static void moved(float[] y, double there, double... gone) {
    for (double g : gone) {
      assertTrue(level(y, there) > 4 * level(y, g), there + " Hz against " + g);
    }
  }

  @Test
  void speedMovesPitchAndLengthTogether() {
    float[] y = retuner.bySpeed(tones(400, 900), 12);
    assertEquals(RATE / 4, y.length, 1);
    moved(y, 800, 400);
    moved(y, 1800, 900);
  }

  @Test
  void theLengthIsKeptWhereItShall() {
    float[] x = tones(400);
    float[] y = retuner.lengthKept(x, 7);
    assertEquals(x.length, y.length);
    assertTrue(level(y, 599.3) > 2 * level(y, 400), level(y, 599.3) + " against " + level(y, 400));
    assertEquals(x[0], y[0], 1e-6);
    double before = 0;
    double after = 0;
    for (int i = 0; i < 2000; i++) {
      before += x[i] * x[i];
      after += y[i] * y[i];
    }
    assertEquals(1, after / before, 0.5, "the attack is as strong");
  }

  /** 400 and 900 Hz lie 500 Hz apart, shifted as well; by speed they would lie 1000 apart. */
  @Test
  void hertzMoveEveryPartialByTheSame() {
    float[] x = tones(400, 900);
    assertEquals(400, retuner.strongest(x), 6);
    double shift = retuner.strongest(x);
    float[] y = retuner.byHertz(x, 12);
    moved(y, 400 + shift, 400);
    moved(y, 900 + shift, 900, 1800);
    assertArrayEquals(x, retuner.byHertz(x, 0), 1e-4f);
  }
}
