package looseecho.desktop;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Properties;
import javafx.geometry.Rectangle2D;
import looseecho.desktop.control.TimeWindow;
import looseecho.disk.KeptValues;

/**
 * What comes back at the next start.
 *
 * @param place where the window was; empty for the middle of the screen
 * @param full true when it filled the screen
 * @param bench the last one
 * @param zoom seconds that the wave shows
 */
record Remembered(Optional<Rectangle2D> place, boolean full, Bench bench, double zoom) {
  /** At the first start. */
  static final Remembered NOTHING =
      new Remembered(Optional.empty(), false, Bench.GROUND, TimeWindow.USUAL);

  private static final String FILE = "window.properties";
  private static final double SEEN = 100; // pixels of a window that can be taken hold of

  /** From a folder; nothing where there is none or it can't be read. */
  static Remembered read(Path folder) {
    Properties p = KeptValues.read(folder.resolve(FILE));
    try {
      Rectangle2D place =
          new Rectangle2D(number(p, "x"), number(p, "y"), number(p, "width"), number(p, "height"));
      return new Remembered(
          Optional.of(place),
          Boolean.parseBoolean(p.getProperty("full")),
          Bench.valueOf(p.getProperty("bench", "")),
          number(p, "zoom"));
    } catch (IllegalArgumentException e) {
      System.getLogger(Remembered.class.getName())
          .log(System.Logger.Level.DEBUG, "nothing is remembered", e);
      return NOTHING;
    }
  }

  private static double number(Properties p, String name) {
    double value = Double.parseDouble(p.getProperty(name, ""));
    if (!(Math.abs(value) < 1e5)) {
      throw new IllegalArgumentException(name + " " + value);
    }
    return value;
  }

  /** Keeps it in a folder; where that fails the window opens as the first time. */
  void keep(Path folder) {
    Properties p = new Properties();
    place.ifPresent(
        r -> {
          p.setProperty("x", String.valueOf(r.getMinX()));
          p.setProperty("y", String.valueOf(r.getMinY()));
          p.setProperty("width", String.valueOf(r.getWidth()));
          p.setProperty("height", String.valueOf(r.getHeight()));
        });
    p.setProperty("full", String.valueOf(full));
    p.setProperty("bench", bench.name());
    p.setProperty("zoom", String.valueOf(zoom));
    KeptValues.write(folder.resolve(FILE), p);
  }

  /** Where the window goes on these screens: where it can be taken hold of, no larger than one. */
  Optional<Rectangle2D> placeOn(List<Rectangle2D> screens) {
    return place.flatMap(
        r -> screens.stream().filter(s -> isSeen(r, s)).findFirst().map(s -> fitted(r, s)));
  }

  private static boolean isSeen(Rectangle2D r, Rectangle2D s) {
    return r.getMinY() >= s.getMinY() - 1
        && r.getMinY() < s.getMaxY() - SEEN
        && r.getMaxX() > s.getMinX() + SEEN
        && r.getMinX() < s.getMaxX() - SEEN;
  }

  /** As it is, unless it was left on a larger screen. */
  private static Rectangle2D fitted(Rectangle2D r, Rectangle2D s) {
    double width = Math.min(r.getWidth(), s.getWidth());
    double height = Math.min(r.getHeight(), s.getHeight());
    double x = width < r.getWidth() ? s.getMinX() : r.getMinX();
    double y = height < r.getHeight() ? s.getMinY() : r.getMinY();
    return new Rectangle2D(x, y, width, height);
  }
}
