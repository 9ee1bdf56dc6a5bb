package looseecho.desktop.control;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import javafx.beans.value.ObservableValue;
import javafx.css.CssMetaData;
import javafx.css.SimpleStyleableObjectProperty;
import javafx.css.Styleable;
import javafx.css.StyleableProperty;
import javafx.css.converter.ColorConverter;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.layout.Region;
import javafx.scene.paint.Color;

/**
 * A region drawn on a canvas, with its colours from the stylesheet. Redraws when its size, colours
 * or content change.
 */
public abstract class ChartPane extends Region {
  /** Colours that a chart draws with; named {@code -chart-...} in the stylesheet. */
  public enum Hue {
    GROUND,
    PANEL,
    INK,
    QUIET,
    LINE,
    WASH,
    HEARD,
    ECHO,
    AGREE,
    DOUBT;

    String css() {
      return "-chart-" + name().toLowerCase(java.util.Locale.ROOT);
    }
  }

  private static final List<CssMetaData<? extends Styleable, ?>> META = meta();
  private final Map<Hue, SimpleStyleableObjectProperty<Color>> colours = new EnumMap<>(Hue.class);
  private final Canvas canvas = new Canvas();
  private boolean queued;

  protected ChartPane() {
    getStyleClass().add("chart");
    getChildren().add(canvas);
    for (Hue hue : Hue.values()) {
      @SuppressWarnings("unchecked")
      var data =
          (CssMetaData<Styleable, Color>)
              META.get(META.size() - Hue.values().length + hue.ordinal());
      var property = new SimpleStyleableObjectProperty<>(data, this, hue.css(), Color.GRAY);
      property.addListener((o, a, b) -> redraw());
      colours.put(hue, property);
    }
    setMinSize(0, 0);
  }

  private static List<CssMetaData<? extends Styleable, ?>> meta() {
    List<CssMetaData<? extends Styleable, ?>> list = new ArrayList<>(Region.getClassCssMetaData());
    for (Hue hue : Hue.values()) {
      list.add(
          new CssMetaData<ChartPane, Color>(hue.css(), ColorConverter.getInstance(), Color.GRAY) {
            @Override
            public boolean isSettable(ChartPane c) {
              return true;
            }

            @Override
            public StyleableProperty<Color> getStyleableProperty(ChartPane c) {
              return c.colours.get(hue);
            }
          });
    }
    return List.copyOf(list);
  }

  @Override
  public List<CssMetaData<? extends Styleable, ?>> getCssMetaData() {
    return META;
  }

  /** The stylesheet's colour. */
  protected final Color colour(Hue hue) {
    return colours.get(hue).get();
  }

  /** The stylesheet's colour, partly transparent. */
  protected final Color colour(Hue hue, double opacity) {
    return colour(hue).deriveColor(0, 1, 1, opacity);
  }

  /** Redraws when the value changes. */
  protected final void follow(ObservableValue<?> value) {
    value.addListener((o, a, b) -> redraw());
  }

  /** Draws once before the next frame, however often it is asked for. */
  public final void redraw() {
    if (!queued) {
      queued = true;
      javafx.application.Platform.runLater(
          () -> {
            queued = false;
            paint();
          });
    }
  }

  /** Draws at once, to be measured. */
  public final void drawNow() {
    paint();
  }

  private void paint() {
    double w = canvas.getWidth();
    double h = canvas.getHeight();
    if (w > 0 && h > 0) {
      GraphicsContext g = canvas.getGraphicsContext2D();
      g.clearRect(0, 0, w, h);
      draw(g, w, h);
    }
  }

  /** Draws everything; the canvas is clear. */
  protected abstract void draw(GraphicsContext g, double width, double height);

  @Override
  protected void layoutChildren() {
    double w = getWidth();
    double h = getHeight();
    if (canvas.getWidth() != w || canvas.getHeight() != h) {
      canvas.setWidth(w);
      canvas.setHeight(h);
      redraw();
    }
  }
}
