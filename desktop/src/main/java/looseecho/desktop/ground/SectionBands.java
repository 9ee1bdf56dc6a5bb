package looseecho.desktop.ground;

import java.util.List;
import javafx.geometry.VPos;
import javafx.scene.Cursor;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.text.Font;
import looseecho.analysis.Analysis;
import looseecho.desktop.control.ChartPane;
import looseecho.desktop.control.HereMenu;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.Playback;
import looseecho.desktop.session.Selection;
import looseecho.desktop.theme.Theme;
import looseecho.echo.Words;
import looseecho.form.Section;
import looseecho.form.SectionEdits;

/**
 * The sections as bands to pick and to change: drag an edge to the beat it belongs on, split, join.
 */
final class SectionBands extends ChartPane {
  private static final double GRIP = 6; // pixels around an edge
  private final Desk desk;
  private final Selection selection;
  private final Playback playback;
  private final Runnable rename;
  private int dragged = -1;
  private double dragX;

  /** {@code rename} is called when the chosen section shall get another name. */
  SectionBands(Desk desk, Selection selection, Playback playback, Runnable rename) {
    this.desk = desk;
    this.selection = selection;
    this.playback = playback;
    this.rename = rename;
    setId("bands");
    setPrefHeight(54);
    setMinHeight(50);
    setMaxHeight(60);
    setFocusTraversable(true);
    setAccessibleText("The sections: arrows pick, comma and full stop move the edge, S splits");
    follow(desk.analysisProperty());
    follow(selection.sectionProperty());
    follow(focusedProperty());
    setOnMouseMoved(e -> setCursor(edge(e.getX()) > 0 ? Cursor.H_RESIZE : Cursor.DEFAULT));
    setOnMousePressed(this::pressed);
    HereMenu.on(
        this,
        "Rename",
        "Enter",
        "Begins a beat earlier",
        "Comma",
        "Begins a beat later",
        "Period",
        "Split at the playhead",
        "S",
        "Join to the one before",
        "J");
    setOnMouseDragged(this::draggedTo);
    setOnMouseReleased(this::released);
    setOnKeyPressed(this::key);
  }

  private TrackScale scale() {
    return TrackScale.of(desk.analysisProperty().get(), getWidth());
  }

  private List<Section> sections() {
    Analysis a = desk.analysisProperty().get();
    return a == null ? List.of() : a.form().sections();
  }

  /** The section whose start is under the pointer; 0 or less for none. */
  private int edge(double x) {
    for (int i = 1; i < sections().size(); i++) {
      if (Math.abs(scale().x(sections().get(i).start()) - x) <= GRIP) {
        return i;
      }
    }
    return -1;
  }

  private void pressed(MouseEvent e) {
    requestFocus();
    dragged = edge(e.getX());
    dragX = e.getX();
    if (dragged < 0 && !sections().isEmpty()) {
      double time = scale().time(e.getX());
      for (int i = 0; i < sections().size(); i++) {
        if (time >= sections().get(i).start() && time < sections().get(i).end()) {
          pick(i);
        }
      }
      if (e.getClickCount() == 2) {
        rename.run();
      }
    }
    e.consume();
  }

  private void pick(int i) {
    Section s = sections().get(i);
    selection.sectionProperty().set(i);
    playback.player().seek(s.start());
    playback.player().loop(s.start(), s.end());
  }

  private void draggedTo(MouseEvent e) {
    if (dragged > 0) {
      dragX = e.getX();
      redraw();
    }
  }

  private void released(MouseEvent e) {
    if (dragged > 0) {
      int i = dragged;
      dragged = -1;
      move(i, scale().time(e.getX()));
    }
  }

  private void move(int i, double time) {
    Analysis a = desk.analysisProperty().get();
    a.pulse()
        .ifPresent(
            p ->
                desk.correct(
                    c -> c.withSections(SectionEdits.move(a.form(), p, i, time)),
                    "Edge of " + sections().get(i).label() + " moved"));
  }

  private void key(KeyEvent e) {
    int i = selection.sectionProperty().get();
    if (i < 0 || i >= sections().size()) {
      return;
    }
    double beat = 60 / desk.analysisProperty().get().pulse().orElseThrow().tempo().value();
    switch (e.getCode()) {
      case LEFT -> pick(Math.max(0, i - 1));
      case RIGHT -> pick(Math.min(sections().size() - 1, i + 1));
      case COMMA -> move(i, sections().get(i).start() - beat);
      case PERIOD -> move(i, sections().get(i).start() + beat);
      case ENTER -> rename.run();
      default -> {
        return;
      }
    }
    e.consume();
  }

  @Override
  protected void draw(GraphicsContext g, double w, double h) {
    if (sections().isEmpty()) {
      return;
    }
    g.setTextBaseline(VPos.CENTER);
    for (int i = 0; i < sections().size(); i++) {
      Section s = sections().get(i);
      double left = edgeX(i);
      double right =
          i + 1 < sections().size() ? edgeX(i + 1) - 3 : Math.round(scale().x(s.end())) - 2.5;
      band(g, s, left, Math.max(left + 2, right), h, i == selection.sectionProperty().get());
    }
    if (isFocused()) {
      g.setStroke(colour(Hue.HEARD));
      g.strokeLine(TrackScale.MARGIN, h - 0.5, w, h - 0.5);
    }
  }

  private double edgeX(int i) {
    return Math.round(i == dragged ? dragX : scale().x(sections().get(i).start())) + 0.5;
  }

  private void band(
      GraphicsContext g, Section s, double left, double right, double h, boolean chosen) {
    g.setFill(colour(chosen ? Hue.WASH : Hue.PANEL));
    g.fillRect(left, 1.5, right - left, h - 5);
    g.setStroke(colour(chosen ? Hue.INK : Hue.LINE));
    g.strokeRect(left, 1.5, right - left, h - 5);
    if (s.confidence() < 0.6) {
      g.setStroke(colour(Hue.DOUBT));
      g.strokeLine(left + 2, 4, left + 2, h - 6);
    }
    double room = right - left - 10;
    if (room > 14) {
      g.setFill(colour(Hue.INK));
      g.setFont(Font.font(Theme.TEXT_FAMILY, 15));
      g.fillText(room > 70 ? s.label() + "  " + s.role() : s.label(), left + 6, 17, room);
      g.setFill(colour(Hue.QUIET));
      g.setFont(Font.font(Theme.TEXT_FAMILY, 13));
      String bars = room > 44 ? Words.bars(s.bars()) : Words.bars(s.bars()).replaceAll(" .*", "");
      g.fillText(bars, left + 6, 36, room);
    }
  }
}
