package looseecho.echo;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;

class HistoryTest {
  /** A list of states with a finger on one of them is what a history must behave like. */
  @Test
  void behavesLikeAListWithAFinger() {
    SplittableRandom random = new SplittableRandom(2);
    History<Integer> history = new History<>(0, "start", (a, b) -> "");
    List<Integer> model = new ArrayList<>(List.of(0));
    int finger = 0;
    for (int k = 1; k < 3000; k++) {
      switch (random.nextInt(4)) {
        case 0 -> {
          boolean could = finger > 0;
          assertEquals(could, history.undo().isPresent());
          finger -= could ? 1 : 0;
        }
        case 1 -> {
          boolean could = finger < model.size() - 1;
          assertEquals(could, history.redo().isPresent());
          finger += could ? 1 : 0;
        }
        default -> {
          history.apply(k, "step " + k);
          model.subList(finger + 1, model.size()).clear();
          model.add(k);
          finger++;
          if (finger > 500) { // the oldest states are let go
            model.remove(0);
            finger--;
          }
        }
      }
      assertEquals(model.get(finger), history.present());
    }
  }

  @Test
  void theLogTellsAllAndIsTakenUpAgain() {
    History<String> h = new History<>("a", "made", (a, b) -> a + " to " + b);
    h.apply("b", "changed");
    h.undo();
    h.redo();
    assertEquals(
        List.of("made", "changed", "Undone: changed", "Done again: changed"),
        LogLine.words(h.log()));
    assertEquals(
        List.of("", "a to b", "b to a", "a to b"), h.log().stream().map(LogLine::change).toList());
    h.explain(1, "too plain");
    assertEquals("changed (a to b). Why: too plain", h.log().get(1).told());
    Instant at = Instant.parse(h.log().get(1).at());
    assertTrue(Duration.between(at, Instant.now()).abs().toMinutes() < 5, at.toString());
    History<String> again = new History<>("b", h.log(), (a, b) -> "");
    assertEquals(h.log(), again.log());
    assertEquals(Optional.empty(), again.undo());
    assertTrue(new History<>("x", List.of(), (a, b) -> "").log().isEmpty());
  }

  /** Key by key louder is one step back; another gesture, or an undo between, begins a new one. */
  @Test
  void movesOfAGestureAreTakenBackTogether() {
    History<Integer> h = new History<>(0, "made", (a, b) -> a + " to " + b);
    for (int k = 1; k <= 5; k++) {
      h.apply(k, "louder " + k, "shape kick 1");
    }
    h.apply(6, "louder 6", "shape kick 2");
    assertEquals(List.of("made", "louder 5", "louder 6"), LogLine.words(h.log()));
    assertEquals("0 to 5", h.log().get(1).change(), "of all moves together");
    h.undo();
    assertEquals(5, h.present());
    h.undo();
    assertEquals(0, h.present());
    h.redo();
    h.apply(7, "louder 7", "shape kick 1");
    h.undo();
    assertEquals(5, h.present(), "what was done again is not melted into");
    h.apply(8, "", "");
    h.apply(9, "", "");
    h.undo();
    assertEquals(8, h.present(), "work without a gesture stands alone");
  }
}
