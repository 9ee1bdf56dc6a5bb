package looseecho.notes;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class ScaleTest {
  /**
   * Whole (2) and half (1) steps from the home note up, as in the tables of S. Kostka and D. Payne,
   * "Tonal Harmony", chapters 1 and 4, and of the blues scale (common practice); from memory.
   */
  @ParameterizedTest
  @CsvSource({
    "MAJOR,2212221",
    "MINOR,2122122",
    "HARMONIC_MINOR,2122131",
    "MELODIC_MINOR,2122221",
    "DORIAN,2122212",
    "PHRYGIAN,1222122",
    "LYDIAN,2221221",
    "MIXOLYDIAN,2212212",
    "MAJOR_PENTATONIC,22323",
    "MINOR_PENTATONIC,32232",
    "BLUES,321132"
  })
  void stepsAsInTheTables(Scale scale, String steps) {
    int[] got =
        IntStream.range(0, scale.size())
            .map(d -> scale.semitones(d + 1) - scale.semitones(d))
            .toArray();
    assertArrayEquals(steps.chars().map(c -> c - '0').toArray(), got);
    assertEquals(12, scale.semitones(scale.size()), "an octave");
    assertEquals(-12, scale.semitones(-scale.size()));
  }

  @ParameterizedTest
  @EnumSource(Scale.class)
  void everyIntervalHasANearestDegree(Scale scale) {
    for (int i = -30; i < 30; i++) {
      int near = scale.semitones(scale.nearest(i));
      assertTrue(scale.has(near), scale + " " + i);
      for (int d = -20; d < 20; d++) {
        assertTrue(Math.abs(near - i) <= Math.abs(scale.semitones(d) - i), scale + " " + i);
      }
      assertTrue(!scale.has(i) || near == i, "what is in the scale stays");
    }
  }

  /** The circle of fifths (any handbook): sharps and flats of signatures. */
  @ParameterizedTest
  @CsvSource({
    "C:major,0",
    "G:major,1",
    "D:major,2",
    "F:major,-1",
    "A:minor,0",
    "E:minor,1",
    "D:minor,-1",
    "C:minor,-3",
    "D:dorian,0",
    "E:phrygian,0",
    "F:lydian,0",
    "G:mixolydian,0",
    "A:dorian,1"
  })
  void signatures(String key, int fifths) {
    assertEquals(fifths, Key.parse(key).fifths());
    assertEquals(key, Key.parse(key).label());
  }

  @Test
  void onlyKeysAreKeys() {
    assertThrows(IllegalArgumentException.class, () -> new Key(0, Scale.BLUES));
    assertThrows(IllegalArgumentException.class, () -> Key.parse("C"));
    assertEquals("C4", Key.note(60));
    assertEquals("A0", Key.note(21));
  }
}
