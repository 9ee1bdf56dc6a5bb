package looseecho.desktop.hits;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import looseecho.activity.Lane;
import looseecho.hits.Hit;
import org.junit.jupiter.api.Test;

class HitCorrectorTest {
  /** Dropping a half-seen grace stroke must not take the snare after it along. */
  @Test
  void theDoubtfulStrokeOfAStepIsMeantOrElseTheWholeStep() {
    Hit grace = new Hit(Lane.SNARE, 1.0, 50, 1, 5, -35, 0.5);
    Hit snare = new Hit(Lane.SNARE, 1.035, 110, 1, 5, 0, 0.9);
    assertEquals(List.of(grace), HitCorrector.doubtfulFirst(List.of(grace, snare)));
    List<Hit> sure = List.of(grace.settled(), snare);
    assertEquals(sure, HitCorrector.doubtfulFirst(sure));
  }
}
