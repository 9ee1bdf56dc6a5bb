package looseecho.exchange;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;

/**
 * Writes a file beside its place and moves it there when it is complete, so that a failed write
 * loses nothing.
 */
public final class WholeFile {
  private WholeFile() {}

  /** Writes to a path. */
  public interface Body {
    void write(Path part) throws IOException;
  }

  public static void write(Path path, Body body) throws IOException {
    Path part = path.resolveSibling("." + path.getFileName() + ".part");
    try {
      body.write(part);
      Files.move(part, path, StandardCopyOption.REPLACE_EXISTING);
    } finally {
      Files.deleteIfExists(part);
    }
  }
}
