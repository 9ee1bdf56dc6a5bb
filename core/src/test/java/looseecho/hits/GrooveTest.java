package looseecho.hits;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import looseecho.activity.Lane;
import looseecho.activity.MelSpectra;
import looseecho.audio.Audio;
import looseecho.pulse.Meter;
import looseecho.pulse.PlainPulse;
import looseecho.pulse.Pulse;
import looseecho.reading.Progress;
import org.junit.jupiter.api.Test;

class GrooveTest {
  private static final double STEP = 0.125; // 120 BPM

  private static Pulse pulse() {
    return PlainPulse.at120(0, 64);
  }

  private static boolean[] steps(int... played) {
    boolean[] on = new boolean[16];
    for (int s : played) {
      on[s - 1] = true;
    }
    return on;
  }

  /**
   * Longuet-Higgins and Lee 1984: the weights of a 4/4 bar in sixteenths (from memory), and rhythms
   * worked out by hand from the published rule.
   */
  @Test
  void syncopationFollowsThePublishedRule() {
    int[] w = Syncopation.weights(16, 4);
    assertArrayEquals(new int[] {0, -4, -3, -4, -2, -4, -3, -4, -1, -4, -3, -4, -2, -4, -3, -4}, w);
    assertEquals(0, Syncopation.of(steps(1, 5, 9, 13), w), "on the beats");
    // Off-beats: 3 holds over 5 (-2+3), 7 over 9 (-1+3), 11 over 13 (-2+3), 15 over 1 (0+3).
    assertEquals(1 + 2 + 1 + 3, Syncopation.of(steps(3, 7, 11, 15), w));
    // 1, 4, 7, 11, 13: 4 holds over 5 (-2+4), 7 over 9 (-1+3).
    assertEquals(4, Syncopation.of(steps(1, 4, 7, 11, 13), w));
    // The same tree for other meters: 6/8 falls into 2, 3, 2 and 3/4 into 3, 2, 2 (from memory).
    assertArrayEquals(
        new int[] {0, -3, -2, -3, -2, -3, -1, -3, -2, -3, -2, -3}, Syncopation.weights(12, 6));
    assertArrayEquals(
        new int[] {0, -3, -2, -3, -1, -3, -2, -3, -1, -3, -2, -3}, Syncopation.weights(12, 4));
    assertArrayEquals(new int[] {0, -3, -2, -3, -1, -3, -2, -3}, Syncopation.weights(8, 4), "2/4");
    assertEquals(-1, Syncopation.weights(24, 6)[12], "12/8: its second half");
    assertEquals(-2, Syncopation.weights(24, 6)[6], "12/8: its second beat");
    assertEquals(-1, Syncopation.weights(20, 4)[4], "5/4: all beats but the first alike");
  }

  /** Grabe and Low 2002: long-short in the ratio 2:1 gives 100 * 1 / 1.5 throughout. */
  @Test
  void variabilityFollowsThePublishedFormula() {
    assertEquals(0, Syncopation.variability(new double[] {3, 3, 3}), 1e-9);
    assertEquals(66.667, Syncopation.variability(new double[] {2, 1, 2, 1}), 1e-3);
    assertArrayEquals(new double[] {3, 3, 4, 2, 4}, Syncopation.durations(steps(1, 4, 7, 11, 13)));
  }

  private static Hit hit(Lane lane, int bar, int step, int velocity) {
    return new Hit(lane, ((bar - 1) * 16 + step - 1) * STEP, velocity, bar, step, 0, 0.9);
  }

