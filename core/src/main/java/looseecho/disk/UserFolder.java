package looseecho.disk;

import java.nio.file.Path;

/** Where the program keeps what is the person's: corrections, versions, reports. */
public final class UserFolder {
  private UserFolder() {}

  /** The folder; it may not be there yet. */
  public static Path path() {
    return Machine.here().data();
  }
}
