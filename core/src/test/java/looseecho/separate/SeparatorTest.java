package looseecho.separate;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.IntStream;
import looseecho.Signals;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.dsp.ThirdOctaves;
import looseecho.hits.Hit;
import looseecho.reading.Progress;
import org.junit.jupiter.api.Test;

/** The separator against the program that trained it, and against what has to hold of any. */
class SeparatorTest {
  private static final int RATE = 44100;

  /** A beat at the left and the middle, ticks at the right, a tone: as training's reference. */
  private static Audio signal() {
    float[] left = new float[3 * RATE];
    float[] right = new float[left.length];
    for (int i = 0; i < left.length; i++) {
      double a = (i % 22050) / 44100.0;
      double b = ((i + 11025) % 22050) / 44100.0;
      double kick = 0.6 * Math.exp(-a / 0.08) * Math.sin(2 * Math.PI * 60 * a);
      double tone = 0.1 * Math.sin(2 * Math.PI * 440 * i / 44100);
      double tick = 0.2 * Math.exp(-b / 0.02) * Math.sin(2 * Math.PI * 7000 * b);
      left[i] = (float) (kick + tone);
      right[i] = (float) (kick + tone + tick);
    }
    return new Audio(left, right, RATE);
  }

  @Test
  void sharesAreThoseOfTheTrainingProgram() throws IOException {
    ConcurrentHashMap<Integer, Separator.Block> blocks = new ConcurrentHashMap<>();
    new Separator(signal(), List.of()).run(b -> blocks.put(b.first(), b), Progress.NONE);
    assertEquals(1, blocks.size());
    Separator.Block block = blocks.get(0);
    List<String> lines =
        Files.readAllLines(Path.of("src/test/resources/looseecho/separate/reference.csv"));
    int seen = 0;
    for (String line : lines) {
      String[] f = line.split(",", -1);
      if (f[0].startsWith("share ")) {
        int plane = Integer.parseInt(f[0].substring(6)) * MaskNet.INPUTS + Integer.parseInt(f[2]);
        float share = block.shares()[plane][Integer.parseInt(f[1])];
        assertEquals(Double.parseDouble(f[3]), share, 4e-3, line);
        seen++;
      }
    }
    assertTrue(seen > 200, "the reference must hold values");
  }

  @Test
  void allGroupsTogetherGiveTheMixBackAndEachIsLessThanAll() {
    Audio mix = signal();
    Separator separator = new Separator(mix, List.of());
    Audio all = new StemSound().of(separator, EnumSet.allOf(Stem.class), Progress.NONE);
    Audio kick = new StemSound().of(separator, EnumSet.of(Stem.KICK), Progress.NONE);
    for (int i = 2048; i < mix.length() - 2048; i++) {
      assertEquals(mix.left(i), all.left(i), 1e-4);
      assertEquals(mix.right(i), all.right(i), 1e-4);
    }
    double drum = Signals.rms(kick.channel(0), 22050, 22050 + 4000);
    double between = Signals.rms(kick.channel(0), 22050 + 16000, 22050 + 21000);
    assertTrue(drum > 8 * between, drum + " and " + between);
  }

  /** A kick twice a second over a bass that wanders in the same octave. */
  @Test
  void aKickThatSoundsAlikeEachTimeIsToldFromABassBelowIt() {
    float[] kick = kick();
    float[] bass = bass(7);
    Audio sound = both(kick, bass);
    Separator known = new Separator(sound, kicks());
    Separator unknown = new Separator(sound, List.of());
    double left = ratio(kick, alone(known, Stem.KICK));
    assertTrue(left > ratio(kick, alone(unknown, Stem.KICK)) + 3, "kick " + left + " dB");
    left = ratio(bass, alone(known, Stem.BASS));
    assertTrue(left > ratio(bass, alone(unknown, Stem.BASS)) + 1, "bass " + left + " dB");
    // A stretch of the sound is parted by what the whole of it tells.
    float[] second = alone(known.stretch(4 * RATE, 6 * RATE), Stem.KICK);
    assertTrue(ratio(Arrays.copyOfRange(kick, 4 * RATE, 6 * RATE), second) > 6);
  }

  /** Nothing tells them apart: then no more is believed than before. */
  @Test
  void aBassThatComesWithEveryKickIsNotTakenForOne() {
    Audio sound = both(kick(), bass(2));
    float[] known = alone(new Separator(sound, kicks()), Stem.BASS);
    assertArrayEquals(alone(new Separator(sound, List.of()), Stem.BASS), known);
  }

  private static List<Hit> kicks() {
    return IntStream.range(0, 20)
        .mapToObj(k -> new Hit(Lane.KICK, k / 2.0 + 0.003, 100, k / 4, k % 4, 0, 1))
        .toList();
  }

  /** Falls to 48 Hz and dies away. */
  private static float[] kick() {
    float[] out = new float[10 * RATE];
    for (int i = 0; i < out.length; i++) {
      double t = i % 22050 / (double) RATE;
      double turns = 48 * t + 6 * (1 - Math.exp(-t / 0.04));
      out[i] = (float) (0.5 * Math.exp(-t / 0.12) * Math.sin(2 * Math.PI * turns));
    }
    return out;
  }

  /** From 44 Hz on up in steps of 4 Hz, four times a second. */
  private static float[] bass(int steps) {
    float[] out = new float[10 * RATE];
    double turns = 0;
    for (int i = 0; i < out.length; i++) {
      turns += (44 + 4 * (i / 11025 % steps)) / (double) RATE;
      out[i] = (float) (0.25 * Math.sin(2 * Math.PI * turns));
    }
    return out;
  }

  private static Audio both(float[] a, float[] b) {
    float[] mix = new float[a.length];
    for (int i = 0; i < mix.length; i++) {
      mix[i] = a[i] + b[i];
    }
    return new Audio(mix, mix, RATE);
  }

  private static float[] alone(Separator separator, Stem stem) {
    return new StemSound().of(separator, EnumSet.of(stem), Progress.NONE).channel(0);
  }

  /**
   * Of what belongs to a sound to what does not, at any level: SI-SDR (Le Roux and others 2019).
   */
  private static double ratio(float[] truth, float[] heard) {
    double both = 0;
    double own = 1e-12;
    for (int i = 0; i < truth.length; i++) {
      both += truth[i] * heard[i];
      own += truth[i] * truth[i];
    }
    double off = 1e-12;
    for (int i = 0; i < truth.length; i++) {
      double wrong = heard[i] - both / own * truth[i];
      off += wrong * wrong;
    }
    return 10 * Math.log10(both * both / own / off);
  }

  /** A sine at one side: its power, third octave and place are known. */
  @Test
  void powersHaveTheUnitsThatTheySay() {
    Audio sine = Signals.sine(1000, 0.5, 3, RATE, false);
    StemPowers p = StemPowers.of(sine, List.of(), Progress.NONE);
    int band = ThirdOctaves.band(1000);
    int slot = p.slot(1.5);
    double left = 0;
    double right = 0;
    for (int b = band - 1; b <= band + 1; b++) {
      for (Stem s : Stem.values()) {
        left += Math.sqrt(p.power(s, StemPowers.View.LEFT, slot, b));
        right += Math.sqrt(p.power(s, StemPowers.View.RIGHT, slot, b));
      }
    }
    // amplitudes of the groups add up; a Hann window spreads a sine's power over 1.5 times itself
    assertEquals(0.5 * Math.sqrt(1.5), left, 0.12);
    assertTrue(right < 0.1 * left, right + " beside " + left);
    assertEquals(25.119, ThirdOctaves.centre(0), 0.001);
  }
}