  /** Three bars alike and a fourth that differs (common practice), kick on every beat. */
  @Test
  void theBarIsReadForAnchorInfillAnswersAndVariants() {
    List<Hit> hits = new ArrayList<>();
    for (int bar = 1; bar <= 8; bar++) {
      for (int step = 1; step <= 16; step += 4) {
        hits.add(hit(Lane.KICK, bar, step, 110));
        hits.add(hit(Lane.HAT_CLOSED, bar, step + 2, 80));
      }
      hits.add(hit(Lane.CLAP, bar, 5, 100));
      hits.add(hit(Lane.CLAP, bar, 13, 100));
      if (bar % 4 == 0) {
        for (int s : new int[] {10, 12, 14, 16, 15}) {
          hits.add(hit(Lane.SNARE, bar, s, 60));
        }
      } else {
        hits.add(hit(Lane.PERCUSSION, bar, 4, 90));
      }
    }
    Groove g = Groove.of(TypicalBar.of(hits, 1, 9), Meter.FOUR_FOUR);
    assertEquals(new Groove.Anchor(Lane.PERCUSSION, 4), g.anchor().orElseThrow());
    assertEquals(List.of(1, 5, 9, 13), g.empty(2));
    assertEquals(Set.of(Lane.HAT_CLOSED), g.infill().get(2));
    assertEquals(0.5, g.answered(), 1e-9, "the kicks before 5 and 13 are answered there");
    assertTrue(g.uniformity() > 0.5 && g.uniformity() < 0.9, "alike: " + g.uniformity());
    assertEquals("tight", g.lanes().get(Lane.KICK).words());
    Variants v = Variants.of(hits, EnumSet.allOf(Lane.class), 1, 9);
    assertEquals(4, v.cycle());
    assertEquals(List.of(4, 8), v.patterns().get(1).bars());
    assertEquals("a", v.of(7));
    assertEquals(1, Variants.of(hits, EnumSet.of(Lane.KICK), 1, 9).cycle());
  }

  /**
   * Two claps of different colour on different steps, toms at 90 and 160 Hz, a ride and a crash.
   */
  @Test
  void voicesThatSoundDifferentGetLanesOfTheirOwn() {
    float[] x = new float[32 * 44100];
    Random random = new Random(2);
    List<Hit> hits = new ArrayList<>();
    for (int bar = 1; bar <= 12; bar++) {
      strike(x, hits, hit(Lane.CLAP, bar, 5, 100), 1200, 0.7, random);
      strike(x, hits, hit(Lane.CLAP, bar, 13, 100), 4800, 0.7, random);
      strike(x, hits, hit(Lane.SNARE, bar, 9, 100), 2000, 0.7, random);
      tone(x, hits, hit(Lane.TOM, bar, 15, 90), bar % 2 == 0 ? 90 : 165);
      for (int s = 1; s <= 13 && bar > 6; s += 4) {
        hits.add(hit(Lane.CYMBAL, bar, s, 70));
      }
    }
    hits.add(hit(Lane.CYMBAL, 1, 1, 110));
    hits.sort(java.util.Comparator.comparingDouble(Hit::time));
    Audio audio = new Audio(x, x, 44100);
    List<Hit> sorted =
        new HitDetails(new Envelope(MelSpectra.of(x, Progress.NONE)), new Strokes(audio), pulse())
            .complete(hits);
    assertEquals(12, count(sorted, Lane.CLAP));
    assertEquals(12, count(sorted, Lane.CLAP_2));
    assertEquals(0, count(sorted, Lane.SNARE_2), "one snare stays one");
    assertEquals(6, count(sorted, Lane.TOM_LOW));
    assertEquals(1, count(sorted, Lane.CYMBAL));
    assertEquals(24, count(sorted, Lane.RIDE));
    Hit clap = sorted.stream().filter(h -> h.lane().base() == Lane.CLAP).findFirst().orElseThrow();
    assertTrue(clap.lengthMs() > 20 && clap.lengthMs() < 150, "rings " + clap.lengthMs());
  }

  private static long count(List<Hit> hits, Lane lane) {
    return hits.stream().filter(h -> h.lane() == lane).count();
  }

