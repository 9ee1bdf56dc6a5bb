package looseecho.desktop.control;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;

class SpectrumTest {
  @Test
  void aToneStandsAtItsFrequencyAndItsPlaceIsToldBothWays() {
    float[] x = new float[30_000];
    for (int i = 0; i < x.length; i++) {
      x[i] = (float) (0.3 * Math.sin(2 * Math.PI * 1000 * i / 44_100.0));
    }
    Spectrum s = Spectrum.of(x);
    assertEquals(0, s.level(980, 1.05), 0.01);
    assertTrue(s.level(2000, 1.05) < -50 && s.level(400, 1.05) < -50);
    assertTrue(Spectrum.NONE.level(1000, 1.05) < -100);
    assertEquals(1000, Spectrum.hertz(Spectrum.share(1000)), 1e-6);
    assertEquals(0.5, Spectrum.share(Math.sqrt(30.0 * 16_000)), 1e-9);
  }
}
