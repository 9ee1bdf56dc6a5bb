package looseecho.hits;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.synth.DrumSound;
import looseecho.synth.DrumSynth;
import looseecho.synth.Retuner;
import org.junit.jupiter.api.Test;

/** Sounds of one lane that were laid on two sides, at two heights or at other pitches. */
class VoicesTest {
  private static final int RATE = 44100;
  private static final DrumSound HAT = new DrumSound(0, 1, 1, 1, 0.7, 7000, 17000, 22, 0.45, 1);
  private static final DrumSound WOOD = new DrumSound(330, 1.15, 8, 75, 0.2, 2500, 9000, 25, 0, 1);
  private final float[] left = new float[20 * RATE];
  private final float[] right = new float[20 * RATE];
  private final List<Hit> hits = new ArrayList<>();

  private void strike(Lane lane, int k, float[] sound, double pan) {
    double time = 0.25 * k + 0.1;
    int at = (int) (time * RATE);
    for (int i = 0; i < sound.length && at + i < left.length; i++) {
      left[at + i] += (float) (sound[i] * Math.sqrt((1 - pan) / 2));
      right[at + i] += (float) (sound[i] * Math.sqrt((1 + pan) / 2));
    }
    hits.add(new Hit(lane, time, 90, k / 8 + 1, 1 + 2 * (k % 8), 0, 1));
  }

  private Audio heard() {
    Random random = new Random(4);
    for (int i = 0; i < left.length; i++) {
      float bed = (float) (0.003 * random.nextGaussian());
      left[i] += bed;
      right[i] += bed;
    }
    return new Audio(left, right, RATE);
  }

  private static float[] sound(DrumSound recipe) {
    return new DrumSynth().render(recipe, RATE, 7);
  }

  @Test
  void hatsOnTwoSidesAreTwo() {
    for (int k = 0; k < 64; k++) {
      strike(Lane.HAT_CLOSED, k, sound(HAT), k % 4 == 1 ? 0.6 : -0.5);
    }
    List<Hit> found = new VoiceFinder(new Strokes(heard())).find(hits);
    for (int k = 0; k < 64; k++) {
      assertEquals(k % 4 == 1 ? Voice.RIGHT : Voice.LEFT, found.get(k).voice(), "hit " + k);
    }
  }

  /** What a person asks for: the same hits are parted by their side, however few there are. */
  @Test
  void strokesArePartedByTheSideTheyAreHeardOn() {
    for (int k = 0; k < 12; k++) {
      strike(Lane.CLAP, k, sound(WOOD), k % 3 == 0 ? 0.7 : -0.2);
    }
    double[] times = hits.stream().mapToDouble(Hit::time).toArray();
    boolean[] right = Sides.right(heard(), Lane.CLAP, times).orElseThrow();
    for (int k = 0; k < 12; k++) {
      assertEquals(k % 3 == 0, right[k], "hit " + k);
    }
    double[] onOneSide = {times[1], times[2], times[4], times[5]};
    assertTrue(Sides.right(heard(), Lane.CLAP, onOneSide).isEmpty());
  }

  @Test
  void oneHatIsOneWhateverIsStruckWithIt() {
    float[] snare = sound(new DrumSound(185, 1.6, 9, 60, 0.75, 900, 9000, 85, 0, 1));
    for (int k = 0; k < 64; k++) {
      strike(Lane.HAT_CLOSED, k, sound(HAT), 0.5);
      if (k % 4 == 2) {
        strike(Lane.SNARE, k, snare, 0);
      }
    }
    assertTrue(
        new VoiceFinder(new Strokes(heard()))
            .find(hits).stream().allMatch(h -> h.voice() == Voice.PLAIN));
  }

  @Test
  void percussionOfTwoHeightsIsTwo() {
    float[] low = sound(WOOD);
    float[] high = sound(new DrumSound(900, 1.1, 6, 50, 0.1, 3000, 9000, 20, 0, 1));
    for (int k = 0; k < 64; k++) {
      strike(Lane.PERCUSSION, k, k % 8 == 3 || k % 8 == 6 ? high : low, 0.2);
    }
    List<Hit> found = new VoiceFinder(new Strokes(heard())).find(hits);
    for (int k = 0; k < 64; k++) {
      Voice due = k % 8 == 3 || k % 8 == 6 ? Voice.HIGH : Voice.LOW;
      assertEquals(due, found.get(k).voice(), "hit " + k);
    }
  }

  /** Common practice: every second one two semitones down, and a rise of one semitone a hit. */
  @Test
  void pitchedStrokesAreHeardToHalfASemitone() {
    double[] due =
        IntStream.range(0, 48)
            .mapToDouble(k -> k < 32 ? (k % 2) * -2 : k < 40 ? k - 32 : 0)
            .toArray();
    Retuner retuner = new Retuner(RATE);
    for (int k = 0; k < 48; k++) {
      float[] wood = sound(WOOD);
      strike(Lane.PERCUSSION, k, due[k] == 0 ? wood : retuner.bySpeed(wood, due[k]), 0);
    }
    List<Hit> found = new StrokePitch(new Strokes(heard())).find(hits);
    for (int k = 0; k < 48; k++) {
      assertEquals(due[k], found.get(k).pitch(), 0.5, "hit " + k);
    }
  }

  @Test
  void evenStrokesOfOneSoundHaveOnePitch() {
    for (int k = 0; k < 48; k++) {
      strike(Lane.SNARE, k, new DrumSynth().render(WOOD, RATE, k), 0);
    }
    assertTrue(
        new StrokePitch(new Strokes(heard())).find(hits).stream().allMatch(h -> h.pitch() == 0));
  }
}
