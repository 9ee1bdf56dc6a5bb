package looseecho.project;

import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import looseecho.analysis.Corrections;
import looseecho.exchange.WholeFile;

/**
 * Keeps corrections apart from what was measured: one small JSON file per reference, found by the
 * sound file's hash.
 */
public final class CorrectionStore {
  private final Path folder;
  private final ObjectMapper json = new ObjectMapper();

  public CorrectionStore(Path folder) {
    this.folder = folder;
  }

  public Path folder() {
    return folder;
  }

  /** The user's own store. */
  public static CorrectionStore ofUser() {
    String xdg = System.getenv("XDG_DATA_HOME");
    Path base =
        xdg == null || xdg.isBlank()
            ? Path.of(System.getProperty("user.home"), ".local", "share")
            : Path.of(xdg);
    return new CorrectionStore(base.resolve("loose-echo").resolve("corrections"));
  }

  /** SHA-256 of the file's bytes, in hex. */
  public static String fingerprint(Path file) throws IOException {
    try (InputStream in = Files.newInputStream(file)) {
      MessageDigest digest = MessageDigest.getInstance("SHA-256");
      byte[] buffer = new byte[1 << 16];
      for (int n = in.read(buffer); n > 0; n = in.read(buffer)) {
        digest.update(buffer, 0, n);
      }
      return HexFormat.of().formatHex(digest.digest());
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("every JDK has SHA-256", e);
    }
  }

  /** What is stored; {@link Corrections#NONE} when there is nothing or it can't be understood. */
  public Corrections load(String fingerprint) {
    Path file = folder.resolve(fingerprint + ".json");
    if (!Files.exists(file)) {
      return Corrections.NONE;
    }
    try {
      return CorrectionJson.read(json.readTree(file.toFile()));
    } catch (IOException | IllegalArgumentException e) {
      System.getLogger(getClass().getName())
          .log(System.Logger.Level.WARNING, "corrections can't be read: " + file, e);
      return Corrections.NONE;
    }
  }

  /** Stores the corrections of one reference. */
  public void save(String fingerprint, Corrections c) throws IOException {
    Files.createDirectories(folder);
    WholeFile.write(
        folder.resolve(fingerprint + ".json"),
        part -> json.writeValue(part.toFile(), CorrectionJson.write(c)));
  }
}
