package looseecho.desktop;

import java.util.Locale;
import java.util.function.Consumer;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.VBox;
import looseecho.desktop.control.Tips;
import looseecho.desktop.theme.Theme;

/** The steps of the job at the left. */
final class StepList extends VBox {
  private static final double LEAST = 42;
  private static final double WIDTH = 152;
  private final ToggleGroup steps = new ToggleGroup();

  /** {@code chosen} goes to a step. */
  StepList(Consumer<Bench> chosen) {
    getStyleClass().add("steps");
    setPrefWidth(WIDTH);
    for (Bench bench : Bench.values()) {
      Label title = new Label((bench.ordinal() + 1) + "  " + bench.title());
      title.getStyleClass().add(Theme.HEADING);
      Label about = new Label(bench.about());
      about.getStyleClass().add(Theme.SMALL);
      ToggleButton step = new ToggleButton();
      step.setGraphic(new VBox(0, title, about));
      step.setId("step-" + bench.name().toLowerCase(Locale.ROOT));
      step.getStyleClass().setAll("step");
      step.setAccessibleText(bench.title());
      Tips.on(step, "Ctrl+" + (bench.ordinal() + 1));
      step.setMaxWidth(Double.MAX_VALUE);
      step.setMinHeight(LEAST); // in a low window they move together
      step.setToggleGroup(steps);
      step.setUserData(bench);
      step.setSelected(bench == Bench.GROUND);
      step.setOnAction(e -> chosen.accept(bench));
      getChildren().add(step);
    }
  }

  void select(Bench bench) {
    steps.getToggles().get(bench.ordinal()).setSelected(true);
  }

  Bench selected() {
    return steps.getSelectedToggle() == null
        ? Bench.GROUND
        : (Bench) steps.getSelectedToggle().getUserData();
  }
}
