package looseecho.palette;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Random;
import org.junit.jupiter.api.Test;

/** Two sounds that share a part are near each other there, and only there. */
class RegionTest {
  private static final int RATE = 44_100;

  /** A tone that dies away, a click in front, noise behind. */
  private static Picture sound(double hz, double click, double tail) {
    float[] x = new float[RATE / 2];
    Random random = new Random(4);
    for (int i = 0; i < x.length; i++) {
      double t = (double) i / RATE;
      double noise = random.nextGaussian();
      x[i] =
          (float)
              (0.5 * Math.exp(-t / 0.05) * Math.sin(2 * Math.PI * hz * t)
                  + click * Math.exp(-t / 0.004) * noise
                  + tail * (t > 0.08 ? Math.exp(-t / 0.2) * noise : 0));
    }
    return Picture.of(x, 0);
  }

  private static double apart(Picture a, Picture b, Region region) {
    return PictureDistance.between(a, b, region).distance();
  }

  @Test
  void whatIsSharedIsNear() {
    Picture plain = sound(80, 0.3, 0);
    Picture rung = sound(80, 0.3, 0.1);
    assertTrue(apart(plain, rung, Region.ATTACK) < 0.5);
    assertTrue(apart(rung, plain, Region.TAIL) > 5);
    Picture dull = sound(80, 0, 0);
    assertTrue(apart(plain, dull, Region.BODY) < 0.5 * apart(plain, dull, Region.AIR));
    Picture higher = sound(160, 0.3, 0);
    assertTrue(apart(plain, higher, Region.BODY) > 3 * apart(plain, higher, Region.AIR));
    assertEquals(
        PictureDistance.between(plain, rung).distance(), apart(plain, rung, Region.WHOLE), 1e-12);
    assertEquals(0, apart(plain, plain, Region.TAIL), 1e-9);
  }
}
