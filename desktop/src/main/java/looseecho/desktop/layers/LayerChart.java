package looseecho.desktop.layers;

import java.util.List;
import java.util.Locale;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.text.Font;
import looseecho.desktop.control.ChartPane;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.LayerEar;
import looseecho.desktop.session.Playback;
import looseecho.desktop.theme.Theme;
import looseecho.form.Section;
import looseecho.layers.HeardLayer;

/**
 * Layers over the whole track: filled where one sounds, the fuller the louder; a line where it is
 * silent between its first and last moment; a slanted line where something opens or closes, grows
 * or fades. At the right how loud it is.
 */
final class LayerChart extends ChartPane {
  private static final double NAMES = 140;
  private static final double FIGURES = 64;
  private static final double HEAD = 20;
  private static final double SOFTEST = -30;
  private final Desk desk;
  private final LayerEar ear;
  private final Playback playback;

  LayerChart(Desk desk, LayerEar ear, Playback playback) {
    this.desk = desk;
    this.ear = ear;
    this.playback = playback;
    setId("layer-chart");
    setFocusTraversable(true);
    setAccessibleText("Layers over the track: up and down pick one, Enter lets it be heard alone");
    follow(ear.layersProperty());
    follow(ear.pickedProperty());
    focusedProperty().addListener((o, a, b) -> redraw());
    setOnMousePressed(this::press);
    setOnKeyPressed(this::key);
  }

  private List<HeardLayer> layers() {
    return ear.layersProperty().get();
  }

  /** Height at which the names of so many layers still stand apart. */
  static double least(int layers) {
    return HEAD + 14 * layers;
  }

  private double row() {
    return Math.min(26, (getHeight() - HEAD) / Math.max(1, layers().size()));
  }

  private double x(double time) {
    double end = desk.referenceProperty().get().audio().duration();
    return NAMES + (getWidth() - NAMES - FIGURES) * time / end;
  }

  private void press(MouseEvent e) {
    requestFocus();
    e.consume();
    int at = (int) ((e.getY() - HEAD) / row());
    if (e.getY() > HEAD && at < layers().size()) {
      ear.pick(layers().get(at));
      if (e.getX() > NAMES && e.getX() < getWidth() - FIGURES) {
        double end = desk.referenceProperty().get().audio().duration();
        playback.player().seek(end * (e.getX() - NAMES) / (getWidth() - NAMES - FIGURES));
      }
    }
  }

  private void key(KeyEvent e) {
    if (layers().isEmpty() || e.isShortcutDown() || e.isAltDown()) {
      return;
    }
    HeardLayer picked = ear.pickedProperty().get();
    int at = picked == null ? -1 : layers().indexOf(picked);
    switch (e.getCode()) {
      case UP -> ear.pick(layers().get(Math.max(0, at - 1)));
      case DOWN -> ear.pick(layers().get(Math.min(layers().size() - 1, at + 1)));
      default -> {
        return;
      }
    }
    e.consume();
  }

  @Override
  protected void draw(GraphicsContext g, double w, double h) {
    if (desk.referenceProperty().get() == null || layers().isEmpty()) {
      return;
    }
    double row = row();
    double bottom = HEAD + row * layers().size();
    g.setTextBaseline(VPos.CENTER);
    g.setFont(Font.font(Theme.TEXT_FAMILY, row < 17 ? 12 : 13));
    sections(g, bottom);
    for (int k = 0; k < layers().size(); k++) {
      HeardLayer l = layers().get(k);
      double y = HEAD + (k + 0.5) * row;
      boolean picked = l.equals(ear.pickedProperty().get());
      if (picked) {
        g.setFill(colour(Hue.WASH));
        g.fillRect(0, y - row / 2, w, row);
      }
      g.setFill(colour(Hue.INK));
      g.fillText(l.name(), 4, y, NAMES - 10);
      spans(g, l, y, row);
      g.setFill(colour(Hue.QUIET));
      g.fillText(String.format(Locale.ROOT, "%+.0f dB", l.levelDb()), w - FIGURES + 10, y);
      if (picked && isFocused()) {
        g.setStroke(colour(Hue.INK));
        g.strokeRoundRect(0.5, y - row / 2 + 0.5, w - 1, row - 1, 6, 6);
      }
    }
  }

  private void sections(GraphicsContext g, double bottom) {
    if (desk.analysisProperty().get() == null) {
      return;
    }
    for (Section s : desk.analysisProperty().get().form().sections()) {
      double x = Math.round(x(s.start())) + 0.5;
      g.setStroke(colour(Hue.LINE));
      g.strokeLine(x, 0, x, bottom);
      g.setFill(colour(Hue.INK));
      g.fillText(s.label(), x + 3, HEAD / 2);
    }
  }

  private void spans(GraphicsContext g, HeardLayer l, double y, double row) {
    double loud = Math.max(0.12, 1 - l.levelDb() / SOFTEST);
    double height = Math.max(3, (row - 4) * loud);
    double first = x(l.active().get(0).start());
    double last = x(l.active().get(l.active().size() - 1).end());
    g.setStroke(colour(Hue.LINE));
    g.strokeLine(first, y, last, y);
    g.setFill(colour(Hue.HEARD, 0.85));
    for (HeardLayer.Span s : l.active()) {
      double from = x(s.start());
      g.fillRoundRect(from, y - height / 2, Math.max(2, x(s.end()) - from), height, 4, 4);
    }
    g.setStroke(colour(Hue.INK));
    g.setLineWidth(1.5);
    for (HeardLayer.Move m : l.moves()) {
      double rise = (row - 6) / 2 * (m.to() > m.from() ? 1 : -1);
      g.strokeLine(x(m.start()), y + rise, x(m.end()), y - rise);
    }
    g.setLineWidth(1);
  }
}
