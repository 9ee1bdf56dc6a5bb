package looseecho.desktop.ground;

import java.util.List;
import java.util.Locale;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.text.Font;
import looseecho.analysis.Analysis;
import looseecho.desktop.control.ChartPane;
import looseecho.desktop.session.Desk;
import looseecho.desktop.theme.Theme;
import looseecho.echo.Words;

/** The tempo from bar to bar: level where one tempo holds, a line that wanders where it drifts. */
final class TempoCurve extends ChartPane {
  private static final double LEAST_RANGE = 0.02; // of the tempo: small wanderings stay small
  private final Desk desk;

  TempoCurve(Desk desk) {
    this.desk = desk;
    setId("tempo-curve");
    setPrefHeight(44);
    setMinHeight(40);
    setMaxHeight(48);
    setAccessibleText("The tempo from bar to bar");
    follow(desk.analysisProperty());
  }

  @Override
  protected void draw(GraphicsContext g, double w, double h) {
    Analysis a = desk.analysisProperty().get();
    if (a == null || a.pulse().isEmpty() || a.form().sections().isEmpty()) {
      return;
    }
    TrackScale scale = TrackScale.of(a, w);
    double middle = a.pulse().get().tempo().value();
    List<double[]> map = a.pulse().get().tempoMap();
    double low = middle;
    double high = middle;
    for (double[] bar : map) {
      low = Math.min(low, bar[1]);
      high = Math.max(high, bar[1]);
    }
    double range = Math.max(LEAST_RANGE * middle, Math.max(high - middle, middle - low)) * 1.15;
    g.setStroke(colour(Hue.LINE));
    g.strokeLine(TrackScale.MARGIN, Math.round(h / 2) + 0.5, w, Math.round(h / 2) + 0.5);
    g.setStroke(colour(Hue.HEARD));
    g.setLineWidth(1.5);
    g.beginPath();
    for (int i = 0; i < map.size(); i++) {
      double y = h / 2 - (map.get(i)[1] - middle) / range * (h / 2 - 6);
      double x = scale.x(map.get(i)[0]);
      double to = i + 1 < map.size() ? scale.x(map.get(i + 1)[0]) : scale.x(scale.end());
      if (i == 0) {
        g.moveTo(x, y);
      } else {
        g.lineTo(x, y);
      }
      g.lineTo(to, y);
    }
    g.stroke();
    g.setLineWidth(1);
    g.setFill(colour(Hue.QUIET));
    g.setFont(Font.font(Theme.TEXT_FAMILY, 12));
    g.setTextBaseline(VPos.CENTER);
    g.fillText("BPM", 4, h / 2);
    String words =
        a.pulse().get().steady()
            ? Words.bpm(middle) + " throughout"
            : String.format(Locale.ROOT, "%.1f to %.1f BPM", low, high);
    g.fillText(words, TrackScale.MARGIN + 4, h - 7);
  }
}
