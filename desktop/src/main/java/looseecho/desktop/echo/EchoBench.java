package looseecho.desktop.echo;

import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import looseecho.activity.Lane;
import looseecho.desktop.control.BarChooser;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.hits.BarRows;
import looseecho.desktop.hits.StepChart;
import looseecho.desktop.session.Session;
import looseecho.desktop.theme.Theme;
import looseecho.echo.Arrangement;
import looseecho.echo.Edits;
import looseecho.echo.Part;
import looseecho.echo.StepHit;
import looseecho.echo.Template;

/** The arrangement above, the bar at work below: change a part or a step and hear it. */
public final class EchoBench extends VBox {
  private static final int NEW_VELOCITY = 96;
  private static final double LOWEST_CHART = 205; // nine lanes and the bass still apart

  private final Session session;
  private final BarChooser chooser;
  private final CheckBox everyBar = new CheckBox("in every bar");
  private final StepChart chart;

  public EchoBench(Session session, Runnable export) {
    super(5);
    this.session = session;
    getStyleClass().add("bench");
    chooser = new BarChooser(session, false);
    Label hint = new Label();
    hint.getStyleClass().add(Theme.QUIET);
    chart = new StepChart(hint::setText);
    chart.edit(new Pen());
    VBox.setVgrow(chart, Priority.ALWAYS);
    chart.setMinHeight(LOWEST_CHART);
    ArrangementChart arrangement = new ArrangementChart(session, hint::setText);
    everyBar.setId("every-bar");
    everyBar.setSelected(true);
    HBox tools = tools(export);
    Label help =
        new Label(
            "Above, outlines: heard; filled: your echo. Below, click a step, or arrows and Enter; Shift with the arrows: loudness, earlier and later.");
    help.getStyleClass().add(Theme.SMALL);
    getChildren()
        .addAll(
            arrangement,
            new ArrangementTools(session, arrangement),
            chooser,
            tools,
            chart,
            hint,
            help);
    chart
        .laneProperty()
        .addListener(
            (o, a, b) -> {
              if (b != null) {
                session.partProperty().set(Part.of(b));
              }
            });
    session.analysisProperty().addListener((o, a, b) -> show());
    session.templateProperty().addListener((o, a, b) -> show());
    session.sectionProperty().addListener((o, a, b) -> show());
    chooser.barProperty().addListener((o, a, b) -> show());
    addEventHandler(KeyEvent.KEY_PRESSED, this::key);
    show();
  }

  private void key(KeyEvent e) {
    if (e.isShortcutDown()) {
      return;
    }
    if (e.getCode() == KeyCode.V) {
      ornament();
      e.consume();
    } else if (e.getCode() == KeyCode.C) {
      copyBar();
      e.consume();
    }
  }

  private HBox tools(Runnable export) {
    Region gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    Button out =
        Buttons.of("export", "Export…", "MIDI, the mix and a stem per part (Ctrl+E)", export);
    out.getStyleClass().add(Theme.PRIMARY);
    HBox tools =
        new HBox(
            8,
            everyBar,
            Buttons.of(
                "ornament",
                "Flam, roll",
                "On the hit under the cursor, round and round (V)",
                this::ornament),
            Buttons.of(
                "copy-bar",
                "To next bar",
                "Copies the part's bar over the one behind it and goes there (C)",
                this::copyBar),
            gap,
            Buttons.of("undo", "Undo", "Ctrl+Z", session::undo),
            Buttons.of("redo", "Redo", "Ctrl+Shift+Z", session::redo),
            out);
    tools.setAlignment(Pos.CENTER_LEFT);
    return tools;
  }

  private void ornament() {
    Lane lane = chart.laneProperty().get();
    Template t = session.templateProperty().get();
    if (lane != null && t != null) {
      int at = Math.max(0, chooser.barProperty().get()) * t.stepsPerBar() + chart.cursorStep();
      session.edit(Edits.ornament(t, session.sectionProperty().get(), lane, at));
    }
  }

  private void copyBar() {
    Template t = session.templateProperty().get();
    int section = session.sectionProperty().get();
    int bar = Math.max(0, chooser.barProperty().get());
    if (t != null && bar + 1 < BarChooser.bars(t, section)) {
      session.edit(Arrangement.copyBar(t, section, session.partProperty().get(), bar, bar + 1));
      chooser.barProperty().set(bar + 1);
    }
  }

  private void show() {
    chart.show(
        BarRows.of(
            session.analysisProperty().get(),
            session.templateProperty().get(),
            session.sectionProperty().get(),
            Math.max(0, chooser.barProperty().get())));
  }

  /** Turns gestures on the chart into edits of the template. */
  private final class Pen implements StepChart.Editor {
    private int at(Template t, int step) {
      return Math.max(0, chooser.barProperty().get()) * t.stepsPerBar() + step;
    }

    @Override
    public void toggle(Lane lane, int step) {
      Template t = session.templateProperty().get();
      int section = session.sectionProperty().get();
      int at = at(t, step);
      if (at >= t.sections().get(section).beats() * t.stepsPerBar() / t.beatsPerBar()) {
        return; // the last bar of an odd section ends before this step
      }
      boolean there = t.sections().get(section).hits(lane).stream().anyMatch(h -> h.step() == at);
      session.edit(Edits.toggle(t, section, lane, at, NEW_VELOCITY, everyBar.isSelected()));
      if (!there) {
        session.maker().audition(lane, NEW_VELOCITY);
      }
    }

    @Override
    public void length(Lane lane, int step, int longer) {
      Template t = session.templateProperty().get();
      int section = session.sectionProperty().get();
      session.edit(Edits.length(t, section, lane, at(t, step), longer));
    }

    @Override
    public void shape(Lane lane, int step, int louder, double laterMs) {
      Template t = session.templateProperty().get();
      int section = session.sectionProperty().get();
      for (StepHit h : t.sections().get(section).hits(lane)) {
        if (h.step() == at(t, step)) {
          int velocity = Math.max(1, Math.min(127, h.velocity() + louder));
          session.edit(Edits.shape(t, section, lane, h.step(), velocity, h.offsetMs() + laterMs));
          session.maker().audition(lane, velocity);
          return;
        }
      }
    }
  }
}
