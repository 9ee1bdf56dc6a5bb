package looseecho.desktop.palette;

import java.util.Arrays;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.text.Font;
import looseecho.desktop.control.ChartPane;
import looseecho.desktop.control.Spectrum;
import looseecho.desktop.session.PaletteRow;
import looseecho.desktop.theme.Theme;
import looseecho.mix.EchoRenderer;

/** Two sounds on each other, the track's hollow, the echo's solid: loudness and spectrum. */
final class PairPicture extends ChartPane {
  private static final int RATE = EchoRenderer.RATE;
  private static final double DEEPEST_DB = 48;
  private static final double SECONDS = 0.5;
  private static final double SPLIT = 0.47;
  private static final int GAP = 24;
  private PaletteRow row;
  private Spectrum heard = Spectrum.NONE;
  private Spectrum echo = Spectrum.NONE;

  PairPicture() {
    setId("palette-pair");
    setMinHeight(60);
    setPrefHeight(170);
    setAccessibleText("The picked sound's loudness and spectrum, heard hollow, echo solid");
  }

  void show(PaletteRow now) {
    row = now;
    heard = now == null ? Spectrum.NONE : Spectrum.of(now.heard().sound());
    echo = now == null ? Spectrum.NONE : Spectrum.of(now.echo());
    redraw();
  }

  @Override
  protected void draw(GraphicsContext g, double w, double h) {
    if (row == null) {
      return;
    }
    g.setFont(Font.font(Theme.TEXT_FAMILY, 12));
    g.setTextBaseline(VPos.BOTTOM);
    double bottom = h - 16;
    double split = w * SPLIT;
    g.setFill(colour(Hue.QUIET));
    g.fillText("loudness over half a second", 0, h);
    for (double hz : new double[] {100, 1000, 10_000}) {
      double x = x(hz, split + GAP, w);
      g.setStroke(colour(Hue.LINE));
      g.strokeLine(x, 0, x, bottom);
      g.fillText(
          hz < 1000 ? "100 Hz" : Math.round(hz / 1000) + " kHz", Math.min(x - 12, w - 40), h);
    }
    loudness(g, row.echo(), split, bottom, true);
    loudness(g, row.heard().sound(), split, bottom, false);
    spectrum(g, echo, split + GAP, w, bottom, true);
    spectrum(g, heard, split + GAP, w, bottom, false);
  }

  private void loudness(GraphicsContext g, float[] x, double w, double h, boolean solid) {
    double top = 1e-9;
    int step = RATE / 500;
    int count = (int) (SECONDS * RATE / step);
    double[] level = new double[count];
    for (int k = 0; k < count; k++) {
      for (int i = k * step; i < Math.min(x.length, (k + 4) * step); i++) {
        level[k] += x[i] * x[i];
      }
      top = Math.max(top, level[k]);
    }
    double[] y = new double[count];
    double by = top;
    Arrays.setAll(y, k -> down(10 * Math.log10(level[k] / by + 1e-6), h));
    double[] at = new double[count];
    Arrays.setAll(at, k -> w * k / count);
    line(g, at, y, h, solid);
  }

  private void spectrum(
      GraphicsContext g, Spectrum of, double left, double right, double h, boolean solid) {
    int count = (int) Math.max(2, (right - left) / 3);
    double[] at = new double[count];
    double[] y = new double[count];
    for (int k = 0; k < count; k++) {
      double db = of.level(Spectrum.hertz((double) k / count), 1.08);
      at[k] = left + (right - left) * k / count;
      y[k] = down(db, h);
    }
    line(g, at, y, h, solid);
  }

  private void line(GraphicsContext g, double[] x, double[] y, double bottom, boolean solid) {
    g.beginPath();
    g.moveTo(x[0], solid ? bottom : y[0]);
    for (int k = 0; k < x.length; k++) {
      g.lineTo(x[k], y[k]);
    }
    if (solid) {
      g.lineTo(x[x.length - 1], bottom);
      g.closePath();
      g.setFill(colour(Hue.ECHO, 0.45));
      g.fill();
    } else {
      g.setStroke(colour(Hue.HEARD));
      g.setLineWidth(1.6);
      g.stroke();
      g.setLineWidth(1);
    }
  }

  private static double down(double db, double h) {
    return Math.min(1, -db / DEEPEST_DB) * h;
  }

  private static double x(double hz, double left, double right) {
    return left + (right - left) * Spectrum.share(hz);
  }
}
