package looseecho.audio;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import looseecho.Signals;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ResamplerTest {
  /** A tone in the pass band keeps its level, place and shape: the error stays 80 dB below it. */
  @ParameterizedTest
  @CsvSource({
    "48000,44100,1000",
    "44100,48000,997",
    "22050,44100,5000",
    "96000,44100,15000",
    "8000,44100,2500",
    "44100,5000,110"
  })
  void keepsAToneAsItIs(int from, int to, double hz) {
    float[] out =
        new Resampler().resample(Signals.sine(hz, 0.5, 1, from, true).channel(0), from, to);
    assertEquals(to, out.length, 1);
    double error = 0;
    for (int i = to / 4; i < to * 3 / 4; i++) {
      double d = out[i] - 0.5 * Math.sin(2 * Math.PI * hz * i / to);
      error += d * d;
    }
    double db = 10 * Math.log10(error / (to / 2.0) / 0.125);
    assertTrue(db < -70, "error " + db + " dB");
  }

  /** What lies above the new band must vanish, not fold back. */
  @ParameterizedTest
  @CsvSource({"48000,22050,15000", "44100,5000,4000"})
  void removesWhatDoesNotFit(int from, int to, double hz) {
    float[] out =
        new Resampler().resample(Signals.sine(hz, 0.5, 1, from, true).channel(0), from, to);
    assertTrue(20 * Math.log10(Signals.rms(out, to / 4, to * 3 / 4) / 0.354) < -75);
  }
}
