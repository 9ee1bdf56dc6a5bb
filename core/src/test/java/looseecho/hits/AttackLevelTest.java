package looseecho.hits;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Arrays;
import java.util.Random;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import org.junit.jupiter.api.Test;

/**
 * Levels are logarithms of amplitude ratios: ln(2) for twice as much (the neper, ISO 80000-3; from
 * memory).
 */
class AttackLevelTest {
  private static final int RATE = 44100;

  /** Strokes of one noise at odd places, at the given gains, a second apart. */
  private static Audio strokes(double... gains) {
    float[] x = new float[RATE * (gains.length + 1)];
    for (int i = 0; i < gains.length; i++) {
      Random noise = new Random(5);
      int from = (int) Math.round(time(i) * RATE);
      for (int k = 0; k < RATE / 10; k++) {
        x[from + k] += (float) (gains[i] * 0.3 * noise.nextGaussian() * Math.exp(-k / 900.0));
      }
    }
    return new Audio(x, x, RATE);
  }

  /** Not on a frame of any spectrum. */
  private static double time(int i) {
    return 0.5 + i + 0.0013 * i;
  }

  @Test
  void evenStrokesAreEvenWhereverTheyFall() {
    for (Lane lane : new Lane[] {Lane.SNARE, Lane.CLAP, Lane.HAT_CLOSED, Lane.HAT_OPEN}) {
      AttackLevel level = new AttackLevel(strokes(1, 1, 1, 1, 1, 1), lane);
      for (int i = 1; i < 6; i++) {
        assertEquals(loud(level, time(0)), loud(level, time(i)), 0.02, lane + " stroke " + i);
      }
    }
  }

  @Test
  void halfAsLoudIsHalfAsLoud() {
    for (Lane lane : Lane.HEARD) {
      AttackLevel level = new AttackLevel(strokes(1, 0.5), lane);
      assertEquals(Math.log(2), loud(level, time(0)) - loud(level, time(1)), 0.02, lane + "");
    }
  }

  /** What sounds on from before is taken off, and its band trusted less. */
  @Test
  void aSteadyToneBeforeTheHitIsNotTheHit() {
    Audio bare = strokes(1, 0.5);
    float[] x = bare.mono();
    for (int n = 0; n < x.length; n++) {
      x[n] += (float) (0.05 * Math.sin(2 * Math.PI * 2200.0 * n / RATE));
    }
    AttackLevel alone = new AttackLevel(bare, Lane.CLAP);
    AttackLevel along = new AttackLevel(new Audio(x, x, RATE), Lane.CLAP);
    int tone =
        (int) (4 * Math.log(2200.0 / 1000) / Math.log(2)); // quarters of an octave from 1 kHz
    assertTrue(along.at(time(1)).trust()[tone] < 0.5, "masked");
    assertTrue(alone.at(time(1)).trust()[tone] > 0.95, "not masked");
    for (int band = 0; band < along.bands(); band++) {
      if (Math.abs(band - tone) > 2) {
        assertEquals(alone.at(time(0)).level()[band], along.at(time(0)).level()[band], 0.1);
      }
    }
  }

  @Test
  void aHitAtTheVeryEdgeHasALevelToo() {
    AttackLevel level = new AttackLevel(strokes(1), Lane.SNARE);
    for (double edge : new double[] {0, 0.001, 1.999, 2}) {
      assertTrue(Double.isFinite(loud(level, edge)), "at " + edge);
      assertTrue(loud(level, edge) < loud(level, time(0)) - 1, "at " + edge);
    }
  }

  @Test
  void aDullRecordingHasNoHatBands() {
    Audio dull = new Audio(new float[8000], new float[8000], 8000);
    assertEquals(0, new AttackLevel(dull, Lane.HAT_CLOSED).bands());
    assertTrue(new AttackLevel(dull, Lane.SNARE).bands() > 8);
  }

  private static double loud(AttackLevel level, double seconds) {
    return Arrays.stream(level.at(seconds).level()).average().orElseThrow();
  }
}
