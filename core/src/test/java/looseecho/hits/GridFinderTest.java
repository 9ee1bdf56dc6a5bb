package looseecho.hits;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.pulse.Beat;
import looseecho.pulse.Meter;
import looseecho.pulse.Pulse;
import looseecho.reading.Reading;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Strokes finer than sixteenths, their truth known; played a little unevenly. */
class GridFinderTest {
  private final SplittableRandom random = new SplittableRandom(8);

  private static Pulse pulse(double bpm) {
    List<Beat> beats =
        IntStream.rangeClosed(0, 64)
            .mapToObj(k -> new Beat(k * 60 / bpm, k % 4 + 1, k / 4 + 1))
            .toList();
    return new Pulse(
        Reading.measured(bpm, 1, ""), true, 1, 1, Reading.measured(Meter.FOUR_FOUR, 1, ""), beats);
  }

  /** Hits at quarters, each up to so many milliseconds off. */
  private List<Hit> hits(Pulse p, Lane lane, double looseMs, double... quarters) {
    Places places = new Places(p);
    List<Hit> out = new ArrayList<>();
    for (double q : quarters) {
      double time = p.timeAt(q) + looseMs / 1000 * (2 * random.nextDouble() - 1);
      Place at = places.at(time);
      out.add(new Hit(lane, time, 90, at.bar(), at.step(), at.offsetMs(), 1));
    }
    return out;
  }

  private static List<Hit> rolled(List<Hit> hits, Pulse p) {
    List<Hit> out = new ArrayList<>(hits);
    for (Roll roll : Roll.find(hits, p)) {
      out.replaceAll(h -> roll.holds(h) ? h.withFigure(Hit.Figure.ROLL) : h);
    }
    return out;
  }

  /** Eighths with a run of eight 32nds in every fourth bar, slow and fast. */
  @ParameterizedTest
  @ValueSource(doubles = {80, 140})
  void aRollGoesByItsOwnGap(double bpm) {
    Pulse p = pulse(bpm);
    List<Double> at = new ArrayList<>();
    for (int bar = 0; bar < 16; bar++) {
      for (int eighth = 0; eighth < (bar % 4 == 3 ? 6 : 8); eighth++) {
        at.add(4.0 * bar + eighth / 2.0);
      }
      for (int k = 0; k < (bar % 4 == 3 ? 8 : 0); k++) {
        at.add(4.0 * bar + 3 + k / 8.0);
      }
    }
    double[] quarters = at.stream().mapToDouble(q -> q).toArray();
    List<Hit> heard = rolled(hits(p, Lane.HAT_CLOSED, 6, quarters), p);
    List<Hit> placed = new GridFinder(p, Optional.empty()).place(heard);
    for (int k = 0; k < quarters.length; k++) {
      assertEquals((int) Math.round(quarters[k] % 4 * 960), placed.get(k).tick(), "hit " + k);
      assertTrue(Math.abs(placed.get(k).offsetMs()) < 6.01);
    }
    List<String> told = new RollWords(p).of(Roll.find(heard, p), 1, 17);
    assertEquals(List.of("hat roll in 32nds, steps 13 to 16, every 4 bars from bar 4"), told);
    Feel feel = Feel.of(heard, p);
    assertEquals("eighths", feel.division().orElseThrow().words(), "the roll does not count");
  }

  @Test
  void aDrumInTripletsIsWrittenInTriplets() {
    Pulse p = pulse(96);
    double[] thirds = IntStream.range(0, 96).mapToDouble(k -> k / 3.0).toArray();
    List<Hit> placed =
        new GridFinder(p, Optional.empty()).place(hits(p, Lane.PERCUSSION, 8, thirds));
    assertEquals(List.of(0, 320, 640, 960), placed.subList(0, 4).stream().map(Hit::tick).toList());
  }

  /** Common practice: groups of three sixteenths over the beat stay sixteenths. */
  @Test
  void figuresOfThreeOverSixteenthsStaySixteenths() {
    Pulse p = pulse(124);
    double[] threes = IntStream.range(0, 60).mapToDouble(k -> k * 0.75).toArray();
    List<Hit> placed = new GridFinder(p, Optional.empty()).place(hits(p, Lane.CLAP, 10, threes));
    for (int k = 0; k < threes.length; k++) {
      assertEquals((int) Math.round(threes[k] % 4 * 960), placed.get(k).tick());
    }
  }

  @Test
  void twoKicksAThirtySecondApartKeepTheirOwnPlaces() {
    Pulse p = pulse(100);
    List<Hit> placed =
        new GridFinder(p, Optional.empty())
            .place(hits(p, Lane.KICK, 0, 0, 1.5, 1.625, 4, 5.5, 5.5 + 1 / 6.0, 8, 9.51, 9.55));
    List<Integer> ticks = placed.stream().map(Hit::tick).toList();
    assertEquals(List.of(0, 1440, 1560, 0, 1440, 1600), ticks.subList(0, 6));
    assertEquals(ticks.size(), 9);
    assertTrue(ticks.get(7) < ticks.get(8), "nearer than any grid: where they are");
  }
}
