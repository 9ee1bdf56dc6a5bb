package looseecho.mix;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.stream.IntStream;
import looseecho.dsp.Biquad;
import org.junit.jupiter.api.Test;

/**
 * What rings ends in silence itself: numbers below a float's smallest normal one (1.2e-38, IEEE
 * 754) are many times slower to work with, and a rendering is full of rests.
 */
class SilenceTest {
  private static final int RATE = 44100;

  private static Bus struck(double seconds) {
    Bus bus = new Bus((int) (seconds * RATE), RATE);
    bus.add(new float[] {1}, 0, 1, 0);
    return bus;
  }

  private static void assertDiesAway(float[] x) {
    assertTrue(IntStream.range(0, 4000).anyMatch(i -> Math.abs(x[i]) > 1e-4), "it rings");
    for (int i = x.length - RATE / 10; i < x.length; i++) {
      assertEquals(0, x[i], "at sample " + i);
    }
  }

  @Test
  void repeatsARoomASpreadAndFiltersDieAway() {
    Bus repeats = new PingPong(RATE, 0.05, new Repeats(0.1, 0.4, true, 0, 0)).of(struck(8));
    assertDiesAway(repeats.sides()[0]);
    Bus room = new Room(RATE, 0.2).of(struck(6));
    assertDiesAway(room.sides()[0]);
    Bus wide = struck(4);
    new Widener(RATE, 1).spread(wide.sides()[0].clone(), wide);
    assertDiesAway(wide.sides()[1]);
    float[] x = struck(2).sides()[0];
    new ColourFilter(Colour.of(new double[] {6, -4, 3, 0, -8, 5, 12, -10}), RATE).run(x);
    assertDiesAway(x);
    float[] low = struck(2).sides()[0];
    Biquad.lowPass(RATE, 60, 2).run(low);
    assertDiesAway(low);
  }
}
