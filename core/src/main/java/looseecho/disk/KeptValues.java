package looseecho.disk;

import java.io.IOException;
import java.io.Reader;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Properties;

/**
 * A small file of named values that the program keeps for its person. One that can't be read counts
 * as empty, one that can't be written is left out: neither is worth stopping for.
 */
public final class KeptValues {
  private KeptValues() {}

  /** The values of a file; empty where there is none. */
  public static Properties read(Path file) {
    Properties values = new Properties();
    if (!Files.exists(file)) {
      return values;
    }
    try (Reader in = Files.newBufferedReader(file, StandardCharsets.UTF_8)) {
      values.load(in);
    } catch (IOException | IllegalArgumentException e) {
      log().log(System.Logger.Level.DEBUG, "nothing is kept in " + file, e);
    }
    return values;
  }

  /** Writes them as a whole; false where that is not possible. */
  public static boolean write(Path file, Properties values) {
    try {
      Files.createDirectories(file.toAbsolutePath().getParent());
      WholeFile.write(
          file,
          part -> {
            try (Writer out = Files.newBufferedWriter(part, StandardCharsets.UTF_8)) {
              values.store(out, null);
            }
          });
      return true;
    } catch (IOException e) {
      log().log(System.Logger.Level.INFO, "not kept: " + file, e);
      return false;
    }
  }

  /**
   * Asked for when it is needed: it takes a while, and settings are read before the window opens.
   */
  private static System.Logger log() {
    return System.getLogger(KeptValues.class.getName());
  }
}
