package looseecho.activity;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import looseecho.audio.Resampler;
import looseecho.network.Weights;
import looseecho.reading.Progress;
import org.junit.jupiter.api.Test;

class ActivityNetTest {
  /**
   * The signal of training/reference.py: a decaying low tone twice a second, a bright click
   * between, and a middle tone every three quarters of a second.
   */
  private static float[] signal(double seconds) {
    float[] x = new float[(int) (seconds * MelSpectra.RATE)];
    for (int i = 0; i < x.length; i++) {
      double low = i % 22050 / 44100.0;
      double high = (i + 11025) % 22050 / 44100.0;
      double mid = i % 33075 / 44100.0;
      x[i] =
          (float)
              (0.6 * Math.exp(-low / 0.08) * Math.sin(2 * Math.PI * 60 * low)
                  + 0.2 * Math.exp(-high / 0.02) * Math.sin(2 * Math.PI * 7000 * high)
                  + 0.3 * Math.exp(-mid / 0.3) * Math.sin(2 * Math.PI * 440 * mid));
    }
    return x;
  }

  /**
   * PyTorch, an independent implementation, computed these features and outputs from the same
   * weights (training/reference.py).
   */
  @Test
  void agreesWithThePythonReference() throws IOException {
    MelSpectra mel = MelSpectra.of(signal(12), Progress.NONE);
    Activities a = ActivityNet.load().run(mel, Progress.NONE);
    LineActivity bass = line(Register.BASS);
    LineActivity riff = line(Register.RIFF);
    List<String> lines =
        Files.readAllLines(Path.of("src/test/resources/looseecho/activity/reference.csv"));
    assertTrue(lines.size() > 60, "the reference must hold values");
    for (String line : lines) {
      String[] f = line.split(",", -1);
      int frame = Integer.parseInt(f[1]);
      int index = Integer.parseInt(f[2]);
      double value = Double.parseDouble(f[3]);
      switch (f[0]) {
        case "mel" -> assertEquals(value, mel.band(frame, index), 2e-3, line);
        // the two programs resample with different filters, so the lines are a little less alike
        case "bass" -> assertEquals(value, bass.begins(frame, bass.lowest() + index), 0.03, line);
        case "sounds" -> assertEquals(value, bass.sounds(frame, bass.lowest() + index), 0.03, line);
        case "riff" -> assertEquals(value, riff.begins(frame, riff.lowest() + index), 0.03, line);
        default -> assertEquals(value, output(a, index, frame), 3e-3, line);
      }
    }
  }

  private static LineActivity line(Register r) {
    float[] x = new Resampler().resample(signal(12), MelSpectra.RATE, r.rate());
    return LineNet.load(r).run(x, 0, Progress.NONE);
  }

  private static double output(Activities a, int index, int frame) {
    return index < 8
        ? a.lane(Lane.values()[index], frame)
        : index == 8
            ? a.beat(frame)
            : index == 9 ? a.downbeat(frame) : a.velocity(Lane.values()[index - 10], frame);
  }

  /** Loudness of the file changes nothing, and cutting the song into blocks changes nothing. */
  @Test
  void levelAndBlocksDoNotMatter() {
    float[] loud = signal(40);
    float[] soft = loud.clone();
    for (int i = 0; i < soft.length; i++) {
      soft[i] *= 0.03f;
    }
    ActivityNet net = ActivityNet.load();
    Activities a = net.run(MelSpectra.of(loud, Progress.NONE), Progress.NONE);
    Activities b = net.run(MelSpectra.of(soft, Progress.NONE), Progress.NONE);
    for (int n = 0; n < a.frames(); n += 3) {
      assertEquals(a.lane(Lane.KICK, n), b.lane(Lane.KICK, n), 1e-3);
    }
    // The signal repeats every second and a half, so two places far from both ends, one of them at
    // a block's edge, look alike.
    for (int n = 0; n < 50; n++) {
      assertEquals(a.lane(Lane.KICK, 1350 + n), a.lane(Lane.KICK, 1500 + n), 0.02);
    }
  }

  @Test
  void damagedWeightsAreRefusedAndCancellingStops() throws IOException {
    int total = 0;
    byte[] bytes = {};
    for (String file : ActivityNet.WEIGHTS) {
      try (InputStream in = ActivityNet.class.getResourceAsStream(file)) {
        bytes = in.readAllBytes();
        total += bytes.length;
      }
    }
    assertTrue(total < 1_000_000, "weights stay a small resource");
    byte[] damaged = bytes;
    damaged[5000] ^= 1;
    assertThrows(IOException.class, () -> Weights.parse(damaged));
    Progress stop =
        new Progress() {
          @Override
          public void at(String stage, double fraction) {
            // only the question whether to stop matters here
          }

          @Override
          public boolean cancelled() {
            return true;
          }
        };
    assertThrows(Progress.CancelledException.class, () -> MelSpectra.of(signal(5), stop));
  }
}
