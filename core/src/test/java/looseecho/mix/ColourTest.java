package looseecho.mix;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import looseecho.dsp.Biquad;
import org.junit.jupiter.api.Test;

/** Colours against what is asked for, and filters against the cookbook's definitions. */
class ColourTest {
  private static final int RATE = 44100;

  /** Level of a sine of a frequency behind a colour, in dB. */
  private static double gain(Colour colour, double hz) {
    float[] x = new float[RATE];
    for (int i = 0; i < x.length; i++) {
      x[i] = (float) Math.sin(2 * Math.PI * hz * i / RATE);
    }
    new ColourFilter(colour, RATE).run(x);
    double sum = 0;
    for (int i = RATE / 2; i < RATE; i++) {
      sum += x[i] * x[i];
    }
    return 10 * Math.log10(sum / (RATE / 2.0) * 2);
  }

  @Test
  void everyBandHasTheGainAskedFor() {
    Colour colour = Colour.of(new double[] {6, -4, 3, 0, -8, 5, 12, -10});
    for (int k = 0; k < Colour.BANDS; k++) {
      assertEquals(colour.db().get(k), gain(colour, Colour.hz(k)), 0.5, Colour.hz(k) + " Hz");
    }
    assertEquals(0, gain(Colour.FLAT, 777), 0.01);
    assertTrue(new ColourFilter(Colour.FLAT, RATE).isIdle());
    assertThrows(IllegalArgumentException.class, () -> new Colour(List.of(1.0)));
  }

  /** Cookbook: a peak has its gain at its centre, a shelf half of it (in dB) at its edge. */
  @Test
  void filtersGainWhatTheCookbookSays() {
    assertEquals(9, Biquad.peak(RATE, 1000, 1, 9).decibels(RATE, 1000), 1e-9);
    assertEquals(0, Biquad.peak(RATE, 1000, 1, 9).decibels(RATE, 0), 1e-9);
    assertEquals(-3, Biquad.lowShelf(RATE, 200, -6).decibels(RATE, 200), 1e-9);
    assertEquals(-6, Biquad.lowShelf(RATE, 200, -6).decibels(RATE, 1), 0.01);
    assertEquals(3, Biquad.highShelf(RATE, 2000, 6).decibels(RATE, 2000), 1e-9);
    assertEquals(6, Biquad.highShelf(RATE, 2000, 6).decibels(RATE, 21000), 0.05);
    double edge = Biquad.lowPass(RATE, 500, Math.sqrt(0.5)).decibels(RATE, 500);
    assertEquals(-3.01, edge, 0.01, "Butterworth: half the power at its edge");
  }
}
