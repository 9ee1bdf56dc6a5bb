package looseecho.compare;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.function.IntToDoubleFunction;
import looseecho.audio.Audio;
import looseecho.compare.Finding.Kind;
import org.junit.jupiter.api.Test;

/** Mixes of tones whose differences are known. */
class MixCompareTest {
  private static final int RATE = 44_100;
  private static final int[] OCTAVES = {63, 125, 250, 500, 1000, 2000, 4000, 8000};

  private static Audio stereo(IntToDoubleFunction left, IntToDoubleFunction right) {
    float[] l = new float[6 * RATE];
    float[] r = new float[l.length];
    for (int i = 0; i < l.length; i++) {
      l[i] = (float) left.applyAsDouble(i);
      r[i] = (float) right.applyAsDouble(i);
    }
    return new Audio(l, r, RATE);
  }

  private static double tone(double hz, int i) {
    return Math.sin(2 * Math.PI * hz * i / RATE);
  }

  /** A tone in each octave; that of one is louder, and its share at the sides is given. */
  private static Audio octaves(double scale, int louder, double gain, double side) {
    return stereo(
        i -> scale * sum(i, louder, gain, 1 + side), i -> scale * sum(i, louder, gain, 1 - side));
  }

  private static double sum(int i, int louder, double gain, double pan) {
    double sum = 0;
    for (int hz : OCTAVES) {
      sum += (hz == louder ? gain * pan : 1) * tone(hz, i);
    }
    return 0.03 * sum;
  }

  private static Finding loudest(List<Finding> all, Kind kind) {
    return all.stream()
        .filter(f -> f.kind() == kind)
        .max(java.util.Comparator.comparingDouble(Finding::noticed))
        .orElseThrow();
  }

  @Test
  void theOctaveThatStandsOutIsNamedWhateverTheLevel() {
    Audio flat = octaves(1, 1000, 1, 0);
    for (Finding f : MixCompare.find(flat, octaves(0.25, 1000, 1, 0))) {
      assertEquals(0, f.noticed(), "12 dB softer is no difference: " + f.words());
    }
    Finding high = loudest(MixCompare.find(flat, octaves(1, 1000, 2, 0)), Kind.BAND);
    assertTrue(high.words().matches("[34]\\.\\d dB too much around 1 kHz\\."), high.words());
    Finding low = loudest(MixCompare.find(flat, octaves(1, 125, 0.25, 0)), Kind.BAND);
    assertTrue(low.words().endsWith("dB too little around 125 Hz."), low.words());
  }

  @Test
  void theOctaveThatIsWiderIsNamed() {
    Audio mono = octaves(1, 4000, 1, 0);
    Finding f = loudest(MixCompare.find(mono, octaves(1, 4000, 1, 0.5)), Kind.WIDTH);
    assertEquals("Around 4 kHz the echo is wider: 20 % at the sides, 0 % in the track.", f.words());
  }

  /** A sine's crest is 3.01 dB, a square's 0 (handbook of electrical measurement, from memory). */
  @Test
  void whatIsPressedIsNamed() {
    Audio sine = stereo(i -> 0.5 * tone(441, i), i -> 0.5 * tone(441, i));
    IntToDoubleFunction square = i -> i % 100 < 50 ? 0.5 : -0.5;
    List<Finding> all = MixCompare.find(sine, stereo(square, square));
    assertTrue(
        all.stream()
            .anyMatch(f -> f.words().equals("The echo is pressed 3.0 dB more than the track.")),
        all.toString());
  }
}
