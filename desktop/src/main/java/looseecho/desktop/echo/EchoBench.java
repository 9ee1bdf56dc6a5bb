package looseecho.desktop.echo;

import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import looseecho.analysis.Analysis;
import looseecho.desktop.control.BarChooser;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.control.HereMenu;
import looseecho.desktop.control.Tips;
import looseecho.desktop.hits.BarRows;
import looseecho.desktop.hits.StepChart;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.EchoMaker;
import looseecho.desktop.session.OwnAudio;
import looseecho.desktop.session.Playback;
import looseecho.desktop.session.Selection;
import looseecho.desktop.theme.Theme;
import looseecho.echo.Arrangement;
import looseecho.echo.Cell;
import looseecho.echo.DrumPart;
import looseecho.echo.Edits;
import looseecho.echo.Part;
import looseecho.echo.Stretch;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.pulse.BarGrid;

/** The arrangement above, the bar at work below: change a part or a step and hear it. */
public final class EchoBench extends VBox {
  private static final int NEW_VELOCITY = 96;
  private static final int BARS_SHOWN = 8; // of one part alone
  private static final double LOWEST_CHART = 196; // nine lanes and the bass still apart

  private static final String HELP =
      "Outlines: heard; filled: your echo. Click a step, or Enter; Shift and arrows: loudness, time; Alt and ←, →: length.";

  private final Desk desk;
  private final Selection selection;
  private final EchoMaker maker;
  private final BarChooser chooser;
  private final StepChart chart;
  private final StrokeTools strokes;
  private final ToggleButton onePart = new ToggleButton("One part");

  public EchoBench(
      Desk desk,
      Selection selection,
      Playback playback,
      EchoMaker maker,
      OwnAudio own,
      Runnable export) {
    super(5);
    this.desk = desk;
    this.selection = selection;
    this.maker = maker;
    getStyleClass().add("bench");
    chooser = new BarChooser(desk, selection, false);
    Label hint = new Label(HELP);
    hint.getStyleClass().add(Theme.SMALL);
    chart = new StepChart(words -> hint.setText(words.isEmpty() ? HELP : words));
    chart.edit(new Pen());
    here();
    VBox.setVgrow(chart, Priority.ALWAYS);
    chart.setMinHeight(LOWEST_CHART);
    ArrangementChart arrangement =
        new ArrangementChart(
            desk, selection, maker, words -> hint.setText(words.isEmpty() ? HELP : words));
    PartTools parts = new PartTools(desk, selection, new Cursor(), own);
    HBox tools =
        tools(
            new ArrangementTools(desk, selection, playback, maker, arrangement, parts),
            own,
            export);
    strokes = new StrokeTools(desk, selection, new Cursor(), this::copyBar);
    onePart.setId("one-part");
    onePart.getStyleClass().add(Theme.CHIP);
    Tips.on(onePart, "The picked drum alone, bar under bar (Z)");
    HBox shown = new HBox(8, chooser, onePart);
    shown.setAlignment(Pos.CENTER_LEFT);
    HBox.setHgrow(chooser, Priority.ALWAYS);
    CourseChart courses = new CourseChart(desk, selection);
    MoveChips moves = new MoveChips(desk, selection, courses::show);
    getChildren().addAll(arrangement, tools, moves, courses, shown, strokes, chart, hint);
    chart
        .drumProperty()
        .addListener(
            (o, a, b) -> {
              if (b != null) {
                selection.partProperty().set(b);
              }
            });
    desk.analysisProperty().addListener((o, a, b) -> show());
    desk.templateProperty()
        .addListener(
            (o, a, b) -> {
              stillThere(b);
              show();
            });
    selection.sectionProperty().addListener((o, a, b) -> show());
    chooser.barProperty().addListener((o, a, b) -> show());
    selection.gridProperty().addListener((o, a, b) -> chart.grid(b));
    onePart.selectedProperty().addListener((o, a, b) -> show());
    selection.partProperty().addListener((o, a, b) -> alone().ifPresent(d -> show()));
    chart
        .rowProperty()
        .addListener(
            (o, a, b) -> {
              if (alone().isPresent()) {
                int bar = Math.max(0, chooser.barProperty().get());
                chooser.barProperty().set(bar / BARS_SHOWN * BARS_SHOWN + b.intValue());
              }
            });
    addEventHandler(KeyEvent.KEY_PRESSED, this::key);
    show();
  }

  /** A picked part that is no more gives way to the first of its kind. */
  private void stillThere(Template t) {
    Part picked = selection.partProperty().get();
    if (t != null && picked.number() > 1 && !Part.of(t).contains(picked)) {
      selection.partProperty().set(picked.numbered(1));
    }
  }

  private void key(KeyEvent e) {
    if (e.isShortcutDown() || e.isAltDown()) {
      return;
    }
    if (e.getCode() == KeyCode.C) {
      copyBar();
      e.consume();
    } else if (e.getCode() == KeyCode.B) {
      chart.mark();
      e.consume();
    } else if (e.getCode() == KeyCode.Z) {
      onePart.setSelected(!onePart.isSelected());
      e.consume();
    } else if (strokes.key(e)) {
      e.consume();
    }
  }

