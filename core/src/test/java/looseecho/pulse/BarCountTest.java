package looseecho.pulse;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.stream.IntStream;
import looseecho.activity.Activities;
import looseecho.activity.DrawnActivity;
import looseecho.activity.Lane;
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
      int[] settled = BarCount.settle(even(16 + change, false), times(), places(1), 4);
      assertEquals(1, settled[16 + change], "change on beat " + change);
      assertEquals(2, settled[17 + change]);
    }
  }

  @Test
  void clearDownbeatsAreLeftAlone() {
    assertArrayEquals(places(1), BarCount.settle(even(18, true), times(), places(1), 4));
  }

  /** Downbeats on the beats for which it is true, nothing else that tells. */
  private static int[] counted(java.util.function.IntPredicate down) {
    DrawnActivity a = new DrawnActivity(1 + BEATS * BEAT + 1);
    for (int k = 0; k < BEATS; k++) {
      a.beat(1 + k * BEAT, down.test(k));
      a.hit(Lane.KICK, 1 + k * BEAT, 0.95, 0.9);
    }
    return BarCount.settle(a.done(), times(), places(3), 4);
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

  @Test
  void shortPiecesAreLeftAlone() {
    double[] few = IntStream.range(0, 12).mapToDouble(k -> 1 + k * BEAT).toArray();
    int[] all = java.util.Arrays.copyOf(places(3), 12);
    assertArrayEquals(all, BarCount.settle(even(16, false), few, all.clone(), 4));
  }
}
