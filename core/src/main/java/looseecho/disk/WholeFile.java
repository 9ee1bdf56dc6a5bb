package looseecho.disk;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.FileTime;
import java.nio.file.attribute.PosixFileAttributeView;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;

/**
 * Writes a file beside its place and moves it there in one step when it is complete and on the
 * disk, so that neither a failed write nor a killed program nor a second writer loses anything.
 * Through a link the file that it leads to is replaced, and the link stays.
 */
public final class WholeFile {
  private static final String PREFIX = ".loose-echo-";
  private static final String SUFFIX = ".part";
  private static final int MOST_LINKS = 16;

  /** What a killed program left; nothing is written for longer than this. */
  private static final Duration ABANDONED = Duration.ofDays(1);

  private WholeFile() {}

  /** Writes to a path, where an empty file is. */
  public interface Body {
    void write(Path part) throws IOException;
  }

  /** Writes to several paths, where empty files are. */
  public interface Bodies {
    void write(List<Path> parts) throws IOException;
  }

  /**
   * Writes a whole file or leaves the old one alone.
   *
   * @throws DiskException with a sentence where the disk refuses
   */
  public static void write(Path path, Body body) throws IOException {
    writeAll(List.of(path), parts -> body.write(parts.get(0)));
  }

  /**
   * The same with several files that are written together: none appears before all are complete.
   */
  public static void writeAll(List<Path> paths, Bodies bodies) throws IOException {
    List<Path> targets = new ArrayList<>();
    List<Path> parts = new ArrayList<>();
    Path at = paths.get(0);
    try {
      for (Path path : paths) {
        at = path;
        Path target = behindLinks(path.toAbsolutePath());
        if (Files.isDirectory(target)) {
          throw new IOException("there is a folder");
        }
        Path part = target.resolveSibling(PREFIX + UUID.randomUUID() + SUFFIX);
        Files.createFile(part); // never one that is there already, never through a link
        targets.add(target);
        parts.add(part);
      }
      at = paths.get(0);
      bodies.write(List.copyOf(parts));
      for (int k = 0; k < paths.size(); k++) {
        at = paths.get(k);
        asBefore(targets.get(k), parts.get(k));
        force(parts.get(k), StandardOpenOption.WRITE);
      }
      for (int k = 0; k < paths.size(); k++) {
        at = paths.get(k);
        Files.move(parts.get(k), targets.get(k), StandardCopyOption.ATOMIC_MOVE);
      }
      forceFolder(targets.get(0).getParent());
    } catch (IOException e) {
      throw Files.isDirectory(at) ? folderThere(at, e) : DiskException.of(at, e);
    } finally {
      for (Path part : parts) {
        Files.deleteIfExists(part);
      }
    }
    sweep(targets.get(0).getParent());
  }

  private static IOException folderThere(Path path, IOException e) {
    return new DiskException(
        "There is a folder named "
            + path.getFileName()
            + " in "
            + path.toAbsolutePath().getParent()
            + ". Choose another name.",
        e);
  }

  private static Path behindLinks(Path path) throws IOException {
    Path at = path;
    for (int i = 0; i < MOST_LINKS && Files.isSymbolicLink(at); i++) {
      at = at.resolveSibling(Files.readSymbolicLink(at)).normalize();
    }
    return at;
  }

  /** A file that is replaced keeps its permissions. */
  private static void asBefore(Path target, Path part) throws IOException {
    var view = Files.getFileAttributeView(part, PosixFileAttributeView.class);
    if (view != null && Files.exists(target, LinkOption.NOFOLLOW_LINKS)) {
      view.setPermissions(Files.getPosixFilePermissions(target));
    }
  }

  private static void force(Path path, StandardOpenOption way) throws IOException {
    try (FileChannel channel = FileChannel.open(path, way)) {
      channel.force(true);
    }
  }

  /** Not every system lets a folder be opened; there the move itself is as safe as it gets. */
  private static void forceFolder(Path folder) {
    try {
      force(folder, StandardOpenOption.READ);
    } catch (IOException e) {
      System.getLogger(WholeFile.class.getName())
          .log(System.Logger.Level.DEBUG, "the folder can't be flushed: " + folder, e);
    }
  }

  /** Removes what programs that were killed while writing here left long ago. */
  private static void sweep(Path folder) {
    FileTime old = FileTime.from(Instant.now().minus(ABANDONED));
    try (DirectoryStream<Path> parts = Files.newDirectoryStream(folder, PREFIX + "*" + SUFFIX)) {
      for (Path p : parts) {
        if (Files.getLastModifiedTime(p, LinkOption.NOFOLLOW_LINKS).compareTo(old) < 0) {
          Files.deleteIfExists(p);
        }
      }
    } catch (IOException e) {
      System.getLogger(WholeFile.class.getName())
          .log(System.Logger.Level.DEBUG, "old parts can't be removed in " + folder, e);
    }
  }
}
