package looseecho.desktop.hits;

import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextInputControl;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import looseecho.activity.Lane;
import looseecho.analysis.Analysis;
import looseecho.desktop.control.BarChooser;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.control.HereMenu;
import looseecho.desktop.control.Legend;
import looseecho.desktop.control.Tips;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.EchoMaker;
import looseecho.desktop.session.Playback;
import looseecho.desktop.session.Preferences;
import looseecho.desktop.session.Selection;
import looseecho.desktop.theme.Theme;
import looseecho.doubt.Doubt;
import looseecho.echo.Brush;
import looseecho.echo.DrumPart;
import looseecho.echo.Edits;
import looseecho.echo.HeardDrums;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.hits.Hit;
import looseecho.hits.TypicalBar;
import looseecho.project.PracticeLog;
import looseecho.pulse.BarGrid;

/**
 * Every heard hit against the step grid, to be heard alone, corrected and settled; how each drum
 * feels; and tapping a part in.
 */
public final class HitsBench extends VBox {
  private final Desk desk;
  private final Selection selection;
  private final Playback playback;
  private final BarChooser chooser;
  private final Label hint = new Label();
  private final StepChart chart = new StepChart(hint::setText);
  private final FeelChart feel = new FeelChart();
  private final ToggleButton feelView = new ToggleButton("Feel");
  private final ToggleButton alone = new ToggleButton("Alone");
  private final ComboBox<String> merge = new ComboBox<>();
  private final HitCorrector corrector;
  private final TapPanel tapPanel;
  private double settledUntil = -1;
  private BarRows shown = BarRows.EMPTY;

  public HitsBench(
      Desk desk,
      Selection selection,
      Playback playback,
      EchoMaker maker,
      PracticeLog log,
      Preferences preferences) {
    super(6);
    this.desk = desk;
    this.selection = selection;
    this.playback = playback;
    getStyleClass().add("bench");
    chooser = new BarChooser(desk, selection, true);
    corrector = new HitCorrector(desk, selection, chooser.barProperty()::get, chart::cellTicks);
    tapPanel = new TapPanel(desk, selection, playback, maker, this::lane, log, preferences);
    chart.edit(corrector);
    HereMenu.on(
        chart,
        "Put a hit, or keep this one",
        "Y",
        "Take it out",
        "Delete",
        "This drum alone",
        "A",
        "Pull its echo to the lines",
        "Q");
    hint.getStyleClass().add(Theme.QUIET);
    StackPane charts = new StackPane(chart, feel);
    feel.visibleProperty().bind(feelView.selectedProperty());
    chart.visibleProperty().bind(feelView.selectedProperty().not());
    VBox.setVgrow(charts, Priority.ALWAYS);
    Label legend =
        new Legend(
            "Hollow: heard, at its true place; thin where doubtful or not in every bar. Solid: your echo. A change in the typical bar goes to every bar.");
    getChildren().addAll(chooser, tools(), charts, hint, tapPanel, legend);
    desk.analysisProperty().addListener((o, a, b) -> show());
    desk.templateProperty().addListener((o, a, b) -> show());
    selection.sectionProperty().addListener((o, a, b) -> show());
    chooser.barProperty().addListener((o, a, b) -> show());
    chart.drumProperty().addListener((o, a, b) -> chosen(b));
    playback.soloProperty().addListener((o, a, b) -> alone.setSelected(b instanceof DrumPart));
    selection.spotProperty().addListener((o, a, b) -> spot(b));
    addEventHandler(KeyEvent.KEY_PRESSED, this::key);
    show();
  }

  private HBox tools() {
    feelView.setId("feel-view");
    Tips.on(feelView, "How early or late each drum is on each step");
    alone.setId("alone");
    Tips.on(alone, "The drum under the cursor alone, heard and echo (A)");
    alone.setOnAction(e -> solo(alone.isSelected()));
    Button doubtful =
        Buttons.of(
            "doubtful", "Next doubtful", "Goes to the next hit in doubt (D)", this::doubtful);
    Button keep = Buttons.of("keep", "Keep", "The hit under the cursor is right (Y)", this::keep);
    Button quantise =
        Buttons.of(
            "quantise",
            "Pull by 25 %",
            "Pulls the echo's hits of this drum a quarter of the way to their lines (Q); Shift+Q gives a quarter more of their feel",
            this::quantise);
    merge.setId("merge");
    merge.setPromptText("count it as …");
    merge.setPrefWidth(150);
    Tips.on(merge, "Gives all hits of the drum under the cursor to another one");
    merge.setOnAction(e -> merge());
    for (var b : List.of(feelView, alone, doubtful, keep, quantise)) {
      b.setMinWidth(Region.USE_PREF_SIZE);
    }
    HBox box = new HBox(8, feelView, alone, doubtful, keep, quantise, merge);
    box.setAlignment(Pos.CENTER_LEFT);
    return box;
  }

  private Lane lane() {
    DrumPart drum = chart.drumProperty().get();
    return drum == null ? Lane.KICK : drum.lane();
  }