  /** A burst of noise around a middle frequency. */
  private static void strike(
      float[] x, List<Hit> hits, Hit h, double hz, double level, Random random) {
    hits.add(h);
    var band = looseecho.dsp.Biquad.bandPass(44100, hz, 1.2);
    for (int i = 0; i < 9000; i++) {
      double noise = Math.exp(-i / 1500.0) * random.nextGaussian();
      x[(int) (h.time() * 44100) + i] += (float) (level * band.next(noise));
    }
  }

  private static void tone(float[] x, List<Hit> hits, Hit h, double hz) {
    hits.add(h);
    for (int i = 0; i < 9000; i++) {
      x[(int) (h.time() * 44100) + i] +=
          (float) (0.5 * Math.exp(-i / 3000.0) * Math.sin(2 * Math.PI * hz * i / 44100));
    }
  }

  /** The last bar of four leads over with triplets that grow (common practice). */
  @Test
  void fillsAndTripletRollsAreFound() {
    List<Hit> hits = new ArrayList<>();
    for (int bar = 1; bar <= 8; bar++) {
      hits.add(snare(bar, 4, 100));
      if (bar % 4 == 0) {
        for (int k = 0; k < 6; k++) {
          hits.add(snare(bar, 8 + k * 4 / 3.0, 50 + 10 * k));
        }
      } else {
        hits.add(snare(bar, 12, 100));
      }
    }
    assertEquals(List.of(4, 8), Fill.bars(hits, 1, 9));
    List<Roll> rolls = Roll.find(hits, pulse());
    assertEquals(2, rolls.size());
    assertEquals("snare roll in 8th triplets, getting louder", rolls.get(0).words());
  }

  /** Sixteenths that eighths lead into; the back beat before them is none of it. */
  @Test
  void aRollThatGathersSpeedBeginsWithItsEighths() {
    List<Hit> hits = new ArrayList<>(List.of(snare(1, 4, 100), snare(1, 12, 100)));
    for (int k = 0; k < 4; k++) {
      hits.add(snare(2, 8 + 2 * k, 60 + k));
    }
    for (int k = 0; k < 16; k++) {
      hits.add(snare(3, k, 70 + 2 * k));
    }
    Roll roll = Roll.find(hits, pulse()).get(0);
    assertEquals(32 * STEP, roll.start(), 1e-6);
    assertEquals(24 * STEP, roll.gathersFrom(hits, pulse()), 1e-6);
    List<Hit> bare = hits.stream().filter(h -> h.time() > 29 * STEP).toList();
    assertEquals(32 * STEP, roll.gathersFrom(bare, pulse()), 1e-6, "one alone leads nowhere");
  }

  private static Hit snare(int bar, double step, int velocity) {
    double time = ((bar - 1) * 16 + step) * STEP;
    Place place = new Places(pulse()).at(time);
    return new Hit(Lane.SNARE, time, velocity, bar, place.step(), place.offsetMs(), 1);
  }

  @Test
  void decisionsAboutHitsAreCarriedOutInOrder() {
    List<Hit> heard = List.of(hit(Lane.KICK, 1, 1, 100), hit(Lane.SNARE, 1, 5, 90));
    List<HitMark> marks =
        List.of(
            HitMark.add(Lane.CLAP, 12 * STEP + 0.011, 80),
            HitMark.delete(heard.get(0)),
            HitMark.set(heard.get(1), Lane.CLAP, 70),
            HitMark.merge(Lane.CLAP, Lane.CLAP_2));
    List<Hit> after = HitMark.apply(marks, heard, pulse());
    assertEquals(List.of(Lane.CLAP_2, Lane.CLAP_2), after.stream().map(Hit::lane).toList());
    assertEquals(List.of(70, 80), after.stream().map(Hit::velocity).toList());
    assertEquals(13, after.get(1).step());
    assertEquals(11, after.get(1).offsetMs(), 1e-6);
    assertTrue(after.stream().allMatch(h -> h.confidence() == 1));
  }
}
