package looseecho.dsp;

import static org.junit.jupiter.api.Assertions.assertEquals;

import org.junit.jupiter.api.Test;

class DecibelsTest {
  @Test
  void tablesAgreeWithTheLibrary() {
    for (double db = -140; db < 40; db += 0.0137) {
      double x = Math.pow(10, db / 20);
      assertEquals(db, Decibels.of(x), 1e-5);
      double r = Math.abs(db);
      if (r < 119) {
        assertEquals(
            Math.pow(10, -r / 20), Decibels.reduced(r), 1e-6 * Math.pow(10, -r / 20) + 1e-7);
      }
    }
    assertEquals(0, Decibels.reduced(400));
    for (double x = -12; x < 12; x += 0.00137) {
      assertEquals(Math.tanh(x), Bend.tanh(x), 6e-8);
    }
  }
}