  private void chosen(DrumPart drum) {
    if (drum != null) {
      chart.grid(shown.grid(drum));
    }
    if (playback.soloProperty().get() instanceof DrumPart && drum != null) {
      playback.soloProperty().set(drum);
    }
  }

  private void solo(boolean on) {
    if (on && !playback.canSlow()) {
      desk.messageProperty().set("This works for tracks of up to a quarter of an hour.");
      alone.setSelected(false);
      return;
    }
    playback.soloProperty().set(on ? Part.of(lane()) : null);
  }

  private void doubtful() {
    Optional<Hit> next = corrector.nextDoubtful(settledUntil);
    Template t = desk.templateProperty().get();
    if (next.isEmpty() || t == null) {
      desk.messageProperty().set("No hit is in doubt.");
      return;
    }
    settledUntil = next.get().time();
    show(next.get());
  }

  private void spot(Doubt.Spot spot) {
    Analysis a = desk.analysisProperty().get();
    if (spot != null && spot.lane().isPresent() && a != null && a.pulse().isPresent()) {
      a.hits().stream()
          .filter(h -> h.lane() == spot.lane().get() && h.time() == spot.time())
          .findFirst()
          .filter(h -> desk.templateProperty().get() != null)
          .ifPresent(this::show);
    }
  }

  /** Goes to a hit, so that it can be kept or dropped. */
  private void show(Hit h) {
    Template t = desk.templateProperty().get();
    for (int s = 0; s < t.sections().size(); s++) {
      List<BarGrid.Bar> bars = t.grid(s).bars();
      for (int b = 0; b < bars.size(); b++) {
        if (bars.get(b).number() == h.bar()) {
          chooser.go(s, b);
        }
      }
    }
    chart.place(Part.of(h.lane()), h.tick());
    selection.partProperty().set(Part.of(h.lane()));
    chart.requestFocus();
    playback.player().seek(Math.max(0, h.time() - 0.3));
    desk.messageProperty().set(HitCorrector.words(h));
  }

  private void keep() {
    corrector.toggle(Part.of(lane()), chart.cursorTick());
  }

  private void feel(double amount) {
    Template t = desk.templateProperty().get();
    if (t != null) {
      desk.edit(Brush.feel(t, selection.sectionProperty().get(), Part.of(lane()), amount));
    }
  }

  private void quantise() {
    Template t = desk.templateProperty().get();
    if (t != null) {
      desk.edit(Edits.quantise(t, selection.sectionProperty().get(), Part.of(lane()), 0.25));
    }
  }

  private void merge() {
    String name = merge.getValue();
    if (name == null) {
      return;
    }
    if (name.equals("all as heard")) {
      corrector.unmerge();
    } else {
      for (Lane to : Lane.values()) {
        if (to.words().equals(name) && to != lane()) {
          corrector.merge(lane(), to);
        }
      }
    }
    javafx.application.Platform.runLater(() -> merge.setValue(null));
  }

  private void show() {
    Analysis a = desk.analysisProperty().get();
    Template t = desk.templateProperty().get();
    int section = selection.sectionProperty().get();
    BarRows all = BarRows.of(a, t, section, chooser.barProperty().get());
    BarRows rows = a == null ? all : all.ofTrack(HeardDrums.of(a.hits()));
    shown = rows;
    chart.show(rows);
    chart.grid(rows.grid(Part.of(lane())));
    if (!rows.rows().isEmpty()) {
      List<BarGrid.Bar> bars = t.grid(section).bars();
      int end = bars.get(bars.size() - 1).number() + 1;
      TypicalBar typical = TypicalBar.of(a.hits(), bars.get(0).number(), end);
      feel.show(typical, rows.steps(), rows.stepsPerBeat());
    }
    List<String> names = new java.util.ArrayList<>();
    for (Lane lane : Lane.SHOWN) {
      names.add(lane.words());
    }
    names.add("all as heard");
    if (!names.equals(merge.getItems())) {
      merge.getItems().setAll(names);
    }
  }

  private void key(KeyEvent e) {
    if (e.getTarget() instanceof TextInputControl || e.isShortcutDown()) {
      return;
    }
    switch (e.getCode()) {
      case A -> solo(playback.soloProperty().get() == null);
      case D -> doubtful();
      case Y -> keep();
      case Q -> {
        if (e.isShiftDown()) {
          feel(1.25);
        } else {
          quantise();
        }
      }
      case B -> {
        if (!tapPanel.key(lane(), e.isShiftDown(), e.isAltDown())) {
          return;
        }
      }
      default -> {
        if (!tapped(e)) {
          return;
        }
      }
    }
    e.consume();
  }

  /** While tapping, the digits strike the rows from the top. */
  private boolean tapped(KeyEvent e) {
    int row = e.getCode().ordinal() - KeyCode.DIGIT1.ordinal();
    return e.getCode().isDigitKey()
        && row >= 0
        && row < shown.rows().size()
        && tapPanel.key(shown.rows().get(row).drum().lane(), e.isShiftDown(), e.isAltDown());
  }
}
