package looseecho.desktop.ground;

import java.util.Locale;
import javafx.animation.AnimationTimer;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.KeyCode;
import javafx.scene.text.Font;
import looseecho.analysis.Analysis;
import looseecho.desktop.control.ChartPane;
import looseecho.desktop.session.Reference;
import looseecho.desktop.session.Session;
import looseecho.desktop.theme.Theme;
import looseecho.pulse.Beat;

/**
 * A stretch of the wave around the playhead with beat and bar lines. Scroll zooms, click moves the
 * playhead to a beat.
 */
final class WaveChart extends ChartPane {
  private static final double MIN_SPAN = 0.05;
  private static final double MAX_SPAN = 60;
  private static final double HEAD = 20;
  private final Session session;
  private double span = 9;
  private double left;
  private double drawn = -1;

  WaveChart(Session session) {
    this.session = session;
    setId("wave");
    setPrefHeight(170);
    setMinHeight(90);
    setFocusTraversable(true);
    setAccessibleText("The wave near the playhead with its beats");
    follow(session.referenceProperty());
    follow(session.analysisProperty());
    setOnScroll(e -> zoom(Math.pow(1.2, -e.getDeltaY() / 40)));
    setOnMousePressed(
        e -> {
          requestFocus();
          session.player().seek(nearestBeat(left + e.getX() / getWidth() * span));
        });
    setOnKeyPressed(
        e -> {
          if (e.getCode() == KeyCode.DIGIT1) {
            double at = session.player().position();
            session.correct(
                c -> c.withBarOneAt(at), String.format(Locale.ROOT, "Bar 1 set at %.2f s", at));
          } else if (e.getCode() == KeyCode.PLUS || e.getCode() == KeyCode.EQUALS) {
            zoom(0.7);
          } else if (e.getCode() == KeyCode.MINUS) {
            zoom(1.4);
          }
        });
    new AnimationTimer() {
      @Override
      public void handle(long now) {
        if (Math.abs(session.player().position() - drawn) > 0.002) {
          redraw();
        }
      }
    }.start();
  }

  private void zoom(double factor) {
    span = Math.max(MIN_SPAN, Math.min(MAX_SPAN, span * factor));
    redraw();
  }

  private double nearestBeat(double time) {
    Analysis a = session.analysisProperty().get();
    if (a == null || a.pulse().isEmpty()) {
      return time;
    }
    var p = a.pulse().get();
    double beat = p.timeAt(Math.rint(p.beatsAt(time)));
    return Math.abs(beat - time) < span / 40 ? beat : time;
  }

  @Override
  protected void draw(GraphicsContext g, double w, double h) {
    Reference r = session.referenceProperty().get();
    if (r == null) {
      return;
    }
    drawn = session.player().position();
    left = Math.max(0, Math.min(drawn - span / 2, r.peaks().duration() - span));
    g.setFill(colour(Hue.PANEL));
    g.fillRect(0, HEAD, w, h - HEAD);
    drawBeats(g, w, h);
    double middle = HEAD + (h - HEAD) / 2;
    g.setStroke(colour(Hue.HEARD));
    g.setLineWidth(1.5);
    for (int side = -1; side <= 1; side += 2) {
      g.beginPath();
      for (double px = 0; px <= w; px += 1.5) {
        double from = left + px / w * span;
        double p = r.peaks().peak(from, from + 1.5 / w * span);
        double y = middle + side * p * (h - HEAD - 10) / 2;
        if (px == 0) {
          g.moveTo(px, y);
        } else {
          g.lineTo(px, y);
        }
      }
      g.stroke();
    }
    g.setLineWidth(1);
    double x = Math.round((drawn - left) / span * w) + 0.5;
    g.setStroke(colour(Hue.INK));
    g.strokeLine(x, HEAD - 4, x, h);
  }

  private void drawBeats(GraphicsContext g, double w, double h) {
    Analysis a = session.analysisProperty().get();
    if (a == null || a.pulse().isEmpty()) {
      return;
    }
    g.setFont(Font.font(Theme.NUMBER_FAMILY, 12));
    g.setTextBaseline(VPos.CENTER);
    double beatWidth = w / span * 60 / a.pulse().get().tempo().value();
    for (Beat b : a.pulse().get().beats()) {
      double x = Math.round((b.time() - left) / span * w) + 0.5;
      boolean one = b.position() == 1;
      if (x < 0 || x > w || !one && beatWidth < 7) {
        continue;
      }
      g.setStroke(one ? colour(Hue.QUIET) : colour(Hue.LINE));
      g.strokeLine(x, HEAD, x, h);
      if (one && beatWidth * 4 > 24 || beatWidth > 44) {
        g.setFill(one ? colour(Hue.INK) : colour(Hue.QUIET));
        String bar =
            beatWidth > 70 || beatWidth <= 44 && beatWidth * 4 > 70
                ? "bar " + b.bar()
                : String.valueOf(b.bar());
        g.fillText(one ? bar : "." + b.position(), x + 3, HEAD / 2);
      }
    }
  }
}
