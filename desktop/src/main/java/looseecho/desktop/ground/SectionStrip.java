package looseecho.desktop.ground;

import java.util.List;
import java.util.function.BiFunction;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import looseecho.analysis.Analysis;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.control.Tips;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.Playback;
import looseecho.desktop.session.Selection;
import looseecho.desktop.theme.Theme;
import looseecho.form.Section;
import looseecho.form.SectionEdits;
import looseecho.form.SectionMark;
import looseecho.pulse.Pulse;

/**
 * The chosen section: its name, its role, what changes at its start, and what can be done to it.
 */
final class SectionStrip extends HBox {
  private static final List<String> ROLES =
      List.of("intro", "verse", "lift", "chorus", "drop", "break", "bridge", "outro");
  private final Desk desk;
  private final Selection selection;
  private final Playback playback;
  private final TextField label = new TextField();
  private final ComboBox<String> role = new ComboBox<>();
  private final Label change = new Label();
  private boolean showing;

  SectionStrip(Desk desk, Selection selection, Playback playback) {
    super(8);
    this.desk = desk;
    this.selection = selection;
    this.playback = playback;
    setAlignment(Pos.CENTER_LEFT);
    label.setId("section-label");
    label.setPrefColumnCount(3);
    Tips.on(label, "Sections with the same letter are alike");
    label.setOnAction(e -> renamed());
    label.focusedProperty().addListener((o, a, b) -> renamedAfter(b));
    role.setId("section-role");
    Tips.on(role, "What this section is for; pick or type");
    role.getItems().setAll(ROLES);
    role.setEditable(true);
    role.setPrefWidth(112);
    role.setOnAction(e -> renamed());
    change.setId("section-change");
    change.getStyleClass().add(Theme.QUIET);
    change.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(change, Priority.ALWAYS);
    Button split =
        Buttons.of("split", "Split here", "Split the section at the playhead (S)", this::split);
    Button join =
        Buttons.of("join", "Join", "Join this section to the one before it (J)", this::join);
    Button measured =
        Buttons.of(
            "sections-measured",
            "As heard",
            "Forget your own sections and take those that were heard",
            () -> desk.correct(c -> c.withSections(List.of()), "Sections as they were heard"));
    getChildren().addAll(label, role, change, split, join, measured);
    desk.analysisProperty().addListener((o, a, b) -> show());
    selection.sectionProperty().addListener((o, a, b) -> show());
    show();
  }

  /** Puts the cursor into the name. */
  void editName() {
    label.requestFocus();
    label.selectAll();
  }

  private Section chosen() {
    Analysis a = desk.analysisProperty().get();
    int i = selection.sectionProperty().get();
    return a == null || i < 0 || i >= a.form().sections().size()
        ? null
        : a.form().sections().get(i);
  }

  private void show() {
    Section s = chosen();
    showing = true;
    label.setText(s == null ? "" : s.label());
    role.setValue(s == null ? "" : s.role());
    setDisable(s == null);
    change.setText(s == null ? "" : s.change().words());
    showing = false;
  }

  private void renamedAfter(boolean focused) {
    if (!focused) {
      renamed();
    }
  }

  private void renamed() {
    Section s = chosen();
    String newRole = role.getValue() == null ? "" : role.getValue().strip();
    String newLabel = label.getText().strip();
    boolean same = s == null || newLabel.equals(s.label()) && newRole.equals(s.role());
    if (showing || same || newLabel.isEmpty()) {
      return;
    }
    int i = selection.sectionProperty().get();
    change((a, p) -> SectionEdits.rename(a.form(), i, newLabel, newRole), "Section renamed");
  }

  void split() {
    change(
        (a, p) -> SectionEdits.split(a.form(), p, playback.player().position()), "Section split");
  }

  void join() {
    int i = selection.sectionProperty().get();
    change((a, p) -> SectionEdits.join(a.form(), i), "Sections joined");
  }

  private void change(BiFunction<Analysis, Pulse, List<SectionMark>> edit, String words) {
    Analysis a = desk.analysisProperty().get();
    if (a != null && a.pulse().isPresent() && chosen() != null) {
      desk.correct(c -> c.withSections(edit.apply(a, a.pulse().get())), words);
    }
  }
}
