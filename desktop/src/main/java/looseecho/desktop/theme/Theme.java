package looseecho.desktop.theme;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import javafx.scene.Scene;
import javafx.scene.text.Font;

/** Loads fonts and the stylesheet; switches day and night. */
public final class Theme {
  public static final String TITLE = "title";
  public static final String HEADING = "heading";
  public static final String QUIET = "quiet";
  public static final String SMALL = "small";
  public static final String NUMBER = "number";
  public static final String BIG_NUMBER = "big-number";
  public static final String KEY = "key";
  public static final String CHIP = "chip";
  public static final String PRIMARY = "primary";
  public static final String DOUBTFUL = "doubtful";
  public static final String SETTLED = "settled";
  private static final String NIGHT = "night";
  private static final String CALM = "calm";

  /** Families of the bundled fonts, for drawing on canvases. */
  public static final String TEXT_FAMILY = "Cabin";

  public static final String NUMBER_FAMILY = "League Mono";

  private Theme() {}

  public static void apply(Scene scene) {
    for (String file :
        new String[] {"Cabin-Regular.otf", "Cabin-SemiBold.otf", "LeagueMono-Regular.otf"}) {
      try (InputStream in = Theme.class.getResourceAsStream(file)) {
        Font.loadFont(in, 14);
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }
    scene.getStylesheets().add(Theme.class.getResource("app.css").toExternalForm());
  }

  /** Night when true, day when false. */
  public static void night(Scene scene, boolean on) {
    mark(scene, NIGHT, on);
  }

  /** Nothing glides when true. */
  public static void calm(Scene scene, boolean on) {
    mark(scene, CALM, on);
  }

  public static boolean isCalm(Scene scene) {
    return scene != null && scene.getRoot().getStyleClass().contains(CALM);
  }

  private static void mark(Scene scene, String style, boolean on) {
    scene.getRoot().getStyleClass().remove(style);
    if (on) {
      scene.getRoot().getStyleClass().add(style);
    }
  }
}
