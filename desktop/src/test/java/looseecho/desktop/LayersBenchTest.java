package looseecho.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import looseecho.layers.HeardLayer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.framework.junit5.Start;

/** The layers of a track: heard when asked for, gone through by keys, one alone or left out. */
class LayersBenchTest extends WindowTest {
  @TempDir private Path dir;

  @Start
  void start(Stage stage) throws IOException {
    openTrack(stage, dir);
  }

  private List<HeardLayer> layers() {
    return session.layers().layersProperty().get();
  }

  @Test
  void layersAreGoneThroughAndHeardAlone() {
    until("it is heard", () -> session.desk().templateProperty().get() != null);
    assertTrue(layers().isEmpty(), "nobody has asked for them");
    go("#step-layers");
    until("the layers are heard", () -> !layers().isEmpty());
    assertTrue(layers().stream().anyMatch(l -> l.family().equals("kick")), layers().toString());
    Node chart = robot.lookup("#layer-chart").query();
    robot.interact(chart::requestFocus);
    robot.type(KeyCode.DOWN);
    HeardLayer first = session.layers().pickedProperty().get();
    assertEquals(layers().get(0), first);
    assertTrue(robot.lookup("Likely there as: " + first.job()).tryQuery().isPresent());
    robot.type(KeyCode.ENTER);
    assertEquals(EnumSet.of(first.stem()), session.playback().stemsProperty().get());
    robot.press(KeyCode.SHIFT).type(KeyCode.ENTER).release(KeyCode.SHIFT);
    assertEquals(
        EnumSet.complementOf(EnumSet.of(first.stem())), session.playback().stemsProperty().get());
    robot.press(KeyCode.SHIFT).type(KeyCode.ENTER).release(KeyCode.SHIFT);
    assertNull(session.playback().stemsProperty().get());
    fire("#layers-take");
    String said = session.desk().messageProperty().get();
    assertTrue(said.contains("as heard") || said.startsWith("Neither ducking"), said);
    robot.interact(chart::requestFocus);
    robot.type(KeyCode.DOWN);
    assertEquals(layers().get(1), session.layers().pickedProperty().get());
    robot.type(KeyCode.ENTER);
    go("#step-echo");
    assertNull(session.playback().stemsProperty().get(), "all is heard on the other benches");
  }
}
