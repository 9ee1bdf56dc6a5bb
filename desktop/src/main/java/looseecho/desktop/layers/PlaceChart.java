package looseecho.desktop.layers;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Rectangle2D;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.text.Font;
import looseecho.desktop.control.ChartPane;
import looseecho.desktop.control.EachFrame;
import looseecho.desktop.session.LayerEar;
import looseecho.desktop.session.Playback;
import looseecho.desktop.theme.Theme;
import looseecho.layers.Collision;
import looseecho.layers.CollisionFinder;
import looseecho.layers.HeardLayer;

/**
 * Where each layer stands: left to right by its place and width, low to high by its band. What
 * sounds at the playhead is filled, what is silent is a faint outline; dashed where two of those
 * that sound get in each other's way.
 */
final class PlaceChart extends ChartPane {
  private static final double LOW_HZ = 30;
  private static final double HIGH_HZ = 20_000;
  private static final double[] MARKS = {100, 1000, 10_000};
  private static final double LEFT = 52;
  private final LayerEar ear;
  private final Playback playback;
  private final List<Rectangle2D> named = new ArrayList<>();
  private List<HeardLayer> drawn = List.of();

  PlaceChart(LayerEar ear, Playback playback) {
    this.ear = ear;
    this.playback = playback;
    setId("layer-places");
    setMinHeight(90);
    setPrefHeight(190);
    setAccessibleText("Bands against places of the layers at the playhead");
    follow(ear.layersProperty());
    follow(ear.pickedProperty());
    EachFrame.of(this, this::tick);
  }

  private void tick() {
    double time = playback.player().position();
    List<HeardLayer> now = ear.layersProperty().get().stream().filter(l -> l.sounds(time)).toList();
    if (!now.equals(drawn)) {
      drawn = now;
      redraw();
    }
  }

  private static double y(double hz, double h) {
    double share = Math.log(hz / LOW_HZ) / Math.log(HIGH_HZ / LOW_HZ);
    return (h - 18) * (1 - Math.max(0, Math.min(1, share)));
  }

  @Override
  protected void draw(GraphicsContext g, double w, double h) {
    g.setFont(Font.font(Theme.TEXT_FAMILY, 12));
    g.setTextBaseline(VPos.CENTER);
    g.setStroke(colour(Hue.LINE));
    for (double hz : MARKS) {
      double y = Math.round(y(hz, h)) + 0.5;
      g.strokeLine(LEFT, y, w, y);
      g.setFill(colour(Hue.QUIET));
      g.fillText(hz < 1000 ? "100 Hz" : Math.round(hz / 1000) + " kHz", 0, y);
    }
    g.fillText("left", LEFT, h - 8);
    g.fillText("middle", (LEFT + w) / 2 - 18, h - 8);
    g.fillText("right", w - 28, h - 8);
    named.clear();
    HeardLayer picked = ear.pickedProperty().get();
    if (picked != null && ear.layersProperty().get().contains(picked)) {
      box(g, picked, w, h);
    }
    for (HeardLayer l : ear.layersProperty().get()) {
      if (!l.equals(picked)) {
        box(g, l, w, h);
      }
    }
    collisions(g, w, h);
  }

  private void box(GraphicsContext g, HeardLayer l, double w, double h) {
    double from = left(l, w);
    double to = right(l, w);
    double top = y(l.highHz(), h);
    double bottom = Math.max(top + 4, y(l.lowHz(), h));
    boolean picked = l.equals(ear.pickedProperty().get());
    if (drawn.contains(l)) {
      g.setFill(colour(Hue.HEARD, picked ? 0.7 : 0.22));
      g.fillRoundRect(from, top, to - from, bottom - top, 6, 6);
    }
    g.setStroke(colour(picked ? Hue.INK : Hue.HEARD, drawn.contains(l) || picked ? 1 : 0.35));
    g.setLineWidth(picked ? 2 : 1);
    g.strokeRoundRect(from, top, to - from, bottom - top, 6, 6);
    g.setLineWidth(1);
    if (picked || drawn.contains(l)) {
      name(g, l, picked, Math.min(w - 84, to + 4), Math.min(h - 26, top + 8));
    }
  }

  /** Where two that sound get in each other's way. */
  private void collisions(GraphicsContext g, double w, double h) {
    g.setLineDashes(4, 3);
    g.setStroke(colour(Hue.DOUBT));
    for (Collision c : CollisionFinder.find(drawn)) {
      double top = y(c.highHz(), h);
      double bottom = Math.max(top + 4, y(c.lowHz(), h));
      double from = Math.max(left(c.first(), w), left(c.second(), w));
      double to = Math.min(right(c.first(), w), right(c.second(), w));
      g.strokeRoundRect(from, top, Math.max(8, to - from), bottom - top, 6, 6);
    }
    g.setLineDashes();
  }

  private static double centre(HeardLayer l, double w) {
    return LEFT + (w - LEFT) * (0.5 + 0.45 * l.image().pan());
  }

  private static double half(HeardLayer l, double w) {
    return Math.max(7, (w - LEFT) * 0.45 * Math.min(1, 2 * l.image().width()));
  }

  private static double left(HeardLayer l, double w) {
    return Math.max(LEFT, centre(l, w) - half(l, w));
  }

  private static double right(HeardLayer l, double w) {
    return Math.min(w, centre(l, w) + half(l, w));
  }

  /** A name where none lies yet; that of the picked layer always. */
  private void name(GraphicsContext g, HeardLayer l, boolean picked, double x, double y) {
    Rectangle2D place = new Rectangle2D(x, y - 8, 84, 16);
    if (picked || named.stream().noneMatch(place::intersects)) {
      named.add(place);
      g.setFill(colour(picked ? Hue.INK : Hue.QUIET));
      g.fillText(l.name(), x, y, 84);
    }
  }
}
