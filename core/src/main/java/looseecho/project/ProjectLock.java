package looseecho.project;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Optional;
import java.util.UUID;

/** Notices that two windows work on one project file. The system frees it when a process ends. */
public final class ProjectLock implements AutoCloseable {
  private final FileChannel channel;

  private ProjectLock(FileChannel channel) {
    this.channel = channel;
  }

  /**
   * Takes the lock of a project.
   *
   * @param folder of the program's own, so that no file appears beside the project
   * @return empty when another window has it
   */
  public static Optional<ProjectLock> take(Path project, Path folder) throws IOException {
    Files.createDirectories(folder);
    String id = id(project);
    FileChannel channel =
        FileChannel.open(
            folder.resolve(id + ".lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
    FileLock lock = null;
    try {
      lock = channel.tryLock();
    } catch (OverlappingFileLockException e) {
      // another window of this very process has it: the same answer
    }
    if (lock == null) {
      channel.close();
      return Optional.empty();
    }
    return Optional.of(new ProjectLock(channel));
  }

  /** A name for a path that is not taken for another's. */
  static String id(Path path) {
    String whole = path.toAbsolutePath().normalize().toString();
    return UUID.nameUUIDFromBytes(whole.getBytes(StandardCharsets.UTF_8)).toString();
  }

  @Override
  public void close() throws IOException {
    channel.close();
  }
}
