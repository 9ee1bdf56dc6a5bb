package looseecho.disk;

import java.nio.file.Path;

/** Where the program keeps what is the person's: corrections, versions, reports. */
public final class UserFolder {
  private UserFolder() {}

  /** The folder; it may not be there yet. */
  public static Path path() {
    String xdg = System.getenv("XDG_DATA_HOME");
    Path base =
        xdg == null || xdg.isBlank()
            ? Path.of(System.getProperty("user.home"), ".local", "share")
            : Path.of(xdg);
    return base.resolve("loose-echo");
  }
}
