package looseecho.dsp;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.stream.Stream;
import looseecho.Signals;
import looseecho.audio.Audio;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

class LoudnessTest {
  private final Loudness loudness = new Loudness();

  /** ITU-R BS.1770-4, annex 1 (from memory): 997 Hz, 0 dBFS, one front channel reads -3.01 LKFS. */
  @ParameterizedTest
  @ValueSource(ints = {44100, 48000, 96000})
  void fullScaleSineOnOneChannel(int rate) {
    Audio sine = Signals.sine(997, 1, 5, rate, false);
    assertEquals(-3.01, loudness.integrated(sine).orElseThrow(), 0.03);
  }

  /**
   * EBU Tech 3341, minimum requirements cases 1 to 5 (from memory), stereo 1 kHz, tolerance 0.1 LU.
   */
  static Stream<Arguments> ebuCases() {
    return Stream.of(
        Arguments.of(-23.0, new double[] {-23, 20}),
        Arguments.of(-33.0, new double[] {-33, 20}),
        Arguments.of(-23.0, new double[] {-36, 10, -23, 60, -36, 10}),
        Arguments.of(-23.0, new double[] {-72, 10, -36, 10, -23, 60, -36, 10, -72, 10}),
        Arguments.of(-23.0, new double[] {-26, 20, -20, 20.1, -26, 20}));
  }

  @ParameterizedTest
  @MethodSource("ebuCases")
  void ebuTech3341(double expected, double[] levelsAndSeconds) {
    assertEquals(expected, loudness.integrated(joined(levelsAndSeconds)).orElseThrow(), 0.1);
  }

  /** EBU Tech 3342, minimum requirements cases 1 to 4 (from memory), tolerance 1 LU. */
  static Stream<Arguments> rangeCases() {
    return Stream.of(
        Arguments.of(10.0, new double[] {-20, 20, -30, 20}),
        Arguments.of(5.0, new double[] {-20, 20, -15, 20}),
        Arguments.of(20.0, new double[] {-40, 20, -20, 20}),
        Arguments.of(15.0, new double[] {-50, 20, -35, 20, -20, 20, -35, 20, -50, 20}));
  }

  @ParameterizedTest
  @MethodSource("rangeCases")
  void ebuTech3342(double expected, double[] levelsAndSeconds) {
    assertEquals(expected, loudness.range(joined(levelsAndSeconds)), 1);
  }

  private static Audio joined(double[] levelsAndSeconds) {
    Audio[] parts = new Audio[levelsAndSeconds.length / 2];
    for (int i = 0; i < parts.length; i++) {
      double level = Math.pow(10, levelsAndSeconds[2 * i] / 20);
      parts[i] = Signals.sine(1000, level, levelsAndSeconds[2 * i + 1], 48000, true);
    }
    return Signals.join(parts);
  }

  @Test
  void silenceAndBlipsHaveNoLoudness() {
    assertTrue(loudness.integrated(Signals.sine(1000, 0, 3, 48000, true)).isEmpty());
    assertTrue(loudness.integrated(Signals.sine(1000, 1, 0.3, 48000, true)).isEmpty());
  }
}
