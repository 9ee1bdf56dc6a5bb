package looseecho.desktop.layers;

import java.util.EnumSet;
import java.util.Set;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.control.HereMenu;
import looseecho.desktop.control.Legend;
import looseecho.desktop.control.Tips;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.LayerEar;
import looseecho.desktop.session.Playback;
import looseecho.desktop.theme.Theme;
import looseecho.layers.HeardLayer;
import looseecho.separate.Stem;

/** What plays when, in which band and where; each group of layers can be heard alone. */
public final class LayersBench extends VBox {
  private static final double FEWEST = 120; // of the chart's height
  private static final double MOST = 230; // that it takes from the plan below it
  private static final String WAITING =
      "The track is taken apart first; its layers come after that";
  private static final String HELP =
      "Up and down pick a layer. Enter: its group alone, Shift and Enter: all without it, both as"
          + " loud as the track. For study: what is cut out of a recording stays its makers'.";
  private final LayerEar ear;
  private final Playback playback;
  private final ToggleButton alone = new ToggleButton("Alone");
  private final ToggleButton without = new ToggleButton("Without it");
  private boolean setting;

  public LayersBench(Desk desk, Playback playback, LayerEar ear) {
    super(8);
    this.ear = ear;
    this.playback = playback;
    getStyleClass().add("bench");
    LayerChart chart = new LayerChart(desk, ear, playback);
    HereMenu.on(chart, "Its group alone", "Enter", "All without it", "Shift+Enter");
    VBox.setVgrow(chart, Priority.ALWAYS);
    chart.setMinHeight(FEWEST);
    Label state = new Label(WAITING);
    state.setId("layers-state");
    state.getStyleClass().add(Theme.SMALL);
    ear.layersProperty()
        .addListener(
            (o, a, b) -> {
              state.setText(b.isEmpty() ? WAITING : b.size() + " layers heard");
              chart.setMinHeight(Math.max(FEWEST, Math.min(MOST, LayerChart.least(b.size()))));
            });
    button(alone, "layer-alone", "The picked layer's group alone (Enter)");
    button(without, "layer-without", "All without the picked layer's group (Shift+Enter)");
    alone.setOnAction(e -> hear());
    without.setOnAction(e -> hear());
    Button take =
        Buttons.of(
            "layers-take",
            "Into the echo",
            "The echo takes what was heard: ducking, rooms, moves, throws, joined claps, a bed of noise",
            ear::take);
    HBox tools = new HBox(8, alone, without, take, state);
    tools.setAlignment(Pos.CENTER_LEFT);
    Label help = new Legend(HELP);
    getChildren().addAll(tools, chart, new PlaceChart(ear, playback), help);
    ear.pickedProperty().addListener((o, a, b) -> hear());
    playback
        .stemsProperty()
        .addListener(
            (o, a, b) -> {
              if (b == null && !setting) {
                alone.setSelected(false);
                without.setSelected(false);
              }
            });
    addEventHandler(KeyEvent.KEY_PRESSED, this::key);
    sceneProperty()
        .addListener(
            (o, a, b) -> {
              if (b != null) {
                ear.hear();
              } else { // nowhere else is to be seen why the rest is silent
                playback.stemsProperty().set(null);
              }
            });
    desk.analysisProperty()
        .addListener(
            (o, a, b) -> {
              if (getScene() != null) {
                ear.hear();
              }
            });
  }

  private static void button(ToggleButton b, String id, String tip) {
    b.setId(id);
    b.getStyleClass().add(Theme.CHIP);
    Tips.on(b, tip);
  }

  private void key(KeyEvent e) {
    if (e.getCode() == KeyCode.ENTER && !e.isShortcutDown() && !e.isAltDown()) {
      (e.isShiftDown() ? without : alone).fire();
      e.consume();
    }
  }

  /** One of the two, or all. */
  private void hear() {
    HeardLayer picked = ear.pickedProperty().get();
    if (alone.isSelected() && without.isSelected()) {
      (alone.isFocused() ? without : alone).setSelected(false);
    }
    setting = true;
    if (picked == null || !alone.isSelected() && !without.isSelected()) {
      playback.stemsProperty().set(null);
    } else {
      Set<Stem> own = EnumSet.of(picked.stem());
      playback
          .stemsProperty()
          .set(alone.isSelected() ? own : EnumSet.complementOf((EnumSet<Stem>) own));
    }
    setting = false;
  }
}
