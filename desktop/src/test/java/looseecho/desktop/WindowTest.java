package looseecho.desktop;

import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.TimeUnit;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.DragEvent;
import javafx.scene.input.Dragboard;
import javafx.stage.Stage;
import looseecho.desktop.session.Hearings;
import looseecho.desktop.session.Session;
import looseecho.desktop.theme.Theme;
import looseecho.play.SilentDevice;
import looseecho.project.CorrectionStore;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.util.WaitForAsyncUtils;

/** The real window, driven as a producer drives it. */
@ExtendWith(ApplicationExtension.class)
abstract class WindowTest {
  private static final int SECONDS = 120;

  /** What was heard lies beside the corrections: nothing of another run may be taken for it. */
  private static final Path HOME = home();

  /** The demo is heard once for all of them. */
  private static final Hearings HEARINGS = new Hearings();

  protected Session session;
  protected Shell shell;
  protected FxRobot robot;

  private static Path home() {
    try {
      return Files.createTempDirectory("window");
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /**
   * Opens the window; each test class calls it from its own start, where the runner looks for it.
   */
  void open(Stage stage) throws IOException {
    open(stage, Files.createTempDirectory(HOME, "corrections"));
  }

  /** Opens the window of a person whose own things are in a folder. */
  void open(Stage stage, Path corrections) throws IOException {
    session = new Session(new SilentDevice(44100), new CorrectionStore(corrections), HEARINGS);
    session.matching().byItself(false); // it is tested by itself
    shell = new Shell(session);
    Scene scene = new Scene(shell, 1280, 800);
    Theme.apply(scene);
    stage.setScene(scene);
    stage.show();
    stage.requestFocus();
  }

  /** Opens the window and a short track in a folder. */
  void openTrack(Stage stage, Path dir) throws IOException {
    open(stage, dir.resolve("corrections"));
    openTrack(dir);
  }

  void openTrack(Path dir) throws IOException {
    Path track = dir.resolve("pier.wav");
    ClickTrack.write(track, 12);
    session.papers().open(track);
  }

  @BeforeEach
  void take(FxRobot given) {
    robot = given;
  }

  @AfterEach
  void end() {
    robot.interact(session::close);
  }

  void until(String what, Callable<Boolean> condition) {
    try {
      WaitForAsyncUtils.waitFor(
          SECONDS, TimeUnit.SECONDS, () -> WaitForAsyncUtils.asyncFx(condition).get());
    } catch (java.util.concurrent.TimeoutException e) {
      throw new AssertionError(
          "waited in vain until "
              + what
              + "; the message is: "
              + session.desk().messageProperty().get(),
          e);
    }
    WaitForAsyncUtils.waitForFxEvents();
  }

  void openDemo() {
    robot.clickOn("#welcome-demo");
    until(
        "the demo is heard",
        () -> session.desk().templateProperty().get() != null && session.lanes().resting());
  }

  /** The same where the echo is played. */
  void openDemoAndItsEcho() {
    openDemo();
    until("the echo is there", () -> session.maker().echoProperty().get() != null);
  }

  /** Drops a file on the window. */
  void drop(Path file) {
    Dragboard board = mock(Dragboard.class);
    when(board.hasFiles()).thenReturn(true);
    when(board.getFiles()).thenReturn(List.of(file.toFile()));
    DragEvent drop = mock(DragEvent.class);
    when(drop.getDragboard()).thenReturn(board);
    robot.interact(() -> shell.getOnDragDropped().handle(drop));
    verify(drop).setDropCompleted(true);
  }

  String text(String id) {
    return robot.lookup(id).queryAs(Label.class).getText();
  }

  void fire(String id) {
    Button b = robot.lookup(id).queryButton();
    robot.interact(b::fire);
  }

  /** Picks an item of a list of actions. */
  void pick(String menu, String item) {
    MenuButton button = robot.lookup(menu).queryAs(MenuButton.class);
    robot.interact(
        () ->
            button.getItems().stream()
                .filter(i -> item.equals(i.getId()))
                .findFirst()
                .orElseThrow()
                .fire());
  }

  void go(String step) {
    ToggleButton b = robot.lookup(step).queryAs(ToggleButton.class);
    robot.interact(b::fire);
    WaitForAsyncUtils.waitForFxEvents();
  }

  /** The point of a node at shares of its width and height, on the screen. */
  Point2D point(String id, double across, double down) {
    var node = robot.lookup(id).query();
    Bounds area = node.localToScreen(node.getBoundsInLocal());
    return new Point2D(
        area.getMinX() + across * area.getWidth(), area.getMinY() + down * area.getHeight());
  }
}
