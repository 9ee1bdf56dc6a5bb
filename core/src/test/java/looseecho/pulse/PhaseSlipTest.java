package looseecho.pulse;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Optional;
import looseecho.activity.Activities;
import looseecho.activity.DrawnActivity;
import org.junit.jupiter.api.Test;

class PhaseSlipTest {
  private static final double PERIOD = 0.5;

  /** Activity on every beat, and just as much half-way between; downbeats only where they are. */
  private static Activities ambiguous() {
    DrawnActivity a = new DrawnActivity(40);
    for (int k = 0; k < 78; k++) {
      a.beat(0.3 + k * PERIOD, k % 4 == 0);
      a.beat(0.3 + (k + 0.5) * PERIOD, false);
    }
    return a.done();
  }

  private static double[] beats(int until, double shiftBefore, double shiftAfter) {
    double[] t = new double[76];
    for (int k = 0; k < t.length; k++) {
      t[k] = 0.3 + (k + (k < until ? shiftBefore : shiftAfter)) * PERIOD;
    }
    return t;
  }

  private static Optional<PhaseSlip.Mended> mend(double[] times) {
    return PhaseSlip.mend(ambiguous(), times, 15, 0.7, 4);
  }

  @Test
  void aSlipIsMendedByTheDownbeats() {
    PhaseSlip.Mended m = mend(beats(40, 0.5, 0)).orElseThrow();
    for (int k = 0; k < m.times().length; k++) {
      double beat = (m.times()[k] - 0.3) / PERIOD;
      assertEquals(Math.rint(beat), beat, 0.05, "on the beats that have downbeats");
      assertEquals(Math.floorMod((int) Math.rint(beat), 4) + 1, m.places()[k]);
    }
  }

  @Test
  void theBetterPhaseStaysAndTheWorseIsLeft() {
    assertTrue(mend(beats(0, 0, 0)).isEmpty());
    PhaseSlip.Mended m = mend(beats(0, 0.5, 0.5)).orElseThrow();
    assertEquals(
        0,
        Math.abs((m.times()[5] - 0.3) / PERIOD - Math.rint((m.times()[5] - 0.3) / PERIOD)),
        0.05);
  }

  /** Live playing is not forced onto a grid. */
  @Test
  void driftIsLeftAlone() {
    double[] t = new double[70];
    for (int k = 1; k < t.length; k++) {
      t[k] = t[k - 1] + PERIOD * (1 + 0.04 * Math.sin(k / 7.0));
    }
    assertTrue(mend(t).isEmpty());
  }

  /** Two hours of beats with a player's spread: one exact tempo, found in stages. */
  @Test
  void twoHoursHaveOneTempo() {
    java.util.SplittableRandom random = new java.util.SplittableRandom(8);
    double[] t = new double[15_000];
    for (int k = 0; k < t.length; k++) {
      t[k] = 0.2 + k * 60 / 124.37 + 0.004 * (random.nextDouble() - 0.5);
    }
    SteadyGrid.Fit fit = SteadyGrid.fit(t, 15);
    assertEquals(124.37, fit.bpm(), 0.001);
    assertEquals(1, fit.share(), 0.01);
  }
}
