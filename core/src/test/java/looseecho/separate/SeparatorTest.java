package looseecho.separate;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.List;
import java.util.concurrent.ConcurrentHashMap;
import looseecho.Signals;
import looseecho.audio.Audio;
import looseecho.dsp.ThirdOctaves;
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
    new Separator(signal()).run(b -> blocks.put(b.first(), b), Progress.NONE);
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
    Separator separator = new Separator(mix);
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

  /** A sine at one side: its power, third octave and place are known. */
  @Test
  void powersHaveTheUnitsThatTheySay() {
    Audio sine = Signals.sine(1000, 0.5, 3, RATE, false);
    StemPowers p = StemPowers.of(sine, Progress.NONE);
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
