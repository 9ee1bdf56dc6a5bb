package looseecho.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.Slider;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import looseecho.desktop.find.Deed;
import looseecho.doubt.Doubt;
import looseecho.doubt.Doubt.Topic;
import looseecho.echo.Part;
import looseecho.echo.Template;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

/** Words find whatever can be done, and one key goes to what is worth checking next. */
class FindTest extends WindowTest {
  @TempDir private Path dir;

  @Start
  void start(Stage stage) throws IOException {
    openTrack(stage, dir);
  }

  @SuppressWarnings("unchecked")
  private List<Deed> asked(String words) {
    robot.type(KeyCode.F3);
    until("it asks", () -> shell.getScene().getFocusOwner() instanceof TextField);
    robot.interact(() -> ((TextField) shell.lookup("#find-words")).setText("go to"));
    WaitForAsyncUtils.waitForFxEvents(20);
    robot.interact(() -> ((TextField) shell.lookup("#find-words")).setText(words));
    WaitForAsyncUtils.waitForFxEvents(20);
    return List.copyOf(((ListView<Deed>) shell.lookup("#find-list")).getItems());
  }

  @Test
  void wordsFindAndDoIt() {
    until("it is heard", () -> session.desk().templateProperty().get() != null);
    List<Deed> halve = asked("halve");
    assertEquals("Halve", halve.get(0).name());
    assertEquals("Ground", halve.get(0).where());
    double bpm = session.desk().templateProperty().get().bpm();
    robot.type(KeyCode.ESCAPE);
    robot.interact(() -> shell.go(Bench.ECHO));
    asked("halve");
    robot.type(KeyCode.ENTER);
    assertEquals(Bench.GROUND, shell.bench());
    until(
        "it is done",
        () -> Math.abs(session.desk().templateProperty().get().bpm() - bpm / 2) < 0.1);

    asked("kick");
    robot.type(KeyCode.S, KeyCode.ESCAPE);
    robot.press(KeyCode.CONTROL).type(KeyCode.DIGIT2).release(KeyCode.CONTROL);
    assertEquals(Bench.HITS, shell.bench(), "keys work as soon as the card is gone");

    robot.type(KeyCode.F2);
    assertTrue(robot.lookup("#arithmetic").tryQuery().isPresent());
    asked("blind test no such thing");
    assertTrue(robot.lookup("#arithmetic").tryQuery().isEmpty(), "one card takes another's place");
    robot.type(KeyCode.ENTER); // nothing fits: nothing happens
    robot.type(KeyCode.ESCAPE);
    assertTrue(robot.lookup("#find").tryQuery().isEmpty());

    assertTrue(asked("roll").stream().anyMatch(d -> d.more().contains("key:")), "keys of charts");
    robot.type(KeyCode.ESCAPE);
    Deed pull = asked("taps are pulled").stream().findFirst().orElseThrow();
    assertEquals("Hits", pull.where());
    robot.type(KeyCode.DOWN, KeyCode.UP, KeyCode.ENTER);
    until("its bench is shown", () -> shell.bench() == Bench.HITS);
    until("it has the focus", () -> shell.getScene().getFocusOwner() instanceof Slider);
  }

  @Test
  void oneKeyGoesThroughAllThatIsInDoubt() {
    until("it is heard", () -> session.desk().templateProperty().get() != null);
    List<Doubt> hits = session.checklist().of(Topic.HITS);
    assertFalse(hits.isEmpty(), "a click track leaves doubts");
    assertTrue(hits.size() <= 6, "only those that matter");
    robot.interact(() -> shell.go(Bench.HITS));
    Node strip = shell.lookup("#check-words");
    assertNotNull(strip);
    robot.type(KeyCode.F5);
    Doubt first = session.checklist().lookedProperty().get();
    assertEquals(hits.get(0), first);
    double at = first.spot().orElseThrow().time();
    until(
        "the place is heard",
        () -> Math.abs(session.playback().player().position() - Math.max(0, at - 0.3)) < 0.02);
    assertEquals(
        Part.of(first.spot().get().lane().orElseThrow()),
        session.selection().partProperty().get(),
        "the drum is at work");
    robot.press(KeyCode.SHIFT).type(KeyCode.F5).release(KeyCode.SHIFT);
    assertFalse(session.checklist().of(Topic.HITS).contains(first), "it does not come again");
    robot.interact(
        () -> {
          while (!session.checklist().doubtsProperty().get().isEmpty()) {
            shell.checks().fine();
          }
          shell.checks().next();
        });
    assertEquals("Nothing that was heard is in doubt.", text("#message"));
  }

  /** A right click offers what can be done here; it does nothing by itself. */
  @Test
  void aRightClickOffersWhatTheKeysDo() {
    until("it is heard", () -> session.desk().templateProperty().get() != null);
    robot.interact(() -> shell.go(Bench.ECHO));
    WaitForAsyncUtils.waitForFxEvents(10);
    Node steps = shell.lookup("#steps");
    Bounds area = steps.localToScreen(steps.getBoundsInLocal());
    double step = (area.getWidth() - 126 - 8) / 16;
    Template before = session.desk().templateProperty().get();
    robot.rightClickOn(area.getMinX() + 126 + 3.5 * step, area.getMinY() + 26 + 10);
    assertEquals(before, session.desk().templateProperty().get());
    robot.clickOn(menuLine("Put a stroke, or take it"));
    until("it is done", () -> !session.desk().templateProperty().get().equals(before));
    assertTrue(text("#message").startsWith("Put kick on step 4"), text("#message"));
    assertEquals(steps, shell.getScene().getFocusOwner());
  }

  private Node menuLine(String words) {
    return robot
        .lookup(n -> n instanceof Label l && String.valueOf(l.getText()).startsWith(words))
        .query();
  }
}
