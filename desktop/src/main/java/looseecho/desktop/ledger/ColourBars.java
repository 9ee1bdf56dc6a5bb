package looseecho.desktop.ledger;

import java.util.Locale;
import java.util.function.BiConsumer;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.text.Font;
import looseecho.desktop.control.ChartPane;
import looseecho.desktop.theme.Theme;
import looseecho.mix.Colour;

/**
 * The octaves of a colour as bars up and down from a line; dragged, by arrow keys, and back to
 * nothing by a double click.
 */
final class ColourBars extends ChartPane {
  private static final String[] NAMES = {"63", "125", "250", "500", "1k", "2k", "4k", "8k"};
  private static final double SHOWN_DB = 18;
  private static final double HEIGHT = 58;
  private static final double FOOT = 14;

  private final BiConsumer<Colour, String> changed;
  private Colour colour;
  private int band;

  /** What was changed comes with its words, such as "1k +2.0 dB". */
  ColourBars(String name, Colour colour, BiConsumer<Colour, String> changed) {
    this.colour = colour;
    this.changed = changed;
    setId("bars-" + name);
    setMinHeight(HEIGHT);
    setPrefHeight(HEIGHT);
    setPrefWidth(140);
    setFocusTraversable(true);
    setAccessibleText(
        name + ": eight octaves, left and right to pick one, up and down to change it");
    focusedProperty().addListener((o, a, b) -> redraw());
    setOnMousePressed(
        e -> {
          requestFocus();
          band = bandAt(e);
          if (e.getClickCount() == 2) {
            set(0);
            told();
          } else {
            set(db(e));
          }
        });
    setOnMouseDragged(e -> set(db(e)));
    setOnMouseReleased(e -> told());
    setOnKeyPressed(this::key);
  }

  private int bandAt(MouseEvent e) {
    return (int) Math.max(0, Math.min(Colour.BANDS - 1.0, e.getX() / getWidth() * Colour.BANDS));
  }

  private double db(MouseEvent e) {
    double half = (getHeight() - FOOT) / 2;
    return Math.rint(2 * SHOWN_DB * (half - e.getY()) / half) / 2;
  }

  private void set(double db) {
    colour = colour.with(band, db);
    redraw();
  }

  private void told() {
    changed.accept(
        colour, String.format(Locale.ROOT, "%s %+.1f dB", NAMES[band], colour.db().get(band)));
  }

  private void key(KeyEvent e) {
    switch (e.getCode()) {
      case LEFT -> band = Math.max(0, band - 1);
      case RIGHT -> band = Math.min(Colour.BANDS - 1, band + 1);
      case UP, DOWN -> {
        set(colour.db().get(band) + (e.getCode() == javafx.scene.input.KeyCode.UP ? 1 : -1));
        told();
      }
      default -> {
        return;
      }
    }
    redraw();
    e.consume();
  }

  @Override
  protected void draw(GraphicsContext g, double w, double h) {
    double half = (h - FOOT) / 2;
    double step = w / Colour.BANDS;
    g.setStroke(colour(Hue.LINE));
    g.strokeLine(0, Math.round(half) + 0.5, w, Math.round(half) + 0.5);
    g.setFont(Font.font(Theme.TEXT_FAMILY, 10));
    g.setTextBaseline(VPos.BOTTOM);
    for (int k = 0; k < Colour.BANDS; k++) {
      double db = Math.max(-SHOWN_DB, Math.min(SHOWN_DB, colour.db().get(k)));
      double top = half * (1 - db / SHOWN_DB);
      g.setFill(colour(Hue.ECHO, 0.85));
      g.fillRect(k * step + 3, Math.min(half, top), step - 6, Math.max(1.5, Math.abs(top - half)));
      boolean picked = k == band && isFocused();
      g.setFill(colour(picked ? Hue.INK : Hue.QUIET));
      if (k % 2 == 0 || picked) { // the others would touch each other
        g.fillText(NAMES[k], k * step + 2, h, 2 * step);
      }
    }
  }
}
