package looseecho.palette;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Random;
import looseecho.activity.Lane;
import looseecho.echo.Part;
import looseecho.mix.Sounds;
import looseecho.synth.DrumSynth;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Classes, descriptors and distances of sounds whose making is known. */
class SoundClassifierTest {
  private static final int RATE = 44100;

  @Test
  void featuresAndScoresAreThoseOfTheTrainingProgram() throws IOException {
    float[] kick = decaying(55, 0.09, 30_000);
    float[] features = ClassFeatures.of(kick);
    int seen = 0;
    for (String line :
        Files.readAllLines(Path.of("src/test/resources/looseecho/separate/reference.csv"))) {
      String[] f = line.split(",", -1);
      if (f[0].equals("feature")) {
        assertEquals(Double.parseDouble(f[3]), features[Integer.parseInt(f[2])], 0.02, line);
        seen++;
      }
    }
    assertTrue(seen > 40, "the reference must hold values");
  }

  private static float[] decaying(double hz, double seconds, int length) {
    float[] x = new float[length];
    for (int i = 0; i < length; i++) {
      double t = (double) i / RATE;
      x[i] = (float) (Math.exp(-t / seconds) * Math.sin(2 * Math.PI * hz * t));
    }
    return x;
  }

  /** The program's own drums, none of which it was trained on. */
  @ParameterizedTest
  @CsvSource({
    "KICK,KICK",
    "SNARE,SNARE",
    "HAT_CLOSED,CLOSED_HAT",
    "CYMBAL,CYMBAL",
    "TOM,TOM",
  })
  void builtInDrumsAreKnown(Lane lane, SoundClass what) {
    float[] x = new DrumSynth().render(Sounds.plain().drum(Part.of(lane)), RATE, 3);
    assertEquals(what, new SoundClassifier().classify(x).what());
  }

  /**
   * Worked values: a sine that falls to 1/e in 100 ms has fallen by 20 dB after 230 ms and by 60 dB
   * after 691 ms; its centre is its pitch. Definitions: Peeters and others 2011.
   */
  @Test
  void descriptorsOfADecayingSine() {
    float[] x = decaying(440, 0.1, 2 * RATE);
    Descriptors d = new DescriptorFinder().of(x, x);
    assertEquals(230, d.decayMs(), 6);
    assertEquals(691, d.lengthMs(), 10);
    assertEquals(440, d.pitchHz(), 2);
    assertEquals(440, d.centroidHz(), 15);
    assertTrue(d.noise() < 0.01, "" + d.noise());
    assertEquals(0, d.width(), 1e-9);
    float[] silent = new float[x.length];
    assertEquals(0.5, new DescriptorFinder().of(x, silent).width(), 1e-6, "a point at one side");
  }

  @Test
  void noiseIsFlatAndASquareIsHollow() {
    Random random = new Random(5);
    float[] noise = new float[RATE];
    float[] square = new float[RATE];
    for (int i = 0; i < RATE; i++) {
      noise[i] = (float) random.nextGaussian() * 0.2f;
      square[i] = (220.0 * i / RATE) % 1 < 0.5 ? 0.5f : -0.5f;
    }
    Descriptors d = new DescriptorFinder().of(noise, noise);
    assertTrue(d.noise() > 0.5, "" + d.noise());
    assertEquals(0, d.pitchHz());
    Descriptors s = new DescriptorFinder().of(square, square);
    assertTrue(s.oddShare() > 0.9, "" + s.oddShare()); // a square has odd partials only
    assertTrue(s.words().contains("hollow"), s.words().toString());
  }

  @Test
  void aSoundIsNearItselfSofterAndCutShorter() {
    float[] x = new DrumSynth().render(Sounds.plain().drum(Part.of(Lane.SNARE)), RATE, 3);
    float[] softer = new float[x.length];
    for (int i = 0; i < x.length; i++) {
      softer[i] = (float) (0.5 * x[i] * Math.exp(-i / (0.1 * RATE)));
    }
    Picture heard = Picture.of(Arrays.copyOf(softer, RATE), 0);
    Picture own = Picture.of(Arrays.copyOf(x, RATE), 0);
    float[] kick = new DrumSynth().render(Sounds.plain().drum(Part.of(Lane.KICK)), RATE, 3);
    PictureDistance.Found f = PictureDistance.between(heard, own);
    assertTrue(f.distance() < 1.5, "" + f.distance());
    assertEquals(-6, f.gainDb(), 1.5);
    assertEquals(90, f.shorterDbPerSecond(), 1); // 1/e in 100 ms is 87 dB a second
    PictureDistance.Found other =
        PictureDistance.between(heard, Picture.of(Arrays.copyOf(kick, RATE), 0));
    assertTrue(other.distance() > f.distance() + 4, "" + other.distance());
    assertEquals(0, PictureDistance.between(own, Picture.of(own.bytes())).distance(), 0.3);
  }
}
