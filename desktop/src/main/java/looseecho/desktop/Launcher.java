package looseecho.desktop;

import java.util.List;
import javafx.application.Application;
import looseecho.desktop.session.Preferences;
import looseecho.project.CorrectionStore;

/** Starts the window. Not an Application itself, so that it starts from the class path. */
public final class Launcher {
  private Launcher() {}

  /** The toolkit asks for the scale once, before its first window. */
  private static void scale(int percent) {
    if (percent > 0) {
      System.setProperty("glass.gtk.uiScale", percent + "%");
      System.setProperty("glass.win.uiScale", percent + "%");
    }
  }

  /** Ends with 2 for wrong usage. */
  public static void main(String[] args) {
    try {
      Options.parse(List.of(args));
    } catch (IllegalArgumentException e) {
      System.err.println("loose-echo: " + e.getMessage());
      System.exit(2);
    }
    scale(Preferences.read(CorrectionStore.folderOfUser()).look().scalePercent());
    Settled.atTheEnd();
    Ahead.begin();
    Application.launch(App.class, args);
  }
}
