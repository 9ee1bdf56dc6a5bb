package looseecho.dsp;

import static org.junit.jupiter.api.Assertions.assertEquals;

import org.junit.jupiter.api.Test;

class LineFitTest {
  /**
   * Anscombe's first set, in order of x 4..14: slope .5001, at x = 4 5.0005, at 14 10.0014, R
   * squared .6665 (F. J. Anscombe, "Graphs in statistical analysis", The American Statistician 27,
   * 1973).
   */
  @Test
  void anscombesFirstSet() {
    double[] y = {9, 4.26, 5.68, 7.24, 4.82, 6.95, 8.81, 8.04, 8.33, 10.84, 7.58, 9.96, 0};
    LineFit fit = LineFit.of(y, 1, 12);
    assertEquals(5.0005, fit.first(), 1e-3);
    assertEquals(10.0014, fit.last(), 1e-3);
    assertEquals(0.6665, fit.fit(), 1e-4);
    assertEquals(10 * 0.50009, fit.change(), 1e-3);
  }
}
