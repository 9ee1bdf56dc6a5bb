package looseecho.project;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.BasicFileAttributes;
import java.nio.file.attribute.FileTime;
import java.time.Duration;
import java.time.Instant;
import java.util.Properties;
import looseecho.disk.KeptValues;

/**
 * Fingerprints of files that were read before, remembered by their place, length and time of
 * change, since reading a long track through takes up to a second. A cache: nothing is lost when it
 * is deleted. Thread-safe.
 */
public final class Fingerprints {
  private static final int MOST = 500;

  /** A file that was written just now may be written again within one tick of the disk's clock. */
  private static final Duration SETTLED = Duration.ofSeconds(3);

  private final Path kept;

  /** Kept in a file of our own. */
  public Fingerprints(Path kept) {
    this.kept = kept;
  }

  /** The fingerprint of a file, read through unless it lies there as it did before. */
  public String of(Path file) throws IOException {
    BasicFileAttributes now = Files.readAttributes(file, BasicFileAttributes.class);
    FileTime changed = now.lastModifiedTime();
    String key = file.toAbsolutePath().normalize().toString();
    String state = now.size() + " " + changed + " ";
    String before = KeptValues.read(kept).getProperty(key, "");
    if (before.startsWith(state)) {
      return before.substring(state.length());
    }
    String fingerprint = CorrectionStore.fingerprint(file);
    if (changed.toInstant().isBefore(Instant.now().minus(SETTLED))) {
      keep(key, state + fingerprint);
    }
    return fingerprint;
  }

  private synchronized void keep(String key, String value) {
    Properties values = KeptValues.read(kept);
    if (values.size() >= MOST) {
      values.clear();
    }
    values.setProperty(key, value);
    KeptValues.write(kept, values);
  }
}
