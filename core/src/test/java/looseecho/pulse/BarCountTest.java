package looseecho.pulse;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.stream.IntStream;
import looseecho.activity.Activities;
import looseecho.activity.DrawnActivity;
import looseecho.activity.Lane;
import looseecho.dsp.Chroma;
import looseecho.dsp.ToneSpectra;
import looseecho.reading.Progress;
import org.junit.jupiter.api.Test;

class BarCountTest {
  private static final double BEAT = 0.5;
  private static final int BEATS = 96;

  private static double[] times() {
    return IntStream.range(0, BEATS).mapToDouble(k -> 1 + k * BEAT).toArray();
  }

  /** Places when the first beat is the given place of its bar. */
  private static int[] places(int first) {
    return IntStream.range(0, BEATS).map(k -> (k + first - 1) % 4 + 1).toArray();
  }

  /**
   * An even kick; the hats play sixteen beats and rest sixteen, from beat {@code change} on. Every
   * beat looks like a downbeat, or only each fourth from the first.
   */
  private static Activities even(int change, boolean clear) {
    DrawnActivity a = new DrawnActivity(1 + BEATS * BEAT + 1);
    for (int k = 0; k < BEATS; k++) {
      double t = 1 + k * BEAT;
      a.beat(t, !clear || k % 4 == 0);
      a.hit(Lane.KICK, t, 0.95, 0.9);
      if (Math.floorMod(k - change, 32) < 16) {
        a.hit(Lane.HAT_CLOSED, t + BEAT / 2, 0.95, 0.6);
      }
    }
    return a.done();
  }

  /** Drums come and go on bar lines (common practice). */
  @Test
  void whereThePlayingChangesIsBarOne() {
    for (int change = 0; change < 4; change++) {
      int[] settled = BarCount.settle(even(16 + change, false), Chroma.NONE, times(), places(1), 4);
      assertEquals(1, settled[16 + change], "change on beat " + change);
      assertEquals(2, settled[17 + change]);
    }
  }

  @Test
  void clearDownbeatsAreLeftAlone() {
    assertArrayEquals(
        places(1), BarCount.settle(even(18, true), Chroma.NONE, times(), places(1), 4));
  }

  /** Downbeats on the beats for which it is true, nothing else that tells. */
  private static int[] counted(java.util.function.IntPredicate down) {
    DrawnActivity a = new DrawnActivity(1 + BEATS * BEAT + 1);
    for (int k = 0; k < BEATS; k++) {
      a.beat(1 + k * BEAT, down.test(k));
      a.hit(Lane.KICK, 1 + k * BEAT, 0.95, 0.9);
    }
    return BarCount.settle(a.done(), Chroma.NONE, times(), places(3), 4);
  }

  /** One bar of two beats, with clear bars on both sides of it. */
  @Test
  void aBarThatIsCutShortIsKept() {
    int[] count = counted(k -> k < 42 ? k % 4 == 0 : (k - 42) % 4 == 0);
    for (int k = 0; k < BEATS; k++) {
      assertEquals(1 + (k < 42 ? k % 4 : (k - 42) % 4), count[k], "beat " + k);
    }
  }

  /** A passage that says nothing, and one of two bars that says something else. */
  @Test
  void theCountIsCarriedThroughWhatDoesNotTell() {
    assertArrayEquals(places(1), counted(k -> k % 4 == 0 && (k < 24 || k >= 64)));
    assertArrayEquals(places(1), counted(k -> k % 4 == (k >= 48 && k < 56 ? 2 : 0)));
  }

  /** A chord a bar, {@code first} being the first beat of one; D minor, B flat, F and C in turn. */
  private static Chroma chords(int first) {
    int rate = 11025;
    float[] x = new float[(int) ((1 + BEATS * BEAT + 1) * rate)];
    double[][] chords = {
      {293.66, 349.23, 440}, {233.08, 293.66, 349.23}, {349.23, 440, 523.25}, {261.63, 329.63, 392}
    };
    for (int i = rate; i < x.length; i++) {
      int beat = (int) ((i / (double) rate - 1) / BEAT);
      for (double hz : chords[Math.floorDiv(beat - first, 4) & 3]) {
        x[i] += 0.2f * (float) Math.sin(2 * Math.PI * hz * i / rate);
      }
    }
    return Chroma.of(ToneSpectra.of(x, rate, 2048, 2048, 551, Progress.NONE));
  }

  /** Chords change on first beats (common practice): an even kick is counted by them. */
  @Test
  void whereChordsChangeIsBarOne() {
    DrawnActivity a = new DrawnActivity(1 + BEATS * BEAT + 1);
    for (int k = 0; k < BEATS; k++) {
      a.beat(1 + k * BEAT, true);
      a.hit(Lane.KICK, 1 + k * BEAT, 0.95, 0.9);
    }
    for (int first = 0; first < 4; first++) {
      int[] count = BarCount.settle(a.done(), chords(first), times(), places(1), 4);
      assertArrayEquals(places(1 + (4 - first) % 4), count, "chords from beat " + first);
    }
  }

  /** Drums alone and silence bring no odds at all. */
  @Test
  void whatHasNoChordsSaysNothing() {
    double[] odds = HarmonicChange.odds(Chroma.NONE, times());
    assertArrayEquals(new double[BEATS], odds, 1e-6);
    double[] sung = HarmonicChange.odds(chords(0), times());
    for (int k = 4; k < BEATS - 4; k += 4) {
      for (int other : new int[] {k - 2, k - 1, k + 1, k + 2}) {
        assertTrue(sung[k] > sung[other] + 0.2, "beat " + k + " against " + other);
      }
      assertTrue(Math.abs(sung[k]) <= 1.5, "no single chord speaks for a song");
    }
  }

  @Test
  void shortPiecesAreLeftAlone() {
    double[] few = IntStream.range(0, 12).mapToDouble(k -> 1 + k * BEAT).toArray();
    int[] all = java.util.Arrays.copyOf(places(3), 12);
    assertArrayEquals(all, BarCount.settle(even(16, false), Chroma.NONE, few, all.clone(), 4));
  }
}
