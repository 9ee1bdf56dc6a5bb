package looseecho.dsp;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.api.Test;

class QuantileTest {
  /** As sorting says, equal values and runs of them included. */
  @Test
  void thePlaceIsThatOfTheSortedOrder() {
    Random random = new Random(3);
    for (int n = 1; n < 60; n++) {
      double[] x = random.doubles(n).map(v -> Math.floor(8 * v)).toArray();
      double[] sorted = x.clone();
      Arrays.sort(sorted);
      for (int place = 0; place < n; place++) {
        assertEquals(sorted[place], Quantile.of(x.clone(), n, place));
      }
    }
  }
}
