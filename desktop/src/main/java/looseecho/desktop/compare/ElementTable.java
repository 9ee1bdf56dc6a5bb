package looseecho.desktop.compare;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import javafx.geometry.VPos;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import looseecho.compare.Comparison;
import looseecho.desktop.control.Choices;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.Nearness;
import looseecho.desktop.theme.Theme;
import looseecho.project.Notebook;

/** Every part with its measured score and the person's verdict, the furthest first. */
final class ElementTable extends ScrollPane {
  private static final double BAR = 90;
  private static final double THICK = 8;
  private final Desk desk;
  private final Nearness nearness;
  private final GridPane grid = new GridPane(10, 4);

  ElementTable(Desk desk, Nearness nearness) {
    this.desk = desk;
    this.nearness = nearness;
    setId("elements");
    setContent(grid);
    setHbarPolicy(ScrollBarPolicy.NEVER);
    setMinWidth(390);
    setPrefWidth(390);
    getStyleClass().add("plain-scroll");
    nearness.comparisonProperty().addListener((o, a, b) -> show());
    desk.notebookProperty().addListener((o, a, b) -> show());
    show();
  }

  private void show() {
    grid.getChildren().clear();
    Comparison c = nearness.comparisonProperty().get();
    if (c == null) {
      Label what = new Label("Each part gets its score here, and your own verdict beside it.");
      what.getStyleClass().add(Theme.QUIET);
      grid.add(what, 0, 0);
      return;
    }
    List<Map.Entry<String, Double>> rows =
        c.scores().entrySet().stream()
            .sorted(Comparator.comparingDouble(Map.Entry::getValue))
            .toList();
    for (int k = 0; k < rows.size(); k++) {
      row(k, rows.get(k).getKey(), rows.get(k).getValue());
    }
  }

  private void row(int row, String part, double score) {
    Notebook.Verdict now = desk.notebookProperty().get().of(part);
    Label name = new Label(part);
    name.setMinWidth(86);
    Label number = new Label(String.format(Locale.ROOT, "%.0f", score));
    number.setMinWidth(28);
    number.setId("score-" + part.replace(' ', '-'));
    Region back = new Region();
    back.getStyleClass().add("score-back");
    size(back, BAR);
    Region bar = new Region();
    bar.getStyleClass().add(now == Notebook.Verdict.WANTED ? "score-wanted" : "score-bar");
    size(bar, BAR * score / 100);
    StackPane both = new StackPane(back, bar);
    StackPane.setAlignment(bar, javafx.geometry.Pos.CENTER_LEFT);
    ComboBox<Notebook.Verdict> verdict =
        Choices.of(
            "verdict-" + part.replace(' ', '-'),
            List.of(Notebook.Verdict.values()),
            now,
            Notebook.Verdict::words);
    verdict.setTooltip(new Tooltip("Your own verdict; it is kept in the project"));
    verdict.setAccessibleText("Verdict about the " + part);
    verdict.setOnAction(e -> nearness.judge(part, verdict.getValue()));
    grid.addRow(row, name, both, number, verdict);
    for (var node : List.of(name, both, number, verdict)) {
      GridPane.setValignment(node, VPos.CENTER);
    }
  }

  private static void size(Region r, double width) {
    r.setMinSize(width, THICK);
    r.setMaxSize(width, THICK);
  }
}