  /** What can be done at a step. */
  private void here() {
    HereMenu.on(
        chart,
        "Put a stroke, or take it",
        "Enter",
        "Louder",
        "Shift+Up",
        "Softer",
        "Shift+Down",
        "Later",
        "Shift+Right",
        "Flam or roll",
        "V",
        "A semitone up",
        "P");
  }

  private HBox tools(ArrangementTools arrangement, OwnAudio own, Runnable export) {
    MoveTools moves = new MoveTools(desk, selection, own);
    HBox.setHgrow(moves, Priority.ALWAYS);
    arrangement.setAlignment(Pos.CENTER_LEFT);
    Button out =
        Buttons.of("export", "Export…", "MIDI, the mix and a stem per part (Ctrl+E)", export);
    out.getStyleClass().add(Theme.PRIMARY);
    HBox tools =
        new HBox(
            8,
            arrangement,
            moves,
            Buttons.of("undo", "Undo", "Ctrl+Z", desk::undo),
            Buttons.of("redo", "Redo", "Ctrl+Shift+Z", desk::redo),
            out);
    tools.setAlignment(Pos.CENTER_LEFT);
    return tools;
  }

  /** The chart's cursor in the section at work. */
  private final class Cursor implements StrokeTools.Place {
    @Override
    public Optional<Cell> cell(Template t) {
      DrumPart drum = chart.drumProperty().get();
      return drum == null ? Optional.empty() : EchoBench.this.cell(t, drum, chart.cursorTick());
    }

    @Override
    public Stretch stretch(Template t) {
      int section = selection.sectionProperty().get();
      BarGrid.Bar bar = EchoBench.this.bar(t);
      if (chart.markTick().isEmpty()) {
        return new Stretch(section, bar.from(), bar.end());
      }
      int mark = chart.markTick().getAsInt();
      int from = Math.min(mark, chart.cursorTick());
      int to = Math.max(mark, chart.cursorTick()) + chart.cellTicks();
      return new Stretch(
          section, Math.max(bar.from(), bar.tick(from)), Math.min(bar.end(), bar.tick(to)));
    }

    @Override
    public int bar() {
      return Math.max(0, chooser.barProperty().get());
    }
  }

  private BarGrid.Bar bar(Template t) {
    List<BarGrid.Bar> bars = t.grid(selection.sectionProperty().get()).bars();
    return bars.get(Math.max(0, Math.min(bars.size() - 1, chooser.barProperty().get())));
  }

  /** A place of the bar shown; empty where a bar that is cut short has none. */
  private Optional<Cell> cell(Template t, DrumPart drum, int inBar) {
    BarGrid.Bar bar = bar(t);
    return bar.has(inBar)
        ? Optional.of(
            new Cell(
                selection.sectionProperty().get(),
                drum,
                bar.tick(inBar),
                selection.gridProperty().get()))
        : Optional.empty();
  }

  private void copyBar() {
    Template t = desk.templateProperty().get();
    int section = selection.sectionProperty().get();
    int bar = Math.max(0, chooser.barProperty().get());
    if (t != null && bar + 1 < t.grid(section).size()) {
      desk.edit(Arrangement.copyBar(t, section, selection.partProperty().get(), bar, bar + 1));
      chooser.barProperty().set(bar + 1);
    }
  }

  /** The drum that is shown alone; empty where all are shown. */
  private Optional<DrumPart> alone() {
    return onePart.isSelected() ? selection.partProperty().get().asDrum() : Optional.empty();
  }

  private void show() {
    Analysis a = desk.analysisProperty().get();
    Template t = desk.templateProperty().get();
    int section = selection.sectionProperty().get();
    int bar = Math.max(0, chooser.barProperty().get());
    Optional<DrumPart> drum = alone();
    if (drum.isEmpty()) {
      chart.show(BarRows.of(a, t, section, bar));
      return;
    }
    chart.show(BarRows.ofPart(a, t, section, drum.get(), bar, BARS_SHOWN));
    chart.row(bar % BARS_SHOWN);
  }

  /** Turns gestures on the chart into edits of the template. */
  private final class Pen implements StepChart.Editor {
    @Override
    public void toggle(DrumPart drum, int inBar) {
      Template t = desk.templateProperty().get();
      cell(t, drum, inBar).ifPresent(c -> toggle(t, c));
    }

    private void toggle(Template t, Cell cell) {
      List<Stroke> hits = t.sections().get(cell.section()).hits(cell.drum());
      desk.edit(Edits.toggle(t, cell, NEW_VELOCITY, strokes.everyBar()));
      if (hits.stream().noneMatch(cell::holds)) {
        maker.audition(cell.drum(), NEW_VELOCITY);
      }
    }

    @Override
    public void length(DrumPart drum, int inBar, int longer) {
      Template t = desk.templateProperty().get();
      cell(t, drum, inBar).ifPresent(c -> desk.edit(Edits.length(t, c, longer)));
    }

    @Override
    public void shape(DrumPart drum, int inBar, int louder, double laterMs) {
      Template t = desk.templateProperty().get();
      Optional<Cell> cell = cell(t, drum, inBar);
      cell.flatMap(
              c -> t.sections().get(c.section()).hits(drum).stream().filter(c::holds).findFirst())
          .ifPresent(
              h -> {
                desk.edit(Edits.shape(t, cell.get(), louder, laterMs));
                maker.audition(drum, h.loud(h.velocity() + louder).velocity());
              });
    }
  }
}
