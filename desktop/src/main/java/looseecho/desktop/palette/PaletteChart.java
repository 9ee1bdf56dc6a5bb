package looseecho.desktop.palette;

import java.util.List;
import java.util.Locale;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.text.Font;
import looseecho.desktop.control.ChartPane;
import looseecho.desktop.control.HereMenu;
import looseecho.desktop.session.PaletteEar;
import looseecho.desktop.session.PaletteRow;
import looseecho.desktop.theme.Theme;

/** A row per sound: what it is called, its strokes on each other, what it is like, how near. */
final class PaletteChart extends ChartPane {
  private static final double NAMES = 132;
  private static final double FIGURES = 76;
  private static final double LEAST = 140;
  private static final double ROW = 17; // the least that a line of words needs
  private static final double WAVES = 0.42; // of what is left
  private static final double FAR_DB = 12;
  private static final double SHOWN_SECONDS = 0.35;
  private static final int RATE = 44_100;
  private final PaletteEar ear;

  PaletteChart(PaletteEar ear) {
    this.ear = ear;
    setId("palette-chart");
    setFocusTraversable(true);
    setAccessibleText(
        "Sounds of the track: up and down pick one, Enter plays it, Shift and Enter the echo's");
    follow(ear.rowsProperty());
    setMinHeight(LEAST);
    ear.rowsProperty().addListener((o, a, b) -> setMinHeight(Math.max(LEAST, ROW * b.size())));
    follow(ear.pickedProperty());
    focusedProperty().addListener((o, a, b) -> redraw());
    setOnMousePressed(this::press);
    HereMenu.on(this, "Hear the track's", "Enter", "Hear the echo's", "Shift+Enter");
    setOnKeyPressed(this::key);
  }

  private List<PaletteRow> rows() {
    return ear.rowsProperty().get();
  }

  private double row() {
    return Math.min(44, getHeight() / Math.max(1, rows().size()));
  }

  private void press(MouseEvent e) {
    requestFocus();
    e.consume();
    int at = (int) (e.getY() / row());
    if (at >= 0 && at < rows().size()) {
      ear.pick(rows().get(at));
      ear.play(e.isShiftDown());
    }
  }

  private void key(KeyEvent e) {
    if (rows().isEmpty() || e.isShortcutDown() || e.isAltDown()) {
      return;
    }
    int at = rows().indexOf(ear.pickedProperty().get());
    switch (e.getCode()) {
      case UP -> ear.pick(rows().get(Math.max(0, at - 1)));
      case DOWN -> ear.pick(rows().get(Math.min(rows().size() - 1, at + 1)));
      case ENTER -> ear.play(e.isShiftDown());
      default -> {
        return;
      }
    }
    e.consume();
  }

  @Override
  protected void draw(GraphicsContext g, double w, double h) {
    double row = row();
    g.setTextBaseline(VPos.CENTER);
    g.setFont(Font.font(Theme.TEXT_FAMILY, 13));
    double waves = (w - NAMES - FIGURES) * WAVES;
    for (int k = 0; k < rows().size(); k++) {
      PaletteRow r = rows().get(k);
      double y = (k + 0.5) * row;
      boolean picked = r.equals(ear.pickedProperty().get());
      if (picked) {
        g.setFill(colour(Hue.WASH));
        g.fillRect(0, y - row / 2, w, row);
      }
      g.setFill(colour(Hue.INK));
      g.fillText(r.heard().name(), 4, y, NAMES - 10);
      wave(g, r.echo(), NAMES, y, waves, row * 0.42, true);
      wave(g, r.heard().sound(), NAMES, y, waves, row * 0.42, false);
      g.setFill(colour(Hue.QUIET));
      g.fillText(
          String.join(", ", r.like().words()),
          NAMES + waves + 12,
          y,
          w - NAMES - waves - FIGURES - 20);
      g.setFill(colour(r.distance() > FAR_DB ? Hue.DOUBT : Hue.INK));
      g.fillText(String.format(Locale.ROOT, "%.1f dB", r.distance()), w - FIGURES + 14, y);
      if (picked && isFocused()) {
        g.setStroke(colour(Hue.INK));
        g.strokeRoundRect(0.5, y - row / 2 + 0.5, w - 1, row - 1, 6, 6);
      }
    }
  }

  private void wave(
      GraphicsContext g, float[] x, double left, double y, double w, double h, boolean solid) {
    float peak = 1e-6f;
    int count = (int) (SHOWN_SECONDS * RATE);
    for (int i = 0; i < Math.min(count, x.length); i++) {
      peak = Math.max(peak, Math.abs(x[i]));
    }
    int columns = (int) w;
    double[] up = new double[columns];
    for (int c = 0; c < columns; c++) {
      for (int i = (int) ((double) c / columns * count);
          i < Math.min(x.length, (c + 1.0) / columns * count);
          i++) {
        up[c] = Math.max(up[c], Math.abs(x[i]) / peak);
      }
    }
    if (solid) {
      g.setFill(colour(Hue.ECHO, 0.55));
      for (int c = 0; c < columns; c++) {
        g.fillRect(left + c, y - up[c] * h, 1, 2 * up[c] * h);
      }
    } else {
      g.setStroke(colour(Hue.HEARD));
      for (int side = -1; side <= 1; side += 2) {
        g.beginPath();
        for (int c = 0; c < columns; c += 2) {
          double at = Math.max(up[c], c + 1 < columns ? up[c + 1] : 0);
          if (c == 0) {
            g.moveTo(left, y + side * at * h);
          } else {
            g.lineTo(left + c, y + side * at * h);
          }
        }
        g.stroke();
      }
    }
  }
}
