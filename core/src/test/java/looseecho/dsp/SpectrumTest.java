package looseecho.dsp;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import looseecho.Signals;
import looseecho.reading.Progress;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SpectrumTest {
  /**
   * Harris 1978, table 1 (from memory): Hann has coherent gain 0.50 and an equivalent noise
   * bandwidth of 1.50 bins.
   */
  @Test
  void hannHasThePublishedFigures() {
    float[] w = Fft.hann(4096);
    double sum = 0;
    double squares = 0;
    for (float v : w) {
      sum += v;
      squares += (double) v * v;
    }
    assertEquals(0.5, sum / w.length, 1e-4);
    assertEquals(1.5, w.length * squares / (sum * sum), 1e-3);
  }

  @Test
  void aSineOnABinReadsItsAmplitudeAndSilenceReadsZero() {
    Fft fft = new Fft(2048, 2048);
    float[] out = new float[fft.bins()];
    float[] sine = Signals.sine(44100.0 / 2048 * 100, 0.5, 1, 44100, true).channel(0);
    fft.magnitudes(sine, 22050, out);
    assertEquals(0.5, out[100], 1e-3);
    assertTrue(out[300] < 1e-4);
    fft.magnitudes(new float[100], 50, out);
    assertEquals(0, out[100], 1e-9);
    assertThrows(IllegalArgumentException.class, () -> new Fft(1024, 2048));
  }

  /**
   * Equal temperament, A4 = 440 Hz (ISO 16): each note lights its own pitch class, and tuning is
   * read in cents.
   */
  @ParameterizedTest
  @CsvSource({"261.626, 0, 0", "440, 9, 0", "329.628, 4, 0", "446.4, 9, 25", "434.7, 9, -21"})
  void chromaNamesTheNoteAndItsTuning(double hz, int pitchClass, double cents) {
    float[] x = Signals.sine(hz, 0.3, 3, 44100, true).channel(0);
    Chroma chroma = Chroma.of(ToneSpectra.of(x, 44100, 8192, 8192, 2205, Progress.NONE));
    double[] sum = chroma.sum(0.5, 2.5);
    int best = 0;
    for (int c = 0; c < 12; c++) {
      best = sum[c] + sum[12 + c] > sum[best] + sum[12 + best] ? c : best;
    }
    assertEquals(pitchClass, best);
    assertEquals(cents, chroma.tuningCents(), 3);
  }
}
