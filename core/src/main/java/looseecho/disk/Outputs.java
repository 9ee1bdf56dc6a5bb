package looseecho.disk;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collection;
import java.util.List;

/**
 * Says whether a file may be written: never over what the work reads from, and over another file
 * only where that is our own earlier output, unchanged, or the person has said so.
 */
public final class Outputs {
  private final List<Path> inputs;
  private final boolean force;

  /**
   * The rule of one piece of work.
   *
   * @param inputs what it reads; these are never written over
   * @param force true when the person allows other files to be replaced
   */
  public Outputs(Collection<Path> inputs, boolean force) {
    this.inputs = List.copyOf(inputs);
    this.force = force;
  }

  /**
   * Passes where all may be written.
   *
   * @throws DiskException with a sentence about the first that may not
   */
  public void check(Collection<Path> targets) throws IOException {
    for (Path target : targets) {
      check(target);
    }
  }

  /** The same for one file. */
  public void check(Path target) throws IOException {
    for (Path input : inputs) {
      if (same(input, target)) {
        throw new DiskException(
            target + " is what the work is made from; it is never written over.", null);
      }
    }
    if (force || !Files.exists(target) || Files.isDirectory(target)) {
      return; // a folder is refused where it is written
    }
    if (!Files.isRegularFile(target) || !sealed(target)) {
      throw new DiskException(
          target
              + " is there already and is not an earlier result, or was changed since."
              + " Move it, write elsewhere, or allow it with --force.",
          null);
    }
  }

  private static boolean sealed(Path target) {
    try {
      return Seal.isUnbroken(target);
    } catch (IOException e) {
      return false; // what can't be looked at is not ours
    }
  }

  private static boolean same(Path a, Path b) throws IOException {
    if (a.toAbsolutePath().normalize().equals(b.toAbsolutePath().normalize())) {
      return true;
    }
    return Files.exists(a) && Files.exists(b) && Files.isSameFile(a, b);
  }
}
