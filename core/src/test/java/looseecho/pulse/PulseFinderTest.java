package looseecho.pulse;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Random;
import looseecho.activity.Activities;
import looseecho.activity.DrawnActivity;
import looseecho.activity.Lane;
import looseecho.dsp.Chroma;
import looseecho.reading.Progress;
import looseecho.reading.Reading.Settled;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PulseFinderTest {
  private static final PulseFinder FINDER = new PulseFinder(PulseSettings.DEFAULTS);

  private static Activities clicks(
      double bpm, int meter, double start, double seconds, boolean backbeat) {
    DrawnActivity a = new DrawnActivity(seconds);
    int k = 0;
    for (double t = start; t < seconds; t += 60 / bpm, k++) {
      a.beat(t, k % meter == 0);
      a.hit(backbeat && k % 2 == 1 ? Lane.SNARE : Lane.KICK, t, 0.9, 0.8);
    }
    return a.done();
  }

  private static Pulse find(Activities a, double seconds, PulseFinder.Wanted wanted) {
    return FINDER
        .find(a, Chroma.NONE, FINDER.hear(a, Progress.NONE), new double[] {0, seconds}, wanted)
        .orElseThrow();
  }

  /**
   * MIREX audio tempo takes 4 %; a steady click must come out to 0.02 BPM and its beats within 4
   * ms.
   */
  @ParameterizedTest
  @CsvSource({"60,4", "88,4", "97.3,4", "120,4", "132,3", "140.5,4", "174,4", "200,3"})
  void steadyClicksGiveTheExactTempoAndBars(double bpm, int meter) {
    Pulse p = find(clicks(bpm, meter, 0.31, 45, false), 45, PulseFinder.Wanted.NOTHING);
    assertEquals(bpm, p.tempo().value(), 0.02);
    assertTrue(p.steady() && p.spreadMs() < 4, "steady, spread " + p.spreadMs());
    assertEquals(meter, p.beatsPerBar());
    double worst = 0;
    for (Beat b : p.beats()) {
      double k = (b.time() - 0.31) / (60 / bpm);
      worst = Math.max(worst, Math.abs(k - Math.rint(k)) * 60 / bpm);
      assertEquals(Math.floorMod(Math.round(k), meter) + 1, b.position(), "at " + b.time());
    }
    assertTrue(worst < 0.004, "worst beat " + worst + " s");
    assertTrue(p.beats().size() >= (int) (44 * bpm / 60), "beats to the end: " + p.beats().size());
  }

  @Test
  void playedTempoIsCalledDriftingAndItsBeatsFollow() {
    DrawnActivity a = new DrawnActivity(60);
    Random random = new Random(5);
    List<Double> truth = new java.util.ArrayList<>();
    double t = 0.4;
    for (int k = 0; t < 59; k++) {
      a.beat(t, k % 4 == 0);
      truth.add(t);
      t += 60 / (104 + 6 * Math.sin(k / 9.0)) + 0.004 * random.nextGaussian();
    }
    Pulse p = find(a.done(), 60, PulseFinder.Wanted.NOTHING);
    assertFalse(p.steady());
    long found =
        truth.stream()
            .filter(x -> p.beats().stream().anyMatch(b -> Math.abs(b.time() - x) < 0.02))
            .count();
    assertTrue(found >= truth.size() - 1, found + " of " + truth.size());
  }

  /** A bar and a half is part of the style (common practice) and must not be evened out. */
  @Test
  void aBarOfTwoBeatsStaysOne() {
    DrawnActivity a = new DrawnActivity(48);
    int k = 0;
    for (double t = 0.2; t < 47.5; t += 0.5, k++) {
      int inBar = k < 42 ? k % 4 : (k - 42) % 4;
      a.beat(t, inBar == 0);
    }
    Pulse p = find(a.done(), 48, PulseFinder.Wanted.NOTHING);
    List<Integer> bars = p.bars();
    long odd =
        java.util.stream.IntStream.range(1, bars.size())
            .filter(i -> bars.get(i) - bars.get(i - 1) == 2)
            .count();
    assertEquals(1, odd);
    assertEquals(0.2 + 42 * 0.5, p.beats().get(bars.get(11)).time(), 0.01);
  }

  @Test
  void theBackbeatDecidesTheOctaveAndSaysSo() {
    Pulse p = find(clicks(100, 4, 0.2, 40, true), 40, PulseFinder.Wanted.NOTHING);
    assertEquals(100, p.tempo().value(), 0.02);
    assertTrue(p.tempo().reason().contains("snare"), p.tempo().reason());
    assertTrue(p.tempo().alternatives().stream().anyMatch(x -> Math.abs(x.value() - 50) < 0.1));
    assertTrue(p.tempo().alternatives().stream().anyMatch(x -> Math.abs(x.value() - 200) < 0.1));
    assertTrue(
        p.tempo().alternatives().stream().allMatch(x -> x.confidence() <= p.tempo().confidence()));
  }

  @Test
  void whatThePersonSetsFlowsDownstream() {
    Activities a = clicks(100, 4, 0.2, 40, true);
    Pulse half = find(a, 40, PulseFinder.Wanted.NOTHING.withBpm(50));
    assertEquals(50, half.tempo().value(), 0.02);
    assertEquals(Settled.CORRECTED, half.tempo().settledBy());
    assertEquals(1.2, half.beats().get(1).time() - half.beats().get(0).time(), 0.01);
    double second = 0.2 + 0.6;
    Pulse moved = find(a, 40, PulseFinder.Wanted.NOTHING.withBarOneAt(second));
    Beat one =
        moved.beats().stream()
            .filter(b -> b.bar() == 1 && b.position() == 1)
            .findFirst()
            .orElseThrow();
    assertEquals(second, one.time(), 0.01);
    assertEquals(0, moved.beats().get(0).bar(), "what lies before bar 1 is a pick-up");
  }

  @Test
  void noBeatsNoPulse() {
    Activities nothing = new DrawnActivity(0.8).done();
    Tempos none = FINDER.hear(nothing, Progress.NONE);
    assertTrue(
        FINDER
            .find(nothing, Chroma.NONE, none, new double[] {0, 0.8}, PulseFinder.Wanted.NOTHING)
            .isEmpty());
  }

  /**
   * 6/8 has two beats of three eighths (any handbook of notation): hits on both thirds of a beat.
   */
  @Test
  void beatsInThreesAreCompoundAndTheMeterCanBeChosen() {
    DrawnActivity a = new DrawnActivity(40);
    double beat = 60 / 76.0;
    for (int k = 0; k * beat < 39; k++) {
      a.beat(0.2 + k * beat, k % 2 == 0);
      a.hit(k % 2 == 0 ? Lane.KICK : Lane.SNARE, 0.2 + k * beat, 0.9, 0.8);
      for (int third = 0; third < 3; third++) {
        a.hit(Lane.HAT_CLOSED, 0.2 + (k + third / 3.0) * beat, 0.8, 0.5);
      }
    }
    Activities done = a.done();
    Pulse p = find(done, 40, PulseFinder.Wanted.NOTHING.withBpm(76));
    assertEquals("6/8", p.meter().value().words());
    assertEquals(6, p.stepsPerBeat());
    assertTrue(p.meter().alternatives().stream().anyMatch(m -> m.value().equals(Meter.FOUR_FOUR)));
    Pulse waltz =
        find(done, 40, PulseFinder.Wanted.NOTHING.withBpm(76).withMeter(Meter.parse("3/4")));
    assertEquals(Meter.THREE_FOUR, waltz.meter().value());
    assertEquals(Settled.CORRECTED, waltz.meter().settledBy());
    assertEquals(3, waltz.beats().stream().mapToInt(Beat::position).max().orElseThrow());
    Pulse nudged = find(done, 40, PulseFinder.Wanted.NOTHING.withBpm(76).withNudge(0.007));
    assertEquals(p.beats().get(5).time() + 0.007, nudged.beats().get(5).time(), 1e-9);
  }

  /**
   * At 120 a quarter lasts 500 ms (tempo arithmetic). Uneven taps keep the tempo and show their
   * spread.
   */
  @Test
  void tapsGiveTheirTempoAndSpread() {
    List<Double> even = java.util.stream.IntStream.range(0, 8).mapToObj(k -> 10 + 0.5 * k).toList();
    TapTempo t = TapTempo.of(even).orElseThrow();
    assertEquals(120, t.bpm(), 1e-6);
    assertEquals(0, t.spreadMs(), 1e-6);
    List<Double> uneven =
        java.util.stream.IntStream.range(0, 8)
            .mapToObj(k -> 10 + 0.5 * k + (k % 2 == 0 ? 0.01 : -0.01))
            .toList();
    assertEquals(120, TapTempo.of(uneven).orElseThrow().bpm(), 2);
    assertEquals(10, TapTempo.of(uneven).orElseThrow().spreadMs(), 1);
    assertEquals(121.0, t.nearest(List.of(60.5, 121.0, 242.0)));
    assertTrue(TapTempo.of(even.subList(0, 3)).isEmpty());
    List<Double> paused = new java.util.ArrayList<>(even);
    paused.addAll(List.of(30.0, 30.4, 30.8, 31.2));
    assertEquals(150, TapTempo.of(paused).orElseThrow().bpm(), 1e-6);
    assertEquals(4, TapTempo.of(paused).orElseThrow().taps());
  }
}
