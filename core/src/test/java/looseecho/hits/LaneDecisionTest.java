package looseecho.hits;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.ArrayList;
import java.util.List;
import looseecho.activity.Lane;
import org.junit.jupiter.api.Test;

/** What is doubtful throughout, or a part of another's sound, is none. */
class LaneDecisionTest {
  private static List<Hit> struck(Lane lane, int strokes, double confidence) {
    List<Hit> out = new ArrayList<>();
    for (int k = 0; k < 60; k++) {
      out.add(new Hit(Lane.KICK, k, 100, 1, 1, 0, 0.5));
      if (k < strokes) {
        out.add(new Hit(lane, k + 0.5, 80, 1, 1, 0, k == 0 ? 0.9 : confidence));
      }
    }
    return out;
  }

  /** One clear stroke among doubtful ones saves no lane; a kick is believed. */
  @Test
  void aLaneOfDoubtfulStrokesIsNone() {
    for (Lane lane : List.of(Lane.CLAP, Lane.HAT_OPEN, Lane.TOM, Lane.CYMBAL, Lane.PERCUSSION)) {
      List<Hit> doubtful = LaneDecision.decide(struck(lane, 30, 0.52));
      assertEquals(60, doubtful.size(), lane.toString());
      assertEquals(90, LaneDecision.decide(struck(lane, 30, 0.65)).size(), lane.toString());
    }
    assertEquals(65, LaneDecision.decide(struck(Lane.CYMBAL, 5, 0.52)).size(), "a rare crash");
    assertEquals(60, LaneDecision.decide(struck(Lane.TOM, 5, 0.52)).size());
    assertEquals(90, LaneDecision.decide(struck(Lane.SNARE, 30, 0.51)).size());
  }

  /** Snares and hats that are struck oftener than every second must be surer; kicks never. */
  @Test
  void aSteadyLaneMustBeSurer() {
    for (Lane lane : List.of(Lane.SNARE, Lane.HAT_CLOSED)) {
      List<Hit> doubtful = steady(lane, 0.58);
      assertEquals(60, LaneDecision.decide(doubtful).size(), lane.toString());
      List<Hit> sure = steady(lane, 0.62);
      assertEquals(sure, LaneDecision.decide(sure));
      List<Hit> rarer = struck(lane, 60, 0.58);
      assertEquals(rarer, LaneDecision.decide(rarer));
    }
    List<Hit> kicks = steady(Lane.KICK, 0.51);
    assertEquals(kicks, LaneDecision.decide(kicks));
  }

  private static List<Hit> steady(Lane lane, double confidence) {
    List<Hit> out = new ArrayList<>();
    for (int k = 0; k < 60; k++) {
      out.add(new Hit(Lane.KICK, k, 100, 1, 1, 0, 0.9));
      out.add(new Hit(lane, k + 0.25, 80, 1, 1, 0, confidence));
      out.add(new Hit(lane, k + 0.75, 80, 1, 1, 0, confidence));
    }
    return out;
  }

  /** Strokes on others of a confidence, some without one, and what is left of them. */
  private static long left(Lane part, Lane whole, double confidence, int alone) {
    List<Hit> out = new ArrayList<>();
    for (int k = 0; k < 30; k++) {
      out.add(new Hit(part, k + 0.49, 80, 1, 1, 0, 0.65));
      if (k >= alone) {
        out.add(new Hit(whole, k + 0.5, 100, 1, 1, 0, confidence));
      }
    }
    return LaneDecision.decide(out).stream().filter(h -> h.lane() == part).count();
  }

  @Test
  void aClapThatOnlyComesWithAFarClearerSnareIsPartOfItAndASnareOfAClap() {
    assertEquals(0, left(Lane.CLAP, Lane.SNARE, 0.95, 0));
    assertEquals(0, left(Lane.CLAP, Lane.SNARE, 0.95, 4));
    assertEquals(30, left(Lane.CLAP, Lane.SNARE, 0.95, 5), "it plays by itself, too");
    assertEquals(30, left(Lane.CLAP, Lane.SNARE, 0.85, 0), "it is about as clear");
    assertEquals(0, left(Lane.SNARE, Lane.CLAP, 0.8, 4));
    assertEquals(30, left(Lane.SNARE, Lane.CLAP, 0.8, 5));
    assertEquals(30, left(Lane.SNARE, Lane.CLAP, 0.75, 0));
  }
}
