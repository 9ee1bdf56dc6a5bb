package looseecho;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;

/** The measures themselves against mir_eval 0.7: its own results on these examples. */
class MetricsTest {
  @Test
  void theMeasuresAgreeWithTheReferenceLibrary() {
    double[] beats = {5.0, 5.5, 6.0, 6.5, 7.0, 7.5, 8.0, 8.5};
    double[] tracked = {5.06, 5.58, 6.0, 6.4, 6.45, 7.02, 7.75, 8.0, 8.56, 9.0};
    assertEquals(0.666667, Metrics.f(beats, tracked, Metrics.BEAT), 1e-6);
    double[] onsets = {0.5, 0.54, 1.0, 1.2, 2.0};
    double[] heard = {0.52, 0.53, 0.58, 1.051, 1.249, 1.9, 2.049};
    assertEquals(0.666667, Metrics.f(onsets, heard, Metrics.ONSET), 1e-6);
    double[] edges = {8, 24, 30};
    double[] cut = {8.4, 22, 31, 45};
    assertEquals(0.285714, Metrics.f(edges, cut, 0.5), 1e-6);
    assertEquals(0.857143, Metrics.f(edges, cut, 3), 1e-6);
  }

  /** MIREX audio tempo estimation: 4 % either way, octave errors by two and three apart. */
  @Test
  void temposAreRightWithinFourPercent() {
    assertTrue(Metrics.tempo(120, 124.7));
    assertFalse(Metrics.tempo(120, 125));
    assertFalse(Metrics.tempo(120, 60.5));
    assertTrue(Metrics.tempoOrRelated(120, 60.5) && Metrics.tempoOrRelated(120, 41));
    assertFalse(Metrics.tempoOrRelated(120, 90));
  }
}
