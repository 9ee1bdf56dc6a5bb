package looseecho.desktop.palette;

import java.util.Arrays;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.text.Font;
import looseecho.desktop.control.ChartPane;
import looseecho.desktop.session.PaletteRow;
import looseecho.desktop.theme.Theme;
import looseecho.dsp.Fft;
import looseecho.mix.EchoRenderer;

/** Two sounds on each other, the track's hollow, the echo's solid: loudness and spectrum. */
final class PairPicture extends ChartPane {
  private static final int RATE = EchoRenderer.RATE;
  private static final int SIZE = 8192;
  private static final double LOW_HZ = 30;
  private static final double HIGH_HZ = 16_000;
  private static final double DEEPEST_DB = 48;
  private static final double SECONDS = 0.5;
  private static final double SPLIT = 0.47;
  private static final int GAP = 24;
  private PaletteRow row;
  private double[] heardBands = new double[0];
  private double[] echoBands = new double[0];

  PairPicture() {
    setId("palette-pair");
    setMinHeight(110);
    setPrefHeight(170);
    setAccessibleText("The picked sound's loudness and spectrum, heard hollow, echo solid");
  }

  void show(PaletteRow now) {
    row = now;
    heardBands = now == null ? new double[0] : spectrum(now.heard().sound());
    echoBands = now == null ? new double[0] : spectrum(now.echo());
    redraw();
  }

  private static double[] spectrum(float[] x) {
    Fft fft = new Fft(SIZE, SIZE);
    float[] m = new float[fft.bins()];
    fft.magnitudes(x, SIZE / 2, m);
    double top = 1e-9;
    for (float v : m) {
      top = Math.max(top, v);
    }
    double by = top;
    double[] out = new double[m.length];
    Arrays.setAll(out, k -> 20 * Math.log10(m[k] / by + 1e-6));
    return out;
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
    spectrum(g, echoBands, split + GAP, w, bottom, true);
    spectrum(g, heardBands, split + GAP, w, bottom, false);
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
      GraphicsContext g, double[] bands, double left, double right, double h, boolean solid) {
    int count = (int) Math.max(2, (right - left) / 3);
    double[] at = new double[count];
    double[] y = new double[count];
    for (int k = 0; k < count; k++) {
      double hz = LOW_HZ * Math.pow(HIGH_HZ / LOW_HZ, (double) k / count);
      int a = (int) Math.max(1, hz * SIZE / RATE);
      int b = (int) Math.max(a + 1, hz * 1.08 * SIZE / RATE);
      double db = -DEEPEST_DB;
      for (int n = a; n < Math.min(b, bands.length); n++) {
        db = Math.max(db, bands[n]);
      }
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
    return left + (right - left) * Math.log(hz / LOW_HZ) / Math.log(HIGH_HZ / LOW_HZ);
  }
}
