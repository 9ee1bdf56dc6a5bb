package looseecho.desktop.handover;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import looseecho.desktop.control.Tips;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.Playback;
import looseecho.desktop.theme.Theme;
import looseecho.echo.LogLine;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.project.Notebook;

/** What was done and noted, newest first, searchable; notes and open questions are added here. */
final class LogList extends VBox {
  /** A line; the note it shows, or null for what was done, and then its number in the log. */
  private record Line(String words, Notebook.Note note, int number) {}

  private static final String WHOLE = "about the whole";
  private static final double ABOUT = 150; // pixels for the name of a part

  private final Desk desk;
  private final Playback playback;
  private final TextField search = new TextField();
  private final ComboBox<String> about = new ComboBox<>();
  private final ListView<Line> list = new ListView<>();

  LogList(Desk desk, Playback playback) {
    super(8);
    this.desk = desk;
    this.playback = playback;
    Label head = new Label("Logbook");
    head.getStyleClass().add(Theme.HEADING);
    search.setId("log-search");
    Tips.on(search, "Shows the lines with these words only");
    search.setPromptText("find");
    search.textProperty().addListener((o, a, b) -> show());
    list.setId("log-list");
    list.setAccessibleText("Logbook: on a note Enter goes there, Delete takes it out");
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
          if (line != null && line.note() != null) {
            key(e, line.note());
          }
        });
    VBox.setVgrow(list, Priority.ALWAYS);
    TextField note = new TextField();
    note.setId("log-note");
    Tips.on(note, "What shall not be forgotten; it goes on the sheet (Enter)");
    note.setPromptText("a note (Enter)");
    CheckBox question = new CheckBox("question");
    question.setId("log-question");
    Tips.on(question, "It asks for an answer: it stands on the sheet as open");
    about.setId("log-about");
    Tips.on(about, "The part or sound that the note is about");
    about.setPrefWidth(ABOUT);
    CheckBox here = new CheckBox("at this bar");
    here.setId("log-here");
    Tips.on(here, "The note belongs to the bar where the playhead is");
    note.setOnAction(e -> add(note, here.isSelected(), question.isSelected()));
    FlowPane more = new FlowPane(8, 4, about, here, question);
    getChildren().addAll(head, search, list, why(), note, more);
    desk.templateProperty().addListener((o, a, b) -> parts());
    parts();
    desk.logProperty().addListener((o, a, b) -> show());
    desk.notebookProperty().addListener((o, a, b) -> show());
    show();
  }

  private void parts() {
    Template t = desk.templateProperty().get();
    List<String> names = new ArrayList<>(List.of(WHOLE));
    if (t != null) {
      Part.of(t).forEach(p -> names.add(t.name(p)));
    }
    if (!names.equals(about.getItems())) {
      about.getItems().setAll(names);
      about.setValue(WHOLE);
    }
  }

  private void add(TextField field, boolean here, boolean question) {
    String words = field.getText().strip();
    if (!words.isEmpty()) {
      String what = WHOLE.equals(about.getValue()) ? "" : about.getValue();
      double at = here ? playback.player().position() : -1;
      Notebook.Note n = new Notebook.Note(at, what, words, question);
      desk.note(desk.notebookProperty().get().with(n), "Noted: " + words);
      field.clear();
    }
  }

  private void key(KeyEvent e, Notebook.Note note) {
    if (e.getCode() == KeyCode.DELETE) {
      desk.note(desk.notebookProperty().get().without(note), "Note taken out");
      e.consume();
    } else if (e.getCode() == KeyCode.ENTER && note.at() >= 0) {
      playback.player().seek(note.at());
      e.consume();
    }
  }

  /** The field for the reason of the line that is picked. */
  private TextField why() {
    TextField why = new TextField();
    why.setId("log-why");
    why.setPromptText("why: pick a line above (Enter)");
    Tips.on(why, "Your reason for the line that is picked; it goes on the sheet");
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
    Template t = desk.templateProperty().get();
    for (Notebook.Note n : desk.notebookProperty().get().notes()) {
      String words = t == null ? n.words() : n.told(t);
      lines.add(0, new Line((n.question() ? "? " : "Note: ") + words, n, -1));
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
