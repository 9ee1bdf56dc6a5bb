package looseecho.dsp;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class YinTest {
  private static final int RATE = 5000;
  private static final Yin YIN = new Yin(RATE, 28, 400, RATE / 20);

  /** MIDI tuning standard: note numbers and hertz in equal temperament, A4 = 440 Hz. */
  @ParameterizedTest
  @CsvSource({"24,32.703", "33,55.0", "40,82.407", "45,110.0", "57,220.0"})
  void tonesHaveTheirPitch(int note, double hertz) {
    float[] x = new float[RATE];
    for (int i = 0; i < x.length; i++) {
      double p = hertz * i / RATE;
      x[i] =
          (float)
              (0.5 * Math.sin(2 * Math.PI * p)
                  + 0.4 * Math.sin(4 * Math.PI * p)
                  + 0.3 * Math.sin(6 * Math.PI * p));
    }
    double heard = YIN.hertz(x, RATE / 2).orElseThrow();
    assertEquals(note, 69 + 12 * Math.log(heard / 440) / Math.log(2), 0.1, "in semitones");
  }

  @Test
  void noiseAndEdgesHaveNone() {
    Random random = new Random(4);
    float[] noise = new float[RATE];
    for (int i = 0; i < noise.length; i++) {
      noise[i] = (float) random.nextGaussian();
    }
    assertTrue(YIN.hertz(noise, RATE / 2).isEmpty());
    assertTrue(YIN.hertz(noise, 3).isEmpty() && YIN.hertz(noise, RATE - 3).isEmpty());
  }

  /** A slide over an octave, and stretches asked for in any order. */
  @Test
  void aCourseHearsWhatSingleStretchesHear() {
    float[] x = new float[RATE];
    double phase = 0;
    for (int i = 0; i < x.length; i++) {
      phase += 55 * Math.pow(2, (double) i / x.length) / RATE;
      x[i] = (float) Math.sin(2 * Math.PI * phase);
    }
    int hop = RATE / 100;
    Yin.Course course = YIN.course(x, 0, hop, 100);
    int heard = 0;
    for (int k = 99; k >= 0; k--) {
      double alone = YIN.hertz(x, k * hop).orElse(0);
      assertEquals(alone, course.hertz(k).orElse(0), 1e-5 * alone, "stretch " + k);
      heard += alone > 0 ? 1 : 0;
    }
    assertTrue(heard > 80, "the slide is heard (in " + heard + " stretches)");
    assertThrows(IllegalArgumentException.class, () -> YIN.course(x, 0, 7, 3));
  }
}
