package looseecho.desktop.ledger;

import java.io.File;
import java.nio.file.Path;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.session.Session;
import looseecho.desktop.theme.Theme;
import looseecho.echo.Arithmetic;
import looseecho.echo.GrooveLift;
import looseecho.echo.Retune;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.echo.Words;
import looseecho.exchange.MidiGroove;
import looseecho.notes.Key;
import looseecho.notes.Scale;
import looseecho.project.ProjectFile;

/** Tempo and key of the new beat, with the arithmetic; and the groove of another section. */
final class RetunePanel extends VBox {
  private final Session session;
  private final TextField tempo = new TextField();
  private final CheckBox proportion = new CheckBox("timing in proportion");
  private final ComboBox<String> key = new ComboBox<>();
  private final ComboBox<String> groove = new ComboBox<>();
  private final Label values = new Label();
  private boolean filling;

  RetunePanel(Session session) {
    super(4);
    this.session = session;
    tempo.setId("echo-tempo");
    tempo.setPrefWidth(84);
    tempo.setOnAction(e -> tempo());
    proportion.setId("in-proportion");
    proportion.setSelected(true);
    key.setId("echo-key");
    for (Scale scale : Scale.ofKeys()) {
      for (int tonic = 0; tonic < 12; tonic++) {
        key.getItems().add(new Key(tonic, scale).words());
      }
    }
    key.setVisibleRowCount(12);
    key.setOnAction(e -> key());
    groove.setId("groove-from");
    groove.setPromptText("groove of …");
    values.getStyleClass().add(Theme.SMALL);
    values.setId("note-values");
    getChildren()
        .addAll(
            ReadingRow.heading("Tempo and key of the new beat"),
            new FlowPane(6, 4, tempo, key),
            proportion,
            values,
            ReadingRow.heading("Groove from elsewhere"),
            new FlowPane(
                6,
                4,
                groove,
                Buttons.of(
                    "groove-half", "Half", "Half of its timing and loudness", () -> lift(0.5)),
                Buttons.of(
                    "groove-whole", "Whole", "All of its timing and loudness", () -> lift(1))));
    session.templateProperty().addListener((o, a, b) -> show(b));
    show(session.templateProperty().get());
  }

  private void show(Template t) {
    if (t == null) {
      return;
    }
    filling = true;
    tempo.setText(Words.bpm(t.bpm()).replace(" BPM", ""));
    key.setValue(t.key().words());
    groove
        .getItems()
        .setAll(
            java.util.stream.IntStream.range(0, t.sections().size())
                .mapToObj(i -> (i + 1) + "  " + name(t.sections().get(i)))
                .toList());
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

  private static String name(TemplateSection s) {
    return s.label() + " " + s.role();
  }

  private void tempo() {
    Template t = session.templateProperty().get();
    try {
      double bpm = Double.parseDouble(tempo.getText().trim().replace(',', '.'));
      session.edit(Retune.tempo(t, bpm, proportion.isSelected()));
    } catch (IllegalArgumentException e) {
      session.messageProperty().set("A tempo between 20 and 400, please.");
      show(t);
    }
  }

  private void key() {
    Template t = session.templateProperty().get();
    if (!filling && t != null && !key.getValue().equals(t.key().words())) {
      session.edit(Retune.key(t, Key.parse(key.getValue())));
    }
  }

  private void choose() {
    FileChooser chooser = new FileChooser();
    chooser.setTitle("The groove of a MIDI file or of a project");
    chooser
        .getExtensionFilters()
        .add(
            new FileChooser.ExtensionFilter("MIDI and projects", "*.mid", "*.midi", "*.looseecho"));
    File file = chooser.showOpenDialog(getScene().getWindow());
    if (file != null) {
      liftFrom(file.toPath());
    }
  }

  /** Puts a file's groove on the section at work. */
  private void liftFrom(Path file) {
    int section = session.sectionProperty().get();
    session
        .work()
        .start(
            p ->
                file.toString().endsWith(".looseecho")
                    ? GrooveLift.of(new ProjectFile().read(file).template(), 0)
                    : MidiGroove.read(file),
            g -> session.edit(g.ontoAll(session.templateProperty().get(), section, 1)),
            e -> session.messageProperty().set(e.getMessage()));
  }

  private void lift(double strength) {
    Template t = session.templateProperty().get();
    int from = groove.getSelectionModel().getSelectedIndex();
    if (t == null || from < 0) {
      session.messageProperty().set("Pick the section whose groove it shall be.");
      return;
    }
    session.edit(GrooveLift.of(t, from).ontoAll(t, session.sectionProperty().get(), strength));
  }
}
