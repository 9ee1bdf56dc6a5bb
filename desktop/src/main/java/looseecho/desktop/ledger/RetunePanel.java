package looseecho.desktop.ledger;

import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import looseecho.desktop.control.Tips;
import looseecho.desktop.session.Desk;
import looseecho.desktop.theme.Theme;
import looseecho.echo.Arithmetic;
import looseecho.echo.Retune;
import looseecho.echo.Template;
import looseecho.echo.Words;
import looseecho.notes.Key;

/** Tempo and key of the new beat, with the arithmetic. */
final class RetunePanel extends VBox {
  private static final double TEMPO_WIDTH =
      72; // a tempo with its hundredths; with the key in one row
  private static final double KEY_WIDTH = 133;

  private final Desk desk;
  private final TextField tempo = new TextField();
  private final CheckBox proportion = new CheckBox("timing in proportion");
  private final ComboBox<String> key = KeyRow.chooser("echo-key");
  private final Label values = new Label();
  private boolean filling;

  RetunePanel(Desk desk) {
    super(4);
    this.desk = desk;
    tempo.setId("echo-tempo");
    Tips.on(tempo, "Tempo of your beat (Enter)");
    tempo.setPrefWidth(TEMPO_WIDTH);
    key.setPrefWidth(KEY_WIDTH);
    tempo.setOnAction(e -> tempo());
    proportion.setId("in-proportion");
    Tips.on(proportion, "How late or early strokes are grows and shrinks with the steps");
    proportion.setSelected(true);
    Tips.on(key, "Key of your beat: all notes move there");
    key.setOnAction(e -> key());
    values.getStyleClass().add(Theme.SMALL);
    values.setId("note-values");
    getChildren()
        .addAll(
            ReadingRow.heading("Tempo and key of the new beat"),
            new FlowPane(6, 4, tempo, key),
            proportion,
            values);
    desk.templateProperty().addListener((o, a, b) -> show(b));
    show(desk.templateProperty().get());
  }

  private void show(Template t) {
    if (t == null) {
      return;
    }
    filling = true;
    tempo.setText(Words.bpm(t.bpm()).replace(" BPM", ""));
    key.setValue(t.key().words());
    StringBuilder s = new StringBuilder();
    for (Arithmetic.Value v : Arithmetic.noteValues(t.bpm())) {
      if (v.name().matches("quarter|dotted eighth|eighth|eighth triplet|sixteenth")) {
        s.append(
            String.format(
                java.util.Locale.ROOT, "%s %.1f ms, %.2f Hz%n", v.name(), v.ms(), v.hertz()));
      }
    }
    values.setText(s.toString().trim());
    filling = false;
  }

  private void tempo() {
    Template t = desk.templateProperty().get();
    try {
      double bpm = Double.parseDouble(tempo.getText().trim().replace(',', '.'));
      desk.edit(Retune.tempo(t, bpm, proportion.isSelected()));
    } catch (IllegalArgumentException e) {
      desk.messageProperty().set("A tempo between 20 and 400, please.");
      show(t);
    }
  }

  private void key() {
    Template t = desk.templateProperty().get();
    if (!filling && t != null && !key.getValue().equals(t.key().words())) {
      desk.edit(Retune.key(t, Key.parse(key.getValue())));
    }
  }
}
