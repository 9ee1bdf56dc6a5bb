package looseecho.pulse;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.Random;
import looseecho.activity.Activities;
import looseecho.activity.DrawnActivity;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Against a plain search of all chains, by the probabilities of Krebs and others (2015). */
class BarDecoderTest {
  private static final int SHORTEST = 15;
  private static final int TEMPOS = 4;
  private static final PulseSettings SETTINGS = new PulseSettings(333, 400, 100, 3, 15, 0.7);

  private static Activities played(int seed, double seconds) {
    Random random = new Random(seed);
    DrawnActivity a = new DrawnActivity(seconds);
    int k = 0;
    for (double t = 0.05; t < seconds - 0.02; t += 0.15 + 0.03 * random.nextDouble()) {
      a.beat(t, k++ % (random.nextInt(4) == 0 ? 1 : 3) == 0);
    }
    return a.done();
  }

  /** All chains that go on from a beat, the best of their scores. */
  private static double best(BarTracker t, int meter, int n, int place, int length) {
    boolean mayEnd = n > t.frames() - (SHORTEST + TEMPOS) + 1;
    double top = mayEnd ? t.rest(n, t.frames()) : Double.NEGATIVE_INFINITY;
    for (int next = SHORTEST; next < SHORTEST + TEMPOS && n + next <= t.frames(); next++) {
      boolean reached = Math.abs(next - length) <= 2;
      double beat = t.interval(n, next, place == 0);
      if (reached) {
        double on = best(t, meter, n + next, (place + 1) % meter, next);
        top = Math.max(top, step(length, next) + beat + on);
      }
      if (next == length && place < meter - 1) {
        double broken = step(length, next) - SETTINGS.barBreakCost();
        top = Math.max(top, broken + beat + best(t, meter, n + next, 0, next));
      }
    }
    return top;
  }

  private static double step(int from, int to) {
    double sum = 0;
    for (int i = SHORTEST; i < SHORTEST + TEMPOS; i++) {
      sum += Math.exp(-100 * Math.abs((double) i / from - 1));
    }
    return -100 * Math.abs((double) to / from - 1) - Math.log(sum);
  }

  @ParameterizedTest
  @CsvSource({"1,2", "2,3", "3,4", "4,3"})
  void noChainIsLikelier(int seed, int meter) {
    Activities a = played(seed, 0.95);
    BarTracker t = new BarTracker(a, 0, a.frames(), SETTINGS);
    double top = Double.NEGATIVE_INFINITY;
    for (int n = 0; n < Math.min(t.frames(), 4 * (SHORTEST + TEMPOS)); n++) {
      for (int place = 0; place < meter; place++) {
        for (int length = SHORTEST; length < SHORTEST + TEMPOS; length++) {
          double start = t.rest(0, n) - Math.log(TEMPOS * meter);
          top = Math.max(top, start + best(t, meter, n, place, length));
        }
      }
    }
    assertEquals(top / t.frames(), t.decode(meter).score(), 1e-5);
  }

  /** Where the way back leads into an earlier block, its scores are made again. */
  @ParameterizedTest
  @CsvSource({"1", "130", "1200", "20000"})
  void blocksMakeNoDifference(int held) {
    Activities a = played(5, 20);
    BarTracker t = new BarTracker(a, 0, a.frames(), SETTINGS);
    BarTracker.Path whole = t.decode(3);
    BarTracker.Path parts = t.decode(3, held);
    assertArrayEquals(whole.times(), parts.times());
    assertArrayEquals(whole.positions(), parts.positions());
    assertEquals(whole.score(), parts.score());
  }
}
