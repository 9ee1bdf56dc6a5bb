package looseecho.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.List;
import java.util.stream.Collectors;
import javafx.event.ActionEvent;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
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
    assertTrue(robot.lookup(first.name()).tryQuery().isPresent());
    robot.type(KeyCode.ENTER);
    assertEquals(EnumSet.of(first.stem()), session.playback().stemsProperty().get());
    robot.press(KeyCode.SHIFT).type(KeyCode.ENTER).release(KeyCode.SHIFT);
    assertEquals(
        EnumSet.complementOf(EnumSet.of(first.stem())), session.playback().stemsProperty().get());
    robot.press(KeyCode.SHIFT).type(KeyCode.ENTER).release(KeyCode.SHIFT);
    assertNull(session.playback().stemsProperty().get());
    fire("#layers-take");
    String said = session.desk().messageProperty().get();
    assertTrue(said.contains("as heard") || said.startsWith("No ducking"), said);
    robot.interact(chart::requestFocus);
    robot.type(KeyCode.DOWN);
    assertEquals(layers().get(1), session.layers().pickedProperty().get());
    assertFalse(ledger().contains("At each edge"), "what concerns all would not fit below it");
    fire("#layers-all");
    assertNull(session.layers().pickedProperty().get());
    assertTrue(ledger().contains("At each edge"), ledger());
    robot.type(KeyCode.DOWN);
    robot.type(KeyCode.ENTER);
    go("#step-echo");
    assertNull(session.playback().stemsProperty().get(), "all is heard on the other benches");
  }

  /** All words of the readings beside the bench. */
  private String ledger() {
    return robot.lookup(".ledger .label").queryAllAs(Label.class).stream()
        .map(Label::getText)
        .collect(Collectors.joining("\n"));
  }

  @Test
  void layersAreNamedJoinedCutAndTakenBack() {
    until("it is heard", () -> session.desk().templateProperty().get() != null);
    go("#step-layers");
    until("the layers are heard", () -> layers().size() > 2);
    List<HeardLayer> heard = layers();
    HeardLayer first = heard.get(0);
    robot.interact(() -> session.layers().pick(first));
    robot.interact(
        () -> {
          TextField name = robot.lookup("#layer-name").queryAs(TextField.class);
          name.setText("thump");
          name.fireEvent(new ActionEvent());
        });
    until("it has its name", () -> layers().get(0).name().equals("thump"));
    assertEquals("thump", session.layers().pickedProperty().get().name(), "it is still looked at");
    robot.interact(() -> robot.lookup("#layer-job").<ComboBox<String>>query().setValue("tail"));
    until("it has its job", () -> layers().get(0).job().equals("tail"));
    double middle = (first.active().get(0).start() + first.active().get(0).end()) / 2;
    robot.interact(() -> session.playback().player().seek(middle));
    robot.interact(() -> item("#layer-more", "layer-split").fire());
    until("it is cut", () -> layers().size() == heard.size() + 1);
    assertEquals("thump 2", layers().get(1).name());
    assertEquals(middle, layers().get(1).active().get(0).start(), 0.05);
    robot.interact(() -> item("#layer-more", "layer-remove").fire());
    until("it is gone", () -> layers().size() == heard.size());
    assertEquals("thump 2", layers().get(0).name());
    for (int k = 0; k < 4; k++) {
      robot.interact(() -> session.desk().undo());
    }
    until("all is as it was heard", () -> layers().equals(heard));
  }

  @Test
  void edgesAreMovedToThePlayheadAndLayersAreOne() {
    until("it is heard", () -> session.desk().templateProperty().get() != null);
    go("#step-layers");
    until("the layers are heard", () -> layers().size() > 2);
    List<HeardLayer> heard = layers();
    HeardLayer first = heard.get(0);
    HeardLayer second = heard.get(1);
    robot.interact(() -> session.layers().pick(first));
    double later = first.active().get(0).start() + 1;
    robot.interact(() -> session.playback().player().seek(later));
    fire("#layer-edge");
    until("it begins later", () -> !layers().equals(heard));
    assertEquals(later, layers().get(0).active().get(0).start(), 0.05);
    assertEquals(first.active().get(0).end(), layers().get(0).active().get(0).end(), 1e-9);
    MenuButton more = robot.lookup("#layer-more").query();
    robot.interact(more::show); // its items are made then
    robot.interact(
        () ->
            ((Menu) item("#layer-more", "layer-join"))
                .getItems().stream()
                    .filter(i -> second.name().equals(i.getText()))
                    .findFirst()
                    .orElseThrow()
                    .fire());
    until("both are one", () -> layers().size() == heard.size() - 1);
    assertTrue(layers().stream().noneMatch(l -> l.name().equals(second.name())));
    assertTrue(text("#message").contains(second.name() + " is the same as " + first.name()));
    robot.interact(() -> robot.lookup("#layer-family").<ComboBox<String>>query().setValue("noise"));
    until("it is of another family", () -> layers().get(0).family().equals("noise"));
    for (int k = 0; k < 3; k++) {
      robot.interact(() -> session.desk().undo());
    }
    until("all is as it was heard", () -> layers().equals(heard));
  }

  private MenuItem item(String menu, String id) {
    MenuButton button = robot.lookup(menu).queryAs(MenuButton.class);
    return button.getItems().stream().filter(i -> id.equals(i.getId())).findFirst().orElseThrow();
  }
}
