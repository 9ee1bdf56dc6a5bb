package looseecho.project;

import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;
import looseecho.analysis.Corrections;
import looseecho.disk.UserFolder;
import looseecho.disk.WholeFile;

/**
 * Keeps corrections apart from what was measured: one small JSON file per reference, found by the
 * sound file's hash.
 */
public final class CorrectionStore {
  private static final long MOST_BYTES = 32L << 20;
  private static final int SHOWN = 5;
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
    return new CorrectionStore(folderOfUser());
  }

  /** Where the user's own store is; it may not be there yet. */
  public static Path folderOfUser() {
    return UserFolder.path().resolve("corrections");
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

  /**
   * What is stored for a reference.
   *
   * @param note a sentence about what could not be understood and was left out; may be empty
   */
  public record Stored(Corrections corrections, String note) {}

  /** What is stored; {@link Corrections#NONE} when there is nothing. */
  public Stored load(String fingerprint) {
    Path file = folder.resolve(fingerprint + ".json");
    if (!Files.exists(file)) {
      return new Stored(Corrections.NONE, "");
    }
    try {
      if (Files.size(file) > MOST_BYTES) {
        throw new IOException("too large for corrections");
      }
      CorrectionJson.Read read = CorrectionJson.read(json.readTree(file.toFile()));
      return new Stored(read.corrections(), leftOut(read.refused()));
    } catch (IOException | RuntimeException e) {
      System.getLogger(getClass().getName())
          .log(System.Logger.Level.DEBUG, "corrections can't be read: " + file, e);
      return new Stored(
          Corrections.NONE, "Earlier corrections of this track could not be read: " + file + ".");
    }
  }

  /** A sentence about corrections that make no sense; empty for none. */
  static String leftOut(List<String> refused) {
    if (refused.isEmpty()) {
      return "";
    }
    String some = String.join(", ", refused.subList(0, Math.min(SHOWN, refused.size())));
    String more = refused.size() > SHOWN ? " and " + (refused.size() - SHOWN) + " more" : "";
    return "These corrections make no sense and were left out: " + some + more + ".";
  }

  /** Stores the corrections of one reference. */
  public void save(String fingerprint, Corrections c) throws IOException {
    Files.createDirectories(folder);
    WholeFile.write(
        folder.resolve(fingerprint + ".json"),
        part -> json.writeValue(part.toFile(), CorrectionJson.write(c)));
  }
}
