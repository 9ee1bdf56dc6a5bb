package looseecho.desktop.compare;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.VPos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import looseecho.compare.BareBars;
import looseecho.compare.Comparison;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.control.Choices;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.Nearness;
import looseecho.desktop.session.Playback;
import looseecho.desktop.theme.Theme;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.project.Notebook;

/** Every part with its measured score and the person's verdict, the furthest first. */
final class ElementTable extends ScrollPane {
  private static final double BAR = 52;
  private static final double THICK = 8;
  private final Desk desk;
  private final Nearness nearness;
  private final Playback playback;
  private final GridPane grid = new GridPane(8, 4);

  ElementTable(Desk desk, Nearness nearness, Playback playback) {
    this.desk = desk;
    this.nearness = nearness;
    this.playback = playback;
    setId("elements");
    setContent(grid);
    setHbarPolicy(ScrollBarPolicy.NEVER);
    setFitToWidth(true);
    setMinWidth(380);
    setPrefWidth(436);
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
    name.setMinWidth(Region.USE_PREF_SIZE);
    Label number = new Label(String.format(Locale.ROOT, "%.0f", score));
    number.setMinWidth(40);
    number.setId("score-" + part.replace(' ', '-'));
    Region back = new Region();
    back.getStyleClass().add("score-back");
    size(back, BAR);
    Region bar = new Region();
    boolean near = desk.notebookProperty().get().near(score);
    String look = near ? "score-bar" : "score-far";
    bar.getStyleClass().add(now == Notebook.Verdict.WANTED ? "score-wanted" : look);
    number.setText((near ? "✓ " : "") + number.getText());
    size(bar, BAR * score / 100);
    StackPane both = new StackPane(back, bar);
    StackPane.setAlignment(bar, javafx.geometry.Pos.CENTER_LEFT);
    ComboBox<Notebook.Verdict> verdict =
        Choices.of(
            "verdict-" + part.replace(' ', '-'),
            List.of(Notebook.Verdict.values()),
            now,
            Notebook.Verdict::words,
            "Your own verdict about the " + part + "; it is kept in the project");
    verdict.setMinWidth(80); // the findings beside it need the room of a small window
    verdict.setOnAction(e -> nearness.judge(part, verdict.getValue()));
    grid.addRow(row, name, both, number, verdict);
    bare(part).ifPresent(b -> grid.add(b, 4, row));
    for (var node : List.of(name, both, number, verdict)) {
      GridPane.setValignment(node, VPos.CENTER);
    }
  }

  /** Where the part is heard best. */
  private Optional<Button> bare(String part) {
    Template t = desk.templateProperty().get();
    return t == null
        ? Optional.empty()
        : Part.of(t).stream()
            .filter(p -> t.name(p).equals(part))
            .findFirst()
            .flatMap(p -> BareBars.of(t, p))
            .map(
                b -> {
                  String words =
                      b.others() == 0
                          ? "It plays alone there"
                          : b.others() + " others play beside it there, the fewest of all bars";
                  Button go =
                      Buttons.of(
                          "bare-" + part.replace(' ', '-'),
                          "bar " + b.number(),
                          words,
                          () -> playback.player().seek(b.start()));
                  go.getStyleClass().add(Theme.CHIP);
                  return go;
                });
  }

  private static void size(Region r, double width) {
    r.setMinSize(width, THICK);
    r.setMaxSize(width, THICK);
  }
}
