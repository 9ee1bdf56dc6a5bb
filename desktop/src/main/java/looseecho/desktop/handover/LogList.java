package looseecho.desktop.handover;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import looseecho.desktop.session.Desk;
import looseecho.desktop.theme.Theme;
import looseecho.echo.LogLine;
import looseecho.project.Notebook;

/** What was done and noted, newest first, searchable; notes and open questions are added here. */
final class LogList extends VBox {
  /** A line; the note it shows, or null for what was done, and then its number in the log. */
  private record Line(String words, Notebook.Note note, int number) {}

  private final Desk desk;
  private final TextField search = new TextField();
  private final ListView<Line> list = new ListView<>();

  LogList(Desk desk) {
    super(8);
    this.desk = desk;
    Label head = new Label("Logbook");
    head.getStyleClass().add(Theme.HEADING);
    search.setId("log-search");
    search.setPromptText("find");
    search.textProperty().addListener((o, a, b) -> show());
    list.setId("log-list");
    list.setAccessibleText("Logbook: Delete takes a note out");
    list.setCellFactory(
        l ->
            new ListCell<>() {
              {
                setWrapText(true);
                setPrefWidth(0);
              }

              @Override
              protected void updateItem(Line line, boolean empty) {
                super.updateItem(line, empty);
                setText(empty || line == null ? null : line.words());
              }
            });
    list.setOnKeyPressed(
        e -> {
          Line line = list.getSelectionModel().getSelectedItem();
          if (e.getCode() == KeyCode.DELETE && line != null && line.note() != null) {
            desk.note(desk.notebookProperty().get().without(line.note()), "Note taken out");
            e.consume();
          }
        });
    VBox.setVgrow(list, Priority.ALWAYS);
    TextField note = new TextField();
    note.setId("log-note");
    note.setPromptText("a note (Enter)");
    CheckBox question = new CheckBox("question");
    question.setId("log-question");
    question.setTooltip(new Tooltip("It asks for an answer: it stands on the sheet as open"));
    note.setOnAction(
        e -> {
          String words = note.getText().strip();
          if (!words.isEmpty()) {
            Notebook.Note n = new Notebook.Note(-1, "", words, question.isSelected());
            desk.note(desk.notebookProperty().get().with(n), "Noted: " + words);
            note.clear();
          }
        });
    HBox.setHgrow(note, Priority.ALWAYS);
    HBox add = new HBox(8, note, question);
    add.setAlignment(Pos.CENTER_LEFT);
    getChildren().addAll(head, search, list, why(), add);
    desk.logProperty().addListener((o, a, b) -> show());
    desk.notebookProperty().addListener((o, a, b) -> show());
    show();
  }

  /** The field for the reason of the line that is picked. */
  private TextField why() {
    TextField why = new TextField();
    why.setId("log-why");
    why.setPromptText("why: pick a line above (Enter)");
    why.setTooltip(new Tooltip("Your reason for the line that is picked; it goes on the sheet"));
    why.setDisable(true);
    list.getSelectionModel()
        .selectedItemProperty()
        .addListener((o, a, b) -> why.setDisable(b == null || b.note() != null));
    why.setOnAction(
        e -> {
          Line line = list.getSelectionModel().getSelectedItem();
          if (line != null && line.note() == null) {
            desk.explain(line.number(), why.getText().strip());
            why.clear();
          }
        });
    return why;
  }

  private void show() {
    String wanted = search.getText().toLowerCase(Locale.ROOT);
    List<Line> lines = new ArrayList<>();
    for (Notebook.Note n : desk.notebookProperty().get().notes()) {
      lines.add(0, new Line((n.question() ? "? " : "Note: ") + n.words(), n, -1));
    }
    List<LogLine> log = desk.logProperty().get();
    for (int k = log.size() - 1; k >= 0; k--) {
      String at = log.get(k).when().isEmpty() ? "" : log.get(k).when() + "  ";
      lines.add(new Line((k + 1) + "  " + at + log.get(k).told(), null, k));
    }
    lines.removeIf(l -> !l.words().toLowerCase(Locale.ROOT).contains(wanted));
    if (!lines.equals(list.getItems())) {
      list.getItems().setAll(lines);
    }
  }
}
