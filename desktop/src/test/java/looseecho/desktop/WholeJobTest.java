package looseecho.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.Slider;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import looseecho.activity.Lane;
import looseecho.echo.Template;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

/** The rest of the job, from the steps to the export. */
class WholeJobTest extends WindowTest {
  @Start
  void start(Stage stage) throws IOException {
    open(stage);
  }

  @TempDir private Path dir;

  @Test
  void aStepIsChangedByMouseAndKeysUndoneHeardAndExported() throws IOException {
    openDemoAndItsEcho();
    fire("#hint-read");
    assertTrue(robot.lookup("#hint").tryQuery().isEmpty(), "read once");
    go("#step-hits");
    assertTrue(robot.lookup("#steps").tryQuery().isPresent());
    fire("#hints-off");
    go("#step-ground");
    assertTrue(robot.lookup("#hint").tryQuery().isEmpty());
    assertTrue(new Hints(session.folder()).of(Bench.NOTES, () -> {}).isEmpty(), "never again");
    go("#step-echo");
    robot.interact(() -> session.selection().sectionProperty().set(1));
    Template before = session.desk().templateProperty().get();
    Node chart = robot.lookup("#steps").query();
    Bounds area = chart.localToScreen(chart.getBoundsInLocal());
    double step = (area.getWidth() - 126 - 8) / 16;
    robot.clickOn(area.getMinX() + 126 + 3.5 * step, area.getMinY() + 26 + 10);
    WaitForAsyncUtils.waitForFxEvents();
    Template clicked = session.desk().templateProperty().get();
    long kicks =
        clicked.sections().get(1).hits(Lane.KICK).stream().filter(h -> h.step() % 16 == 3).count();
    assertNotEquals(before, clicked);
    assertTrue(kicks >= 4, "a kick on step 4 of every bar: " + kicks);
    assertTrue(text("#message").startsWith("Put kick on step 4"), text("#message"));
    robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
    assertEquals(before, session.desk().templateProperty().get());
    robot.interact(chart::requestFocus);
    robot.type(KeyCode.DOWN).type(KeyCode.ENTER);
    assertNotEquals(before, session.desk().templateProperty().get());
    fire("#undo");
    fire("#redo");
    assertNotEquals(before, session.desk().templateProperty().get());

    until("the edit is rendered", () -> session.lanes().resting());
    robot.type(KeyCode.SPACE);
    until(
        "it plays",
        () ->
            session.playback().player().playing() && session.playback().player().position() > 0.3);
    double balance = robot.lookup("#balance").queryAs(Slider.class).getValue();
    robot.type(KeyCode.F);
    assertNotEquals(balance, session.playback().player().balance());
    robot.type(KeyCode.SPACE);
    assertFalse(session.playback().player().playing());

    robot.interact(() -> session.papers().export(dir.resolve("out")));
    until("the export is written", () -> text("#message").contains("files written"));
    List<String> names =
        Files.list(dir.resolve("out")).map(p -> p.getFileName().toString()).sorted().toList();
    assertTrue(
        names.stream().anyMatch(n -> n.endsWith("echo.mid"))
            && names.stream().anyMatch(n -> n.endsWith("echo.wav"))
            && names.stream().anyMatch(n -> n.endsWith("echo bass.wav")),
        names.toString());
  }

  @Test
  void badFilesAreRefusedInWordsAndWorkCanBeStopped() throws IOException {
    Path bad = Files.writeString(dir.resolve("shopping list.wav"), "salt, rope, lamp oil");
    drop(bad);
    until(
        "it is refused",
        () ->
            text("#message")
                .equals(
                    "shopping list.wav: This is not a sound file that can be read. WAV, AIFF, FLAC, MP3, M4A and Ogg can."));
    assertTrue(robot.lookup("#welcome-demo").tryQuery().isPresent(), "the welcome is still there");
    robot.interact(session.papers()::openDemo);
    until("it works", () -> session.lanes().opening().stageProperty().get().length() > 0);
    fire("#stop");
    until("it was stopped", () -> text("#message").startsWith("Opening was stopped. "));
    assertFalse(session.lanes().opening().runningProperty().get());
    robot.interact(() -> shell.setDisable(true));
    assertNull(shell.getScene().getFocusOwner());
    robot.type(KeyCode.F1);
    until(
        "keys work where nothing has the focus",
        () -> robot.lookup("Ctrl+E").tryQuery().isPresent());
    robot.interact(() -> shell.setDisable(false));
    robot.interact(() -> robot.lookup("#keys-find").query().requestFocus());
    robot.write("undo");
    assertTrue(robot.lookup("Ctrl+Z, Ctrl+Shift+Z").tryQuery().isPresent());
    assertTrue(robot.lookup("Ctrl+E").tryQuery().isEmpty(), "only what was asked for");
    robot.type(KeyCode.ESCAPE);
    assertTrue(robot.lookup("#keys").tryQuery().isEmpty());
    robot.type(KeyCode.N);
    assertTrue(shell.getStyleClass().contains("night"));
  }
}
