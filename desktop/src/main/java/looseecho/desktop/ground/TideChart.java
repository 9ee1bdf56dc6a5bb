package looseecho.desktop.ground;

import java.util.List;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.text.Font;
import looseecho.analysis.Analysis;
import looseecho.desktop.control.ChartPane;
import looseecho.desktop.session.Session;
import looseecho.desktop.theme.Theme;
import looseecho.echo.Words;
import looseecho.form.Form;
import looseecho.form.Section;

/**
 * Loudness per bar as a rising and falling tide, with the sections as reaches of water under it.
 * Click a section to pick it.
 */
final class TideChart extends ChartPane {
  private static final double LOWEST_DB = -24;
  private static final double FOOT = 58;
  private static final double SCALE = 44;
  private final Session session;

  TideChart(Session session) {
    this.session = session;
    setPrefHeight(210);
    setMinHeight(120);
    setAccessibleText("Loudness of every bar with the sections");
    follow(session.analysisProperty());
    follow(session.sectionProperty());
    setOnMouseClicked(e -> pick(e.getX()));
  }

  private void pick(double x) {
    Analysis a = session.analysisProperty().get();
    if (a == null) {
      return;
    }
    double time = (x - SCALE) / (getWidth() - SCALE) * span(a) + start(a);
    for (int i = 0; i < a.form().sections().size(); i++) {
      Section s = a.form().sections().get(i);
      if (time >= s.start() && time < s.end()) {
        session.sectionProperty().set(i);
        session.player().seek(s.start());
        session.player().loop(s.start(), s.end());
      }
    }
  }

  private static double start(Analysis a) {
    return a.form().sections().isEmpty() ? 0 : a.form().sections().get(0).start();
  }

  private static double span(Analysis a) {
    List<Section> s = a.form().sections();
    return s.isEmpty() ? a.duration() : s.get(s.size() - 1).end() - start(a);
  }

  @Override
  protected void draw(GraphicsContext g, double w, double h) {
    Analysis a = session.analysisProperty().get();
    if (a == null || a.form().sections().isEmpty()) {
      return;
    }
    double base = h - FOOT;
    g.setFont(Font.font(Theme.NUMBER_FAMILY, 12));
    g.setTextBaseline(VPos.CENTER);
    for (int db = 0; db >= LOWEST_DB + 6; db -= 6) {
      double y = Math.round(level(db, base)) + 0.5;
      g.setStroke(colour(Hue.LINE));
      g.strokeLine(SCALE, y, w, y);
      g.setFill(colour(Hue.QUIET));
      g.fillText(db == 0 ? "0 dB" : String.valueOf(db).replace('-', '−'), 4, y);
    }
    drawTide(g, a, w, base);
    drawSections(g, a, w, base);
  }

  private static double level(double db, double base) {
    return 12 + (base - 16) * Math.max(0, Math.min(1, db / LOWEST_DB));
  }

  private void drawTide(GraphicsContext g, Analysis a, double w, double base) {
    List<Form.BarEnergy> energy = a.form().energy();
    double y = level(energy.get(0).decibels(), base);
    g.beginPath();
    g.moveTo(x(a, energy.get(0).start(), w), y);
    for (Form.BarEnergy bar : energy) {
      double from = x(a, bar.start(), w);
      double to = x(a, bar.end(), w);
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
    g.setStroke(colour(Hue.LINE));
    for (Form.BarEnergy bar : energy) {
      double bx = Math.round(x(a, bar.start(), w)) + 0.5;
      g.strokeLine(bx, base - 5, bx, base);
    }
  }

  private double x(Analysis a, double time, double w) {
    return SCALE + (time - start(a)) / span(a) * (w - SCALE - 1);
  }

  private void drawSections(GraphicsContext g, Analysis a, double w, double base) {
    List<Section> sections = a.form().sections();
    for (int i = 0; i < sections.size(); i++) {
      Section s = sections.get(i);
      double left = Math.round(x(a, s.start(), w)) + 0.5;
      double right = Math.round(x(a, s.end(), w)) - 2.5;
      boolean chosen = i == session.sectionProperty().get();
      g.setFill(chosen ? colour(Hue.WASH) : colour(Hue.PANEL));
      g.fillRect(left, base + 2, right - left, FOOT - 6);
      g.setStroke(chosen ? colour(Hue.INK) : colour(Hue.LINE));
      g.strokeRect(left, base + 2, right - left, FOOT - 6);
      g.setStroke(colour(Hue.QUIET, 0.5));
      g.setLineDashes(2, 4);
      g.strokeLine(left, 8, left, base);
      g.setLineDashes((double[]) null);
      double room = right - left - 10;
      if (room > 14) {
        g.setFill(colour(Hue.INK));
        g.setFont(Font.font(Theme.TEXT_FAMILY, 15));
        g.fillText(room > 70 ? s.label() + "  " + s.role() : s.label(), left + 6, base + 18, room);
        g.setFill(colour(Hue.QUIET));
        g.setFont(Font.font(Theme.TEXT_FAMILY, 13));
        g.fillText(
            room > 44 ? Words.bars(s.bars()) : String.valueOf(Math.round(s.bars())),
            left + 6,
            base + 38,
            room);
      }
    }
  }
}
