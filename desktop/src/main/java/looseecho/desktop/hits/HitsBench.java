package looseecho.desktop.hits;

import javafx.scene.control.Label;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import looseecho.desktop.session.Session;
import looseecho.desktop.theme.Theme;

/** Every heard hit against the step grid. */
public final class HitsBench extends VBox {
  public HitsBench(Session session) {
    super(8);
    getStyleClass().add("bench");
    BarChooser chooser = new BarChooser(session, true);
    Label hint = new Label();
    hint.getStyleClass().add(Theme.QUIET);
    StepChart chart = new StepChart(hint::setText);
    VBox.setVgrow(chart, Priority.ALWAYS);
    Label legend =
        new Label(
            "Hollow: heard, at its true place; thin where it is doubtful or not in every bar.   Solid: your echo.");
    legend.getStyleClass().add(Theme.SMALL);
    getChildren().addAll(chooser, chart, hint, legend);
    Runnable show =
        () ->
            chart.show(
                BarRows.of(
                    session.analysisProperty().get(),
                    session.templateProperty().get(),
                    session.sectionProperty().get(),
                    chooser.barProperty().get()));
    session.analysisProperty().addListener((o, a, b) -> show.run());
    session.templateProperty().addListener((o, a, b) -> show.run());
    session.sectionProperty().addListener((o, a, b) -> show.run());
    chooser.barProperty().addListener((o, a, b) -> show.run());
    show.run();
  }
}
