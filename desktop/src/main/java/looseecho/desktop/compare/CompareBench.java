package looseecho.desktop.compare;

import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Spinner;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import looseecho.compare.Comparison;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.control.Legend;
import looseecho.desktop.control.SoundFiles;
import looseecho.desktop.control.Tips;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.Nearness;
import looseecho.desktop.session.Playback;
import looseecho.desktop.theme.Theme;
import looseecho.project.Notebook;

/** How near each element is, the person's own verdict, and what is noticed first. */
public final class CompareBench extends VBox {
  private static final String HELP =
      "100 can't be told from the track; what a listener just notices three times over halves a"
          + " score. In the list: up and down pick, Enter sets it right where that can be done by"
          + " itself, J goes there. What you want to be otherwise is shown, but is no fault.";
  private final Desk desk;
  private final Nearness nearness;
  private final Label state = new Label();

  public CompareBench(Desk desk, Nearness nearness, Playback playback) {
    super(8);
    this.desk = desk;
    this.nearness = nearness;
    getStyleClass().add("bench");
    state.setId("compare-state");
    state.getStyleClass().add(Theme.HEADING);
    Button compare =
        Buttons.of(
            "compare",
            "Compare now",
            "Measures the echo as it is against the track, part by part",
            nearness::compare);
    compare.getStyleClass().add(Theme.PRIMARY);
    Button other =
        Buttons.of(
            "compare-other",
            "With another…",
            "Measures the echo against any other recording, which is heard first, or against the"
                + " echo of another project, such as a former version",
            () ->
                SoundFiles.choose("What to compare with", "*.looseecho")
                    .ifPresent(nearness::compare));
    BlindTest blind = new BlindTest(playback);
    Spinner<Integer> enough = new Spinner<>(1, 100, (int) Notebook.ENOUGH);
    enough.setId("enough");
    enough.setEditable(true);
    enough.setPrefWidth(76);
    Tips.on(enough, "From this score on a part is near enough, in this project");
    enough.valueProperty().addListener((o, a, b) -> nearness.enough(b));
    desk.notebookProperty()
        .addListener((o, a, b) -> enough.getValueFactory().setValue((int) Math.round(b.enough())));
    HBox from = new HBox(6, new Label("near enough from"), enough);
    from.setAlignment(Pos.CENTER_LEFT);
    HBox tools = new HBox(12, compare, other, from, blind);
    HBox.setHgrow(blind, Priority.ALWAYS);
    tools.setAlignment(Pos.CENTER_LEFT);
    ElementTable elements = new ElementTable(desk, nearness, playback);
    FindingList findings = new FindingList(nearness, playback);
    HBox.setHgrow(findings, Priority.ALWAYS);
    HBox middle = new HBox(20, elements, findings);
    VBox.setVgrow(middle, Priority.ALWAYS);
    Label help = new Legend(HELP);
    getChildren().addAll(tools, state, middle, help);
    nearness.comparisonProperty().addListener((o, a, b) -> show());
    desk.templateProperty().addListener((o, a, b) -> show());
    desk.notebookProperty().addListener((o, a, b) -> show());
    show();
  }

  private void show() {
    Comparison c = nearness.comparisonProperty().get();
    if (c == null) {
      state.setText("Not compared yet");
      return;
    }
    String old = nearness.isOld() ? ", before your last changes" : "";
    String with = nearness.other().map(n -> " with " + n).orElse("");
    Notebook notes = desk.notebookProperty().get();
    Comparison counted = c.without(notes.wanted());
    double score = counted.score();
    long near = counted.scores().values().stream().filter(notes::near).count();
    String parts = near + " of " + counted.scores().size() + " near enough";
    state.setText(String.format(Locale.ROOT, "%.0f of 100%s, %s%s", score, with, parts, old));
  }
}
