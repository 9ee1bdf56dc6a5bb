package looseecho.desktop.sounds;

import java.util.Arrays;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.text.Font;
import looseecho.desktop.control.ChartPane;
import looseecho.desktop.theme.Theme;
import looseecho.dsp.Fft;
import looseecho.mix.EchoRenderer;

/** A sound alone: its wave with its loudness at the left, its spectrum at the right. */
final class SoundPicture extends ChartPane {
  private static final int RATE = EchoRenderer.RATE;
  private static final int SIZE = 8192;
  private static final double LOW_HZ = 30;
  private static final double HIGH_HZ = 16000;
  private static final double DEEPEST_DB = 60;
  private static final double SPLIT = 0.55;
  private static final double[] MARKS = {50, 100, 200, 500, 1000, 2000, 5000, 10000};

  private float[] sound = new float[0];
  private double[] decibels = new double[0];

  SoundPicture() {
    setId("sound-picture");
    setMinHeight(120);
    setPrefHeight(150);
    setAccessibleText("Wave, loudness and spectrum of the picked layer");
  }

  void show(float[] x) {
    sound = x;
    decibels = x.length == 0 ? new double[0] : spectrum(x);
    redraw();
  }

  private static double[] spectrum(float[] x) {
    Fft fft = new Fft(SIZE, SIZE);
    float[] m = new float[fft.bins()];
    double[] out = new double[m.length];
    for (int at = SIZE / 4; at < Math.max(SIZE / 2, x.length); at += SIZE / 2) {
      fft.magnitudes(x, at, m);
      for (int k = 0; k < out.length; k++) {
        out[k] = Math.max(out[k], m[k]);
      }
    }
    double top = Arrays.stream(out).max().orElse(1e-9) + 1e-9;
    return Arrays.stream(out).map(v -> 20 * Math.log10(v / top + 1e-6)).toArray();
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
      double hz = LOW_HZ * Math.pow(HIGH_HZ / LOW_HZ, (x - left) / (right - left));
      int a = (int) Math.max(1, hz * SIZE / RATE);
      int b = (int) Math.max(a + 1, hz * 1.03 * SIZE / RATE);
      double db = -DEEPEST_DB;
      for (int k = a; k < Math.min(b, decibels.length); k++) {
        db = Math.max(db, decibels[k]);
      }
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
    return left + (right - left) * Math.log(hz / LOW_HZ) / Math.log(HIGH_HZ / LOW_HZ);
  }
}
