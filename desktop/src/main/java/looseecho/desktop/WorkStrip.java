package looseecho.desktop;

import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import looseecho.desktop.session.Lanes;
import looseecho.desktop.session.Work;

/** What long work is doing, a line per lane, over the bench's lower edge, with a way to stop it. */
final class WorkStrip extends VBox {
  WorkStrip(Lanes lanes) {
    super(6);
    setId("work");
    setMaxSize(Region.USE_PREF_SIZE, Region.USE_PREF_SIZE);
    setPickOnBounds(false);
    StackPane.setAlignment(this, Pos.BOTTOM_CENTER);
    StackPane.setMargin(this, new Insets(16));
    for (Work lane : lanes.all()) {
      getChildren()
          .add(line(lane, lane == lanes.opening() ? "stop" : "stop-" + getChildren().size()));
    }
  }

  private static HBox line(Work lane, String id) {
    Label stage = new Label();
    stage.textProperty().bind(lane.stageProperty());
    stage.setMinWidth(190);
    ProgressBar bar = new ProgressBar();
    bar.progressProperty().bind(lane.fractionProperty());
    bar.setPrefWidth(260);
    Button stop = new Button("Stop");
    stop.setId(id);
    stop.setOnAction(e -> lane.cancel());
    HBox line = new HBox(12, stage, bar, stop);
    line.getStyleClass().add("panel");
    line.setAlignment(Pos.CENTER_LEFT);
    line.setPadding(new Insets(8, 16, 8, 16));
    line.visibleProperty().bind(lane.runningProperty());
    line.managedProperty().bind(lane.runningProperty());
    return line;
  }
}
