package looseecho.palette;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import org.junit.jupiter.api.Test;

class SoundAdviceTest {
  private static Descriptors sound(double decay, double pitch, double centroid, double noise) {
    return new Descriptors(2, decay, 3 * decay, pitch, 0, centroid, noise, 0, 0);
  }

  /** Worked by hand: 110 to 98 Hz are two semitones down, 1 to 4 kHz two octaves. */
  @Test
  void stepsAreInTheOrderInWhichTheyMatter() {
    List<String> steps = SoundAdvice.of(sound(100, 98, 4000, 0.2), sound(400, 110, 1000, 0.02));
    assertEquals("tune it down 2 semitones", steps.get(0));
    assertEquals("open the filter by 2.0 octaves", steps.get(1));
    assertEquals("more noise or drive", steps.get(2));
    assertEquals("shorter: 100 ms until 20 dB down", steps.get(3));
    assertEquals(4, steps.size());
    Descriptors same = sound(100, 98, 4000, 0.2);
    assertEquals(List.of(), SoundAdvice.of(same, same));
  }
}
