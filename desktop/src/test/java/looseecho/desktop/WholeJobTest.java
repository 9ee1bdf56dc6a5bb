package looseecho.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.TimeUnit;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.DragEvent;
import javafx.scene.input.Dragboard;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import looseecho.activity.Lane;
import looseecho.desktop.session.Session;
import looseecho.desktop.theme.Theme;
import looseecho.echo.Template;
import looseecho.project.CorrectionStore;
import looseecho.sound.SilentDevice;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

/** The real window, driven as a producer drives it, with the demo that ships. */
@ExtendWith(ApplicationExtension.class)
class WholeJobTest {
  private static final int SECONDS = 120;
  @TempDir private Path dir;
  private Session session;
  private Shell shell;
  private FxRobot robot;

  @Start
  void start(Stage stage) throws IOException {
    session =
        new Session(
            new SilentDevice(44100), new CorrectionStore(Files.createTempDirectory("corrections")));
    shell = new Shell(session);
    Scene scene = new Scene(shell, 1280, 800);
    Theme.apply(scene);
    stage.setScene(scene);
    stage.show();
    stage.requestFocus();
  }

  @BeforeEach
  void take(FxRobot given) {
    robot = given;
  }

  @AfterEach
  void end() {
    robot.interact(session::close);
  }

  private void until(String what, Callable<Boolean> condition) {
    try {
      WaitForAsyncUtils.waitFor(
          SECONDS, TimeUnit.SECONDS, () -> WaitForAsyncUtils.asyncFx(condition).get());
    } catch (java.util.concurrent.TimeoutException e) {
      throw new AssertionError(
          "waited in vain until " + what + "; the message is: " + session.messageProperty().get(),
          e);
    }
    WaitForAsyncUtils.waitForFxEvents();
  }

  private void openDemo() {
    robot.clickOn("#welcome-demo");
    until(
        "the demo is heard",
        () ->
            session.analysisProperty().get() != null
                && session.echoProperty().get() != null
                && !session.work().runningProperty().get());
  }

  private String text(String id) {
    return robot.lookup(id).queryAs(Label.class).getText();
  }

  private void fire(String id) {
    Button b = robot.lookup(id).queryButton();
    robot.interact(b::fire);
  }

  private void go(String step) {
    ToggleButton b = robot.lookup(step).queryAs(ToggleButton.class);
    robot.interact(b::fire);
    WaitForAsyncUtils.waitForFxEvents();
  }

  private void await(String tempo) {
    until(
        "the tempo is " + tempo,
        () -> text("#reading-tempo").equals(tempo) && !session.work().runningProperty().get());
  }

  @Test
  void theGroundIsCorrectedInOneGestureAndEverythingFollows() {
    openDemo();
    assertEquals("108 BPM", text("#reading-tempo"));
    assertEquals("D minor", text("#reading-key"));
    int beats = session.templateProperty().get().beats().size();
    fire("#halve");
    await("54 BPM");
    assertTrue(
        Math.abs(session.templateProperty().get().beats().size() - beats / 2) <= 4,
        "half as many beats");
    fire("#double");
    await("108 BPM");
    for (int k = 0; k < 5; k++) {
      robot.type(KeyCode.T).sleep(300);
    }
    assertTrue(
        text("#tapped").startsWith("Tapped ") && text("#tapped").contains("speaks for"),
        text("#tapped"));
    double one = firstBar();
    fire("#bar-later");
    until("bar 1 has moved", () -> Math.abs(firstBar() - one - 60.0 / 108) < 0.02);
    fire("#bar-earlier");
    until("bar 1 is back", () -> Math.abs(firstBar() - one) < 0.02);
  }

  private double firstBar() {
    return session.analysisProperty().get().pulse().orElseThrow().beats().stream()
        .filter(b -> b.bar() == 1 && b.position() == 1)
        .findFirst()
        .orElseThrow()
        .time();
  }

  @Test
  void aStepIsChangedByMouseAndKeysUndoneHeardAndExported() throws IOException {
    openDemo();
    go("#step-hits");
    assertTrue(robot.lookup("#steps").tryQuery().isPresent());
    go("#step-echo");
    robot.interact(() -> session.sectionProperty().set(1));
    Template before = session.templateProperty().get();
    Node chart = robot.lookup("#steps").query();
    Bounds area = chart.localToScreen(chart.getBoundsInLocal());
    double step = (area.getWidth() - 118 - 8) / 16;
    robot.clickOn(area.getMinX() + 118 + 3.5 * step, area.getMinY() + 26 + 10);
    WaitForAsyncUtils.waitForFxEvents();
    Template clicked = session.templateProperty().get();
    long kicks =
        clicked.sections().get(1).hits(Lane.KICK).stream().filter(h -> h.step() % 16 == 3).count();
    assertNotEquals(before, clicked);
    assertTrue(kicks >= 4, "a kick on step 4 of every bar: " + kicks);
    assertTrue(text("#message").startsWith("Put kick on step 4"), text("#message"));
    robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
    assertEquals(before, session.templateProperty().get());
    robot.interact(chart::requestFocus);
    robot.type(KeyCode.DOWN).type(KeyCode.ENTER);
    assertNotEquals(before, session.templateProperty().get());
    fire("#undo");
    fire("#redo");
    assertNotEquals(before, session.templateProperty().get());

    until("the edit is rendered", () -> !session.work().runningProperty().get());
    robot.type(KeyCode.SPACE);
    until("it plays", () -> session.player().playing() && session.player().position() > 0.3);
    double balance = robot.lookup("#balance").queryAs(Slider.class).getValue();
    robot.type(KeyCode.F);
    assertNotEquals(balance, session.player().balance());
    robot.type(KeyCode.SPACE);
    assertFalse(session.player().playing());

    robot.interact(() -> session.export(dir.resolve("out")));
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
    Dragboard board = mock(Dragboard.class);
    when(board.hasFiles()).thenReturn(true);
    when(board.getFiles()).thenReturn(List.of(bad.toFile()));
    DragEvent drop = mock(DragEvent.class);
    when(drop.getDragboard()).thenReturn(board);
    robot.interact(() -> shell.getOnDragDropped().handle(drop));
    verify(drop).setDropCompleted(true);
    until(
        "it is refused",
        () ->
            text("#message")
                .equals(
                    "shopping list.wav: This is not a sound file that can be read. WAV, AIFF, FLAC, MP3 and Ogg Vorbis can."));
    assertTrue(robot.lookup("#welcome-demo").tryQuery().isPresent(), "the welcome is still there");
    robot.interact(session::openDemo);
    until("it works", () -> session.work().stageProperty().get().length() > 0);
    fire("#stop");
    until(
        "it was stopped",
        () -> text("#message").equals("Opening was stopped. Nothing was changed."));
    assertFalse(session.work().runningProperty().get());
    robot.type(KeyCode.F1);
    assertTrue(robot.lookup("#keys").tryQuery().isPresent());
    robot.type(KeyCode.N);
    assertTrue(shell.getStyleClass().contains("night"));
  }
}
