package looseecho.drawer;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.audio.WavWriter;
import looseecho.echo.Part;
import looseecho.hits.Hit;
import looseecho.mix.Sounds;
import looseecho.notes.Line;
import looseecho.palette.HeardSound;
import looseecho.palette.HeardSounds;
import looseecho.palette.Picture;
import looseecho.palette.SoundClass;
import looseecho.reading.Progress;
import looseecho.synth.DrumSound;
import looseecho.synth.DrumSynth;
import looseecho.synth.Retuner;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A drawer of made sounds: kept, changed, and found again in a loop under a pad. */
class DrawerTest {
  private static final int RATE = 44100;
  @TempDir private Path dir;
  private Path samples;

  @BeforeEach
  void fill() throws IOException {
    samples = Files.createDirectories(dir.resolve("samples/more"));
    DrumSound snare = Sounds.plain().drum(Part.of(Lane.SNARE));
    for (int k = 0; k < 6; k++) {
      write(
          "snare " + k,
          snare.with(DrumSound.Dial.TONE, 150 + 25 * k).with(DrumSound.Dial.NOISE_MS, 40 + 22 * k));
    }
    write("kick", Sounds.plain().drum(Part.of(Lane.KICK)));
    Files.writeString(samples.resolve("broken.wav"), "no sound at all");
  }

  private void write(String name, DrumSound sound) throws IOException {
    float[] x = new DrumSynth().render(sound, RATE, 3);
    new WavWriter().write(new Audio(x, x.clone(), RATE), samples.resolve(name + ".wav"));
  }

  @Test
  void whatIsKnownIsPassedOverWhatIsGoneForgottenWhatIsDamagedTold() throws IOException {
    try (Drawer drawer = Drawer.open(dir.resolve("drawer"))) {
      Indexer indexer = new Indexer();
      Indexer.Done first = indexer.add(drawer, List.of(dir.resolve("samples")), Progress.NONE);
      assertEquals(7, first.added());
      assertEquals(1, first.notes().size(), first.notes().toString());
      assertTrue(first.notes().get(0).contains("broken.wav"), first.notes().get(0));
      Files.delete(samples.resolve("snare 0.wav"));
      write("snare 1", Sounds.plain().drum(Part.of(Lane.CLAP)));
      Indexer.Done second = indexer.add(drawer, List.of(samples), Progress.NONE);
      assertEquals(new Indexer.Done(1, 5, 1, second.notes()), second);
      assertEquals(6, drawer.entries().size());
      Entry kick =
          drawer.entries().stream()
              .filter(e -> e.file().endsWith("kick.wav"))
              .findFirst()
              .orElseThrow();
      assertEquals(SoundClass.KICK, kick.what());
      assertTrue(
          indexer
              .add(drawer, List.of(dir.resolve("none")), Progress.NONE)
              .notes()
              .get(0)
              .contains("no folder"));
    }
  }

  @Test
  void aSampleIsFoundAgainUnderAPadTunedUp() throws IOException {
    try (Drawer drawer = Drawer.open(dir.resolve("drawer"))) {
      new Indexer().add(drawer, List.of(samples), Progress.NONE);
      Audio one =
          new looseecho.audio.AudioReader().oneShot(samples.resolve("snare 3.wav"), Progress.NONE);
      float[] tuned = new Retuner(RATE).bySpeed(one.mono(), 2);
      float[] mix = new float[6 * RATE];
      Random random = new Random(4);
      for (int i = 0; i < mix.length; i++) {
        double pad =
            Math.sin(2 * Math.PI * 220 * i / RATE) + Math.sin(2 * Math.PI * 277 * i / RATE);
        mix[i] = (float) (0.06 * pad + 0.002 * random.nextGaussian());
      }
      List<Hit> hits =
          IntStream.range(0, 8)
              .mapToObj(k -> new Hit(Lane.SNARE, 0.4 + 0.6 * k, 100, 1, 1, 0, 1))
              .toList();
      for (Hit h : hits) {
        for (int i = 0; i < tuned.length; i++) {
          mix[(int) (h.time() * RATE) + i] += 0.4f * tuned[i];
        }
      }
      HeardSound heard = HeardSounds.of(new Audio(mix, mix.clone(), RATE), hits).get(0);
      List<Match> matches = new Matcher().match(heard, drawer.entries(), 3, Progress.NONE);
      assertEquals(samples.resolve("snare 3.wav").toAbsolutePath(), matches.get(0).entry().file());
      assertEquals(2, matches.get(0).semitones());
      assertTrue(matches.get(0).remedy().startsWith("up 2 semitones"), matches.get(0).remedy());
      assertEquals(3, matches.size());
    }
  }

  /** A line's sample may be tuned far, to the pitch that is heard; a drum's may not. */
  @Test
  void aBassIsFoundAgainAFifthLower() throws IOException {
    Drawer drawer = Drawer.open(dir.resolve("notes"));
    try (drawer) {
      Path notes = dir.resolve("bass notes");
      for (int k = 0; k < 3; k++) {
        double[] harmonics = {1, 0.3 * k, 0.1, 0.25 * k, 0.02, 0.2 * k};
        write(notes.resolve("bass " + k + ".wav"), note(55, harmonics));
      }
      new Indexer().add(drawer, List.of(notes), Progress.NONE);
      float[] low =
          new Retuner(RATE).bySpeed(note(55, new double[] {1, 0.3, 0.1, 0.25, 0.02, 0.2}), -7);
      HeardSound heard =
          new HeardSound(
              Part.of(Line.BASS),
              "bass",
              List.of(33 - 7),
              low,
              Picture.of(low, 0),
              1,
              1,
              Optional.empty());
      Match first = new Matcher().match(heard, drawer.entries(), 1, Progress.NONE).get(0);
      assertEquals(notes.resolve("bass 1.wav").toAbsolutePath(), first.entry().file());
      assertEquals(-7, first.semitones());
    }
  }

  private static float[] note(double hz, double[] harmonics) {
    float[] x = new float[RATE / 2];
    for (int i = 0; i < x.length; i++) {
      for (int h = 0; h < harmonics.length; h++) {
        x[i] += (float) (0.3 * harmonics[h] * Math.sin(2 * Math.PI * hz * (h + 1) * i / RATE));
      }
      x[i] *= (float) Math.exp(-3.0 * i / RATE);
    }
    return x;
  }

  private static void write(Path file, float[] x) throws IOException {
    Files.createDirectories(file.getParent());
    new WavWriter().write(new Audio(x, x.clone(), RATE), file);
  }
}
