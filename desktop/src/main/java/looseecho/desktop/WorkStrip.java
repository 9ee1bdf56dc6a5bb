package looseecho.desktop;

import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import looseecho.desktop.session.Session;

/** What long work is doing, over the bench's lower edge, with a way to stop it. */
final class WorkStrip extends HBox {
  WorkStrip(Session session) {
    super(12);
    setId("work");
    getStyleClass().add("panel");
    setAlignment(Pos.CENTER_LEFT);
    setStyleSize();
    Label stage = new Label();
    stage.textProperty().bind(session.work().stageProperty());
    stage.setMinWidth(190);
    ProgressBar bar = new ProgressBar();
    bar.progressProperty().bind(session.work().fractionProperty());
    bar.setPrefWidth(260);
    Button stop = new Button("Stop");
    stop.setId("stop");
    stop.setOnAction(e -> session.work().cancel());
    getChildren().addAll(stage, bar, stop);
    visibleProperty().bind(session.work().runningProperty());
  }

  private void setStyleSize() {
    setPadding(new javafx.geometry.Insets(8, 16, 8, 16));
    setMaxSize(Region.USE_PREF_SIZE, Region.USE_PREF_SIZE);
    StackPane.setAlignment(this, Pos.BOTTOM_CENTER);
    StackPane.setMargin(this, new javafx.geometry.Insets(16));
  }
}
