package looseecho.desktop.sounds;

import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.text.Font;
import looseecho.desktop.control.ChartPane;
import looseecho.desktop.control.Spectrum;
import looseecho.desktop.theme.Theme;
import looseecho.mix.EchoRenderer;

/** A sound alone: its wave with its loudness at the left, its spectrum at the right. */
final class SoundPicture extends ChartPane {
  private static final int RATE = EchoRenderer.RATE;
  private static final double DEEPEST_DB = 60;
  private static final double SPLIT = 0.55;
  private static final double[] MARKS = {50, 100, 200, 500, 1000, 2000, 5000, 10000};

  private float[] sound = new float[0];
  private Spectrum heard = Spectrum.NONE;

  SoundPicture() {
    setId("sound-picture");
    setMinHeight(120);
    setPrefHeight(150);
    setAccessibleText("Wave, loudness and spectrum of the picked layer");
  }

  void show(float[] x) {
    sound = x;
    heard = Spectrum.of(x);
    redraw();
  }

  @Override
  protected void draw(GraphicsContext g, double w, double h) {
    if (sound.length == 0) {
      return;
    }
    wave(g, w * SPLIT - 12, h);
    spectrum(g, w * SPLIT + 12, w, h);
  }

  private void wave(GraphicsContext g, double w, double h) {
    float peak = 1e-6f;
    for (float v : sound) {
      peak = Math.max(peak, Math.abs(v));
    }
    double middle = (h - 16) / 2;
    g.setStroke(colour(Hue.ECHO, 0.8));
    for (int px = 0; px < w; px++) {
      int from = (int) (px / w * sound.length);
      int to = Math.max(from + 1, (int) ((px + 1) / w * sound.length));
      float low = 0;
      float high = 0;
      for (int i = from; i < Math.min(to, sound.length); i++) {
        low = Math.min(low, sound[i]);
        high = Math.max(high, sound[i]);
      }
      g.strokeLine(px, middle - high / peak * middle, px, middle - low / peak * middle);
    }
    g.setFill(colour(Hue.QUIET));
    g.setFont(Font.font(Theme.TEXT_FAMILY, 12));
    g.setTextBaseline(VPos.BOTTOM);
    g.fillText(Math.round(1000.0 * sound.length / RATE) + " ms", w - 48, h);
    g.fillText("wave", 0, h);
  }

  private void spectrum(GraphicsContext g, double left, double right, double h) {
    double bottom = h - 16;
    g.setFont(Font.font(Theme.TEXT_FAMILY, 12));
    g.setTextBaseline(VPos.BOTTOM);
    for (double hz : MARKS) {
      double x = x(hz, left, right);
      g.setStroke(colour(Hue.LINE));
      g.strokeLine(x, 0, x, bottom);
      g.setFill(colour(Hue.QUIET));
      if (hz == 100 || hz == 1000 || hz == 10000) {
        g.fillText(
            hz < 1000 ? Math.round(hz) + " Hz" : Math.round(hz / 1000) + " kHz",
            Math.min(x - 12, right - 38),
            h);
      }
    }
    g.setStroke(colour(Hue.ECHO));
    g.setLineWidth(1.5);
    g.beginPath();
    for (double x = left; x < right; x += 2) {
      double db =
          Math.max(-DEEPEST_DB, heard.level(Spectrum.hertz((x - left) / (right - left)), 1.03));
      double y = -db / DEEPEST_DB * bottom;
      if (x == left) {
        g.moveTo(x, y);
      } else {
        g.lineTo(x, y);
      }
    }
    g.stroke();
    g.setLineWidth(1);
  }

  private static double x(double hz, double left, double right) {
    return left + (right - left) * Spectrum.share(hz);
  }
}
