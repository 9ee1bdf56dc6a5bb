package looseecho.project;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.BasicFileAttributes;
import java.nio.file.attribute.FileTime;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.Properties;
import looseecho.disk.KeptValues;

/**
 * What is known of sound files that were read before, remembered by their place, length and time of
 * change, since reading a long track through takes a second or two. A cache: nothing is lost when
 * it is deleted. Thread-safe.
 */
public final class KnownFiles {
  private static final int MOST = 500;

  /** A file that was written just now may be written again within one tick of the disk's clock. */
  private static final Duration SETTLED = Duration.ofSeconds(3);

  private final Path kept;

  /** Kept in a file of our own. */
  public KnownFiles(Path kept) {
    this.kept = kept;
  }

  /**
   * A file as it lay there.
   *
   * @param fingerprint of its bytes
   * @param sound what was measured of it; empty while nobody has
   */
  public record Known(String fingerprint, Optional<Sound> sound) {}

  /**
   * The sound of a file about which there was nothing to say.
   *
   * @param length in samples at the engine's rate
   * @param gain linear, brings it to the common loudness
   */
  public record Sound(int length, double gain) {}

  /** The fingerprint of a file, read through unless it lies there as it did before. */
  public String fingerprint(Path file) throws IOException {
    String state = state(file);
    Optional<Known> before = recall(file);
    if (before.isPresent()) {
      return before.get().fingerprint();
    }
    String fingerprint = CorrectionStore.fingerprint(file);
    keep(file, state, fingerprint);
    return fingerprint;
  }

  /** What is known of a file that lies there as it did before; empty for any other. */
  public Optional<Known> recall(Path file) {
    try {
      String state = state(file);
      String before = KeptValues.read(kept).getProperty(key(file), "");
      return before.startsWith(state)
          ? Optional.of(known(before.substring(state.length()).split(" ", -1)))
          : Optional.empty();
    } catch (IOException e) {
      return Optional.empty(); // whoever reads it says what is wrong
    }
  }

  /** Remembers what was measured of a file, if it lies there as when its fingerprint was taken. */
  public void measured(Path file, String fingerprint, Sound sound) throws IOException {
    Optional<Known> known = recall(file).filter(k -> k.fingerprint().equals(fingerprint));
    if (known.isPresent() && known.get().sound().isEmpty()) {
      keep(file, state(file), fingerprint + " " + sound.length() + " " + sound.gain());
    }
  }

  private static Known known(String[] words) {
    Optional<Sound> sound = Optional.empty();
    try {
      if (words.length == 3) {
        sound = Optional.of(new Sound(Integer.parseInt(words[1]), Double.parseDouble(words[2])));
      }
    } catch (NumberFormatException e) {
      sound = Optional.empty(); // it is measured again
    }
    return new Known(words[0], sound);
  }

  private static String key(Path file) {
    return file.toAbsolutePath().normalize().toString();
  }

  private static String state(Path file) throws IOException {
    BasicFileAttributes now = Files.readAttributes(file, BasicFileAttributes.class);
    return now.size() + " " + now.lastModifiedTime() + " ";
  }

  private synchronized void keep(Path file, String state, String what) throws IOException {
    FileTime changed = Files.getLastModifiedTime(file);
    if (!changed.toInstant().isBefore(Instant.now().minus(SETTLED))) {
      return;
    }
    Properties values = KeptValues.read(kept);
    if (values.size() >= MOST) {
      values.clear();
    }
    values.setProperty(key(file), state + what);
    KeptValues.write(kept, values);
  }
}
