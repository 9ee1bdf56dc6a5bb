package looseecho.desktop.ledger;

import java.util.Locale;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.text.Font;
import looseecho.desktop.control.ChartPane;
import looseecho.desktop.theme.Theme;
import looseecho.layers.HeardLayer;

/** How far a layer is pushed down over a beat and when it is back, as a curve. */
final class DuckCurve extends ChartPane {
  private static final double DEEPEST = 24; // decibels at the lower edge
  private static final double TEXT = 34;
  private final HeardLayer.Duck duck;
  private final double beat;

  DuckCurve(HeardLayer.Duck duck, double beat) {
    this.duck = duck;
    this.beat = beat;
    setId("duck-curve");
    setMinHeight(64);
    setPrefHeight(64);
    setAccessibleText("The ducking over a beat");
  }

  @Override
  protected void draw(GraphicsContext g, double w, double h) {
    double wide = w - TEXT;
    g.setStroke(colour(Hue.LINE));
    for (int k = 0; k <= 4; k++) {
      double x = TEXT + Math.round(wide * k / 4) - 0.5;
      g.strokeLine(x, 4, x, h - 4);
    }
    g.setStroke(colour(Hue.HEARD));
    g.setLineWidth(2);
    g.beginPath();
    // In decibels the way back is an exponential that has 10 % left after the recovery.
    double constant = duck.recoveryMs() / 1000 / Math.log(10);
    for (int x = 0; x <= wide; x++) {
      double down = duck.depthDb() * Math.exp(-beat * x / wide / constant);
      double y = 6 + (h - 12) * Math.min(1, down / DEEPEST);
      if (x == 0) {
        g.moveTo(TEXT, y);
      } else {
        g.lineTo(TEXT + x, y);
      }
    }
    g.stroke();
    g.setLineWidth(1);
    g.setFill(colour(Hue.QUIET));
    g.setFont(Font.font(Theme.TEXT_FAMILY, 11));
    g.setTextBaseline(VPos.CENTER);
    g.fillText("0 dB", 0, 8);
    g.fillText(String.format(Locale.ROOT, "-%.0f", DEEPEST), 0, h - 8);
  }
}
