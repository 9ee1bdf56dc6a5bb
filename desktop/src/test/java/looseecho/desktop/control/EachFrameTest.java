package looseecho.desktop.control;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicInteger;
import javafx.scene.Scene;
import javafx.scene.layout.Pane;
import javafx.scene.layout.StackPane;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

@ExtendWith(ApplicationExtension.class)
class EachFrameTest {
  private final AtomicInteger frames = new AtomicInteger();
  private final Pane node = new Pane();
  private final StackPane root = new StackPane();
  private Stage stage;

  @Start
  void start(Stage given) {
    stage = given;
    EachFrame.of(node, frames::incrementAndGet);
    stage.setScene(new Scene(root, 200, 100));
    stage.show();
  }

  private void runs() throws TimeoutException {
    int now = frames.get();
    WaitForAsyncUtils.waitFor(20, TimeUnit.SECONDS, () -> frames.get() > now + 2);
  }

  private void rests(FxRobot robot) {
    robot.interact(() -> {}); // a frame that was due is over
    int now = frames.get();
    robot.sleep(200);
    assertEquals(now, frames.get());
  }

  @Test
  void itRunsWhileTheNodeIsShownAndNoLonger(FxRobot robot) throws TimeoutException {
    rests(robot);
    robot.interact(() -> root.getChildren().add(node));
    runs();
    robot.interact(() -> root.getChildren().remove(node));
    rests(robot);
    robot.interact(() -> root.getChildren().add(node));
    runs();
    robot.interact(stage::hide);
    rests(robot);
  }
}
