package looseecho.notes;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import looseecho.activity.BassNet;
import looseecho.audio.Resampler;
import looseecho.reading.Progress;
import looseecho.sound.Bus;
import looseecho.sound.ToneSound;
import looseecho.sound.ToneSynth;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class NotesTest {
  private static final double[] C_MAJOR_PROFILE = {
    6.35, 2.23, 3.48, 2.33, 4.38, 4.09, 2.52, 5.19, 2.39, 3.66, 2.29, 2.88
  };

  /**
   * Krumhansl and Kessler 1982, correlations of the C major profile with other keys (also Krumhansl
   * 1990, chapter 2; from memory, two decimals): A minor .651, G major .591, F major .591, E minor
   * .536, C minor .511.
   */
  @ParameterizedTest
  @CsvSource({
    "C:major,1.0",
    "A:minor,0.651",
    "G:major,0.591",
    "F:major,0.591",
    "E:minor,0.536",
    "C:minor,0.511"
  })
  void profilesCorrelateAsPublished(String key, double correlation) {
    double got =
        new KeyFinder()
            .rank(C_MAJOR_PROFILE).stream()
                .filter(r -> r.key().label().equals(key))
                .findFirst()
                .orElseThrow()
                .score();
    assertEquals(correlation, got, 0.006);
  }

  @Test
  void theBassSettlesTheHomeAmongCousins() {
    double[] white = {1, 0, 1, 0, 1, 1, 0, 1, 0, 1, 0, 1};
    double[] bassOnA = new double[12];
    bassOnA[9] = 10;
    bassOnA[4] = 4;
    double[] bassOnC = new double[12];
    bassOnC[0] = 10;
    bassOnC[7] = 4;
    assertEquals(new Key(9, true), new KeyFinder().find(white, bassOnA).value());
    var major = new KeyFinder().find(white, bassOnC);
    assertEquals(new Key(0, false), major.value());
    assertTrue(
        major.alternatives().stream()
            .anyMatch(
                a -> a.value().equals(new Key(9, true)) && a.reason().contains("same notes")));
  }

  @Test
  void keysAreReadAndWritten() {
    assertEquals(new Key(1, true), Key.parse("C#:minor"));
    assertEquals("C#:minor", new Key(1, true).label());
    assertThrows(IllegalArgumentException.class, () -> Key.parse("H:moll"));
    assertThrows(IllegalArgumentException.class, () -> new Key(12, true));
  }

  private static List<Note> hear(float[] low) {
    return new BassFinder(BassFinder.Settings.DEFAULTS)
        .find(BassNet.load().run(low, 0, Progress.NONE));
  }

  /**
   * Notes played on our own synthesiser come back with their pitches (equal temperament, A4 = 440
   * Hz) and attacks.
   */
  @Test
  void aBassLineIsTranscribed() {
    int[] pitches = {33, 45, 33, 40, 38, 38, 29, 36};
    Bus bus = new Bus(44100 * 9, 44100);
    for (int k = 0; k < pitches.length; k++) {
      bus.add(new ToneSynth().render(ToneSound.BASS, pitches[k], 0.7, 100, 44100), 0.5 + k, 0.5, 0);
    }
    float[] low = new Resampler().resample(bus.audio(1).mono(), 44100, BassNet.RATE);
    List<Note> notes = hear(low);
    for (int k = 0; k < pitches.length; k++) {
      double start = 0.5 + k;
      int pitch = pitches[k];
      assertTrue(
          notes.stream().anyMatch(n -> n.pitch() == pitch && Math.abs(n.start() - start) < 0.05),
          "note " + pitch + " at " + start + " in " + notes);
    }
    assertTrue(notes.size() <= pitches.length + 2, notes.toString());
    assertTrue(hear(new float[BassNet.RATE * 3]).isEmpty(), "silence has no notes");
  }
}
