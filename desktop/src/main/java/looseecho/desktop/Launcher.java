package looseecho.desktop;

import java.util.List;
import javafx.application.Application;

/** Starts the window. Not an Application itself, so that it starts from the class path. */
public final class Launcher {
  private Launcher() {}

  /** Ends with 2 for wrong usage. */
  public static void main(String[] args) {
    try {
      Options.parse(List.of(args));
    } catch (IllegalArgumentException e) {
      System.err.println("loose-echo: " + e.getMessage());
      System.exit(2);
    }
    Application.launch(App.class, args);
  }
}
