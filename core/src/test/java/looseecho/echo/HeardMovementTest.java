package looseecho.echo;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import looseecho.form.Event;
import looseecho.pulse.PlainPulse;
import org.junit.jupiter.api.Test;

/** A build-up over bars 7 and 8 at 120, into a section that begins with bar 9. */
class HeardMovementTest {
  private static final int BAR = 3840;
  private final HeardMovement heard =
      new HeardMovement(
          PlainPulse.at120(0, 64),
          List.of(
              new Event(Event.Kind.LOW_CUT, 12, 16, "", 0.9, 40, 640),
              new Event(Event.Kind.LOW_CUT, 24, 26, "the low end is away", 0.9),
              new Event(Event.Kind.NARROWING, 12, 16, "", 0.9, 0.2, 0.05),
              new Event(Event.Kind.DIP, 14, 16, "", 0.9, 0, -6),
              new Event(Event.Kind.REVERSED, 14, 16, "", 0.9, -20, 0)));

  private static Course course(Movement m, Course.Target target) {
    return m.courses().stream().filter(c -> c.target() == target).findFirst().orElseThrow();
  }

  @Test
  void coursesLieWhereTheyWereHeard() {
    Movement m = heard.of(0, 32);
    Course cut = course(m, Course.Target.LOW_CUT);
    assertEquals(40, cut.at(6 * BAR), 1);
    assertEquals(160, cut.at(7 * BAR), 2, "half of the way in octaves");
    assertEquals(640, cut.at(8 * BAR), 1);
    assertEquals(0.5, course(m, Course.Target.WIDTH).at(8 * BAR), 1e-6, "a quarter of the power");
    assertEquals(-6, course(m, Course.Target.LEVEL).at(8 * BAR), 1e-6);
    assertTrue(m.transitions().isEmpty(), "what leads in belongs to the section behind it");
  }

  @Test
  void whatLeadsInBelongsToTheSectionBehindTheEdge() {
    Movement m = heard.of(32, 64);
    assertTrue(m.courses().isEmpty(), "parts that rest are no course: " + m.courses());
    assertEquals(1, m.transitions().size());
    Transition reversed = m.transitions().get(0);
    assertEquals(Transition.Kind.REVERSED, reversed.kind());
    assertEquals(0, reversed.tick());
    assertEquals(BAR, reversed.before());
  }
}
