package looseecho.hits;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.stream.IntStream;
import looseecho.activity.DrawnActivity;
import looseecho.activity.Lane;
import looseecho.pulse.PlainPulse;
import looseecho.pulse.Pulse;
import looseecho.reading.Progress;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class HitsTest {
  private static final double STEP = 0.125; // a sixteenth at 120: 125 ms (tempo arithmetic)

  private static Pulse pulse() {
    return PlainPulse.at120(1, 65);
  }

  /**
   * General MIDI level 1 percussion key map (MIDI Manufacturers Association, 1991; from memory).
   */
  @ParameterizedTest
  @EnumSource(Lane.class)
  void lanesHaveTheirGeneralMidiNumbers(Lane lane) {
    int expected =
        switch (lane) {
          case KICK -> 36;
          case SNARE -> 38;
          case CLAP -> 39;
          case HAT_CLOSED -> 42;
          case HAT_OPEN -> 46;
          case TOM -> 47;
          case CYMBAL -> 49;
          case PERCUSSION -> 70;
          case SNARE_2 -> 40;
          case CLAP_2 -> 39;
          case TOM_LOW -> 45;
          case TOM_HIGH -> 50;
          case RIDE -> 51;
        };
    assertEquals(expected, lane.midi());
  }

  @Test
  void aHitGetsItsTimeStepOffsetAndLoudness() {
    DrawnActivity a = new DrawnActivity(34);
    double late = 0.0123;
    a.hit(Lane.SNARE, 1 + 4 * STEP + late, 0.9, 0.8);
    a.hit(Lane.KICK, 1 + 16 * STEP - 0.008, 0.9, 1.0); // just before bar 2: it belongs to it
    List<Hit> hits =
        new HitFinder(HitFinder.Settings.DEFAULTS).find(a.done(), pulse(), Progress.NONE);
    assertEquals(2, hits.size());
    Hit snare = hits.get(0);
    assertEquals(Lane.SNARE, snare.lane());
    assertEquals(1 + 4 * STEP + late, snare.time(), 0.001);
    assertEquals(5, snare.step());
    assertEquals(12.3, snare.offsetMs(), 1);
    assertEquals(102, snare.velocity(), 2);
    assertEquals(2, hits.get(1).bar());
    assertEquals(1, hits.get(1).step());
    assertEquals(-8, hits.get(1).offsetMs(), 1);
  }

  /**
   * A hit that the pattern expects and that is half-seen is a hit; the same trace where nobody
   * plays is none.
   */
  @Test
  void thePatternHelpsWhereTheTraceIsFaint() {
    DrawnActivity a = new DrawnActivity(34);
    for (int bar = 0; bar < 16; bar++) {
      a.hit(Lane.SNARE, 1 + (16 * bar + 4) * STEP, bar == 7 ? 0.3 : 0.9, 0.8);
    }
    a.hit(Lane.SNARE, 1 + (16 * 9 + 11) * STEP, 0.3, 0.8);
    List<Hit> hits =
        new HitFinder(HitFinder.Settings.DEFAULTS).find(a.done(), pulse(), Progress.NONE);
    assertEquals(16, hits.size());
    assertTrue(hits.stream().allMatch(h -> h.step() == 5));
    assertTrue(hits.get(7).confidence() < hits.get(6).confidence());
  }

  /**
   * The same faint peaks are hits where the song shows the lane faintly throughout, and none where
   * it shows it clearly.
   */
  @Test
  void thresholdsGoWithHowClearlyTheSongShowsALane() {
    DrawnActivity faint = new DrawnActivity(34);
    DrawnActivity clear = new DrawnActivity(34);
    for (int bar = 0; bar < 16; bar++) {
      double strange = 1 + (16 * bar + bar % 13) * STEP; // never on the same step of near bars
      faint.hit(Lane.SNARE, strange, 0.4, 0.8);
      clear.hit(Lane.SNARE, strange, 0.4, 0.8);
      clear.hit(Lane.SNARE, 1 + (16 * bar + 14) * STEP, 0.98, 0.8);
    }
    HitFinder finder = new HitFinder(HitFinder.Settings.DEFAULTS);
    assertEquals(16, finder.find(faint.done(), pulse(), Progress.NONE).size());
    List<Hit> only = finder.find(clear.done(), pulse(), Progress.NONE);
    assertEquals(16, only.size());
    assertTrue(only.stream().allMatch(h -> h.step() == 15), only.toString());
  }

  /**
   * A crash opens a bar (common practice): the same faint trace is one on a first beat and none in
   * the middle of a bar, where only a ride, with its pattern, is heard as clearly as that.
   */
  @Test
  void aCrashOpensABarAndARideHasAPattern() {
    DrawnActivity crash = new DrawnActivity(34);
    crash.hit(Lane.CYMBAL, 1, 0.9, 0.8);
    crash.hit(Lane.CYMBAL, 1 + 16 * 4 * STEP, 0.5, 0.8);
    crash.hit(Lane.CYMBAL, 1 + (16 * 8 + 7) * STEP, 0.5, 0.8);
    HitFinder finder = new HitFinder(HitFinder.Settings.DEFAULTS);
    List<Hit> crashes = finder.find(crash.done(), pulse(), Progress.NONE);
    assertEquals(List.of(1, 5), crashes.stream().map(Hit::bar).toList());
    DrawnActivity ride = new DrawnActivity(34);
    for (int s = 0; s < 16 * 16; s += 2) {
      ride.hit(Lane.CYMBAL, 1 + s * STEP, s % 4 == 0 ? 0.9 : 0.7, 0.8);
    }
    assertEquals(128, finder.find(ride.done(), pulse(), Progress.NONE).size());
  }

  /** What is half-seen under every snare is part of the snare, however regular it is. */
  @Test
  void aRegularShadowOfAnotherDrumIsNoHit() {
    DrawnActivity a = new DrawnActivity(34);
    for (int bar = 0; bar < 16; bar++) {
      for (int beat = 0; beat < 4; beat++) {
        double t = 1 + (16 * bar + 4 * beat) * STEP;
        a.hit(Lane.KICK, t, beat % 2 == 0 ? 0.98 : 0.6, 0.8);
        if (beat % 2 == 1) {
          a.hit(Lane.SNARE, t, 0.98, 0.8);
        }
      }
    }
    List<Hit> hits =
        new HitFinder(HitFinder.Settings.DEFAULTS).find(a.done(), pulse(), Progress.NONE);
    assertTrue(
        hits.stream()
            .filter(h -> h.lane() == Lane.KICK)
            .allMatch(h -> h.step() == 1 || h.step() == 9),
        hits.toString());
    assertEquals(64, hits.size());
  }

  @Test
  void theTypicalBarSumsUp() {
    List<Hit> hits =
        IntStream.range(0, 4)
            .mapToObj(b -> new Hit(Lane.KICK, 1 + 2 * b, 90 + 2 * b, b + 1, 1, b == 3 ? 9 : 1, 1))
            .toList();
    TypicalBar.Slot slot = TypicalBar.of(hits, 1, 9).lanes().get(Lane.KICK).get(0);
    assertEquals(1, slot.step());
    assertEquals(0.5, slot.share());
    assertEquals(93, slot.velocity());
    assertEquals(3, slot.offsetMs(), 1e-9);
    assertEquals(Math.sqrt(12), slot.spreadMs(), 1e-9);
  }

  /** Triplet feel puts the second note at two thirds, 66.67 % (arithmetic); 50 % is straight. */
  @ParameterizedTest
  @CsvSource({"0.5,50,straight", "0.5667,56.7,swung", "0.6667,66.7,triplet"})
  void swingIsReadOffTheSecondSixteenths(double place, double percent, String words) {
    List<Hit> hits = new java.util.ArrayList<>();
    for (int pair = 0; pair < 100; pair++) {
      hits.add(new Hit(Lane.HAT_CLOSED, 1 + pair * 0.25, 90, 1, 1, 0, 1));
      hits.add(new Hit(Lane.HAT_CLOSED, 1 + (pair + place) * 0.25, 60, 1, 2, 0, 1));
    }
    Swing swing = Swing.of(hits, pulse()).orElseThrow();
    assertEquals(percent, swing.percent(), 0.1);
    assertEquals("16th", swing.unit());
    assertEquals(words, swing.words());
    assertTrue(Swing.of(hits.subList(0, 10), pulse()).isEmpty());
    Feel feel = Feel.of(hits, pulse());
    assertEquals(java.util.Set.of(Feel.Family.HATS), feel.families().keySet());
    assertEquals("sixteenths", feel.division().orElseThrow().words());
  }
}
