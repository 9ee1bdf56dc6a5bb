package looseecho.desktop;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.control.Tips;
import looseecho.desktop.session.Lanes;
import looseecho.desktop.session.Work;
import looseecho.desktop.theme.Theme;

/** What long work is doing, a piece per lane, in the header, with a way to stop it. */
final class WorkStrip extends HBox {
  private static final double STAGE = 170;
  private static final double BAR = 90;
  private static final int FULL = 2; // that stand in full in the smallest window
  private static final double LEAST = 34; // three at once still stand beside all buttons

  private final Map<Work, HBox> pieces = new HashMap<>();

  WorkStrip(Lanes lanes) {
    super(14);
    setId("work");
    setAlignment(Pos.CENTER_RIGHT);
    List<Work> all = lanes.all();
    for (Work lane : all) {
      lane.runningProperty().addListener((o, was, now) -> wanted(all, lane));
    }
  }

  /** Up to two are told in full: the track's name gives way to them. */
  @Override
  protected double computeMinWidth(double height) {
    return getManagedChildren().size() <= FULL ? computePrefWidth(height) : 0;
  }

  /** A lane's piece is made when it first works: at the start of the program none does. */
  private void wanted(List<Work> all, Work lane) {
    if (lane.runningProperty().get() && pieces.get(lane) == null) {
      int at = all.indexOf(lane);
      HBox line = line(lane, at == 0 ? "stop" : "stop-" + at);
      pieces.put(lane, line);
      int before = (int) all.subList(0, at).stream().filter(pieces::containsKey).count();
      getChildren().add(before, line);
    }
  }

  private static HBox line(Work lane, String id) {
    Label stage = new Label();
    stage.textProperty().bind(lane.stageProperty());
    stage.getStyleClass().add(Theme.SMALL);
    stage.setMinWidth(LEAST);
    stage.setMaxWidth(STAGE);
    ProgressBar bar = new ProgressBar();
    bar.progressProperty().bind(lane.fractionProperty());
    bar.setMinWidth(LEAST);
    bar.setPrefWidth(BAR);
    bar.setMaxWidth(Double.MAX_VALUE);
    bar.accessibleTextProperty().bind(lane.stageProperty());
    Label rest = new Label();
    rest.textProperty().bind(lane.restProperty());
    rest.getStyleClass().add(Theme.SMALL);
    rest.setMinWidth(USE_PREF_SIZE);
    rest.managedProperty().bind(rest.textProperty().isNotEmpty());
    Tips.on(rest, "About how long this step still takes");
    HBox words = new HBox(6, stage, rest);
    HBox.setHgrow(stage, Priority.ALWAYS);
    Button stop = Buttons.of(id, "Stop", "Stops this; nothing is lost by it", lane::cancel);
    stop.getStyleClass().add(Theme.CHIP);
    stop.setMinWidth(USE_PREF_SIZE);
    VBox told = new VBox(2, words, bar);
    told.setAlignment(Pos.CENTER_LEFT);
    HBox line = new HBox(8, told, stop);
    line.setAlignment(Pos.CENTER_LEFT);
    line.visibleProperty().bind(lane.runningProperty());
    line.managedProperty().bind(lane.runningProperty());
    return line;
  }
}
