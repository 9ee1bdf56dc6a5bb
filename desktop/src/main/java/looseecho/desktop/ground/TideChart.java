package looseecho.desktop.ground;

import java.util.List;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.Tooltip;
import javafx.scene.input.MouseEvent;
import javafx.scene.text.Font;
import looseecho.analysis.Analysis;
import looseecho.desktop.control.ChartPane;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.Playback;
import looseecho.desktop.session.Selection;
import looseecho.desktop.theme.Theme;
import looseecho.form.Event;
import looseecho.form.Form;
import looseecho.form.Section;

/**
 * Loudness per bar as a rising and falling tide, with the events of the track pinned above it.
 * Click an event to loop it.
 */
final class TideChart extends ChartPane {
  private static final double LOWEST_DB = -24;
  private static final double MARKS = 34; // two rows of event marks
  private final Desk desk;
  private final Playback playback;
  private final Tooltip words = new Tooltip();

  TideChart(Desk desk, Selection selection, Playback playback) {
    this.desk = desk;
    this.playback = playback;
    setId("tide");
    setPrefHeight(170);
    setMinHeight(110);
    setAccessibleText("Loudness of every bar with the events of the track");
    follow(desk.analysisProperty());
    follow(selection.sectionProperty());
    setOnMouseClicked(this::clicked);
    setOnMouseMoved(this::moved);
    Tooltip.install(this, words);
  }

  private Event at(double x, double y) {
    Analysis a = desk.analysisProperty().get();
    if (a == null || y > MARKS) {
      return null;
    }
    TrackScale scale = TrackScale.of(a, getWidth());
    return a.form().events().stream()
        .filter(e -> x >= scale.x(e.start()) - 3 && x <= scale.x(e.end()) + 3)
        .min(java.util.Comparator.comparingDouble(e -> e.end() - e.start()))
        .orElse(null);
  }

  private void moved(MouseEvent m) {
    Event e = at(m.getX(), m.getY());
    words.setText(e == null ? "Loudness bar by bar, 0 dB is the loudest" : e.words());
  }

  private void clicked(MouseEvent m) {
    Event e = at(m.getX(), m.getY());
    if (e != null) {
      playback.player().seek(e.start());
      playback.player().loop(e.start(), e.end());
      desk.messageProperty().set(e.words());
    }
  }

  @Override
  protected void draw(GraphicsContext g, double w, double h) {
    Analysis a = desk.analysisProperty().get();
    if (a == null || a.form().sections().isEmpty()) {
      return;
    }
    TrackScale scale = TrackScale.of(a, w);
    double base = h - 4;
    g.setFont(Font.font(Theme.NUMBER_FAMILY, 12));
    g.setTextBaseline(VPos.CENTER);
    for (int db = 0; db >= LOWEST_DB + 6; db -= 6) {
      double y = Math.round(level(db, base)) + 0.5;
      g.setStroke(colour(Hue.LINE));
      g.strokeLine(TrackScale.MARGIN, y, w, y);
      g.setFill(colour(Hue.QUIET));
      g.fillText(db == 0 ? "0 dB" : String.valueOf(db).replace('-', '−'), 4, y);
    }
    drawTide(g, a, scale, base);
    g.setStroke(colour(Hue.QUIET, 0.5));
    g.setLineDashes(2, 4);
    for (Section s : a.form().sections()) {
      double x = Math.round(scale.x(s.start())) + 0.5;
      g.strokeLine(x, MARKS, x, h);
    }
    g.setLineDashes((double[]) null);
    drawEvents(g, a.form().events(), scale);
  }

  private static double level(double db, double base) {
    return MARKS + 8 + (base - MARKS - 12) * Math.max(0, Math.min(1, db / LOWEST_DB));
  }

  private void drawTide(GraphicsContext g, Analysis a, TrackScale scale, double base) {
    List<Form.BarEnergy> energy = a.form().energy();
    double y = level(energy.get(0).decibels(), base);
    g.beginPath();
    g.moveTo(scale.x(energy.get(0).start()), y);
    for (Form.BarEnergy bar : energy) {
      double from = scale.x(bar.start());
      double to = scale.x(bar.end());
      double next = level(bar.decibels(), base);
      double ease = Math.min(10, (to - from) / 2);
      g.bezierCurveTo(from + ease / 2, y, from + ease / 2, next, from + ease, next);
      g.lineTo(to, next);
      y = next;
    }
    g.setStroke(colour(Hue.HEARD));
    g.setLineWidth(1.5);
    g.stroke();
    g.setLineWidth(1);
  }

  /** Pegs above the tide: a line over the event's length and its name where there is room. */
  private void drawEvents(GraphicsContext g, List<Event> events, TrackScale scale) {
    g.setFont(Font.font(Theme.TEXT_FAMILY, 12));
    double[] taken = {-1e9, -1e9};
    for (Event e : events) {
      double left = scale.x(e.start());
      double right = Math.max(left + 4, scale.x(e.end()));
      int row = left > taken[0] ? 0 : left > taken[1] ? 1 : -1;
      double y = 15 + 16 * Math.max(0, row);
      boolean doubtful = e.confidence() < 0.6;
      g.setStroke(colour(doubtful ? Hue.DOUBT : Hue.INK));
      g.strokeLine(left, y + 0.5, right, y + 0.5);
      g.strokeLine(left, y, left, y + 5);
      if (row >= 0) {
        String word = e.kind().word();
        g.setFill(colour(doubtful ? Hue.DOUBT : Hue.INK));
        g.fillText(word, left, y - 8);
        taken[row] = Math.max(right, left + 6.4 * word.length()) + 6;
      }
    }
  }
}
