package looseecho.reading;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.util.List;
import looseecho.reading.Reading.Alternative;
import looseecho.reading.Reading.Settled;
import org.junit.jupiter.api.Test;

class ReadingTest {
  private final Reading<String> measured =
      new Reading<>(
          "A",
          0.7,
          "it fits",
          List.of(new Alternative<>("B", 0.2, "near"), new Alternative<>("C", 0.1, "far")),
          Settled.MEASURED);

  @Test
  void aCorrectionKeepsTheMeasurementBesideIt() {
    Reading<String> r = measured.corrected("B");
    assertEquals("B", r.value());
    assertEquals(Settled.CORRECTED, r.settledBy());
    assertEquals(List.of("A", "C"), r.alternatives().stream().map(Alternative::value).toList());
    assertEquals(0.7, r.alternatives().get(0).confidence());
    assertEquals(Settled.CONFIRMED, measured.corrected("A").settledBy());
    assertEquals(1, measured.corrected("A").confidence());
  }

  @Test
  void nonsenseIsRefused() {
    assertThrows(IllegalArgumentException.class, () -> Reading.measured("A", 1.2, ""));
    assertThrows(IllegalArgumentException.class, () -> Reading.measured("A", Double.NaN, ""));
    assertThrows(NullPointerException.class, () -> Reading.measured(null, 0.5, ""));
  }
}
