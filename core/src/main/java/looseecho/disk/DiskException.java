package looseecho.disk;

import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Locale;

/** A file that can't be written; the message is a sentence for the person and says what to do. */
public final class DiskException extends IOException {
  private static final long serialVersionUID = 1;

  DiskException(String sentence, Throwable cause) {
    super(sentence, cause);
  }

  /** The sentence for a failure to write a file; one that is a sentence already stays. */
  public static IOException of(Path target, IOException e) {
    String reason = reason(e);
    boolean system =
        e instanceof FileSystemException
            || e.getClass() == IOException.class && !reason.equals("error");
    if (e instanceof DiskException || !system) {
      return e;
    }
    return new DiskException(sentence(target, e, reason), e);
  }

  private static String sentence(Path target, IOException e, String reason) {
    Path folder = target.toAbsolutePath().getParent();
    String name = String.valueOf(target.getFileName());
    if (Files.isDirectory(target)) {
      return "There is a folder named " + name + " in " + folder + ". Choose another name.";
    }
    if (folder != null && Files.exists(folder) && !Files.isDirectory(folder)) {
      return folder + " is a file, not a folder. Choose another folder for " + name + ".";
    }
    if (e instanceof NoSuchFileException && folder != null && !Files.exists(folder)) {
      return "There is no folder " + folder + " for " + name + ". Make it or choose another.";
    }
    return switch (reason) {
      case "space" ->
          "There is no space left for " + name + " in " + folder + ". Make room and try again.";
      case "name" -> "The name " + name + " is too long for this disk. Choose a shorter one.";
      case "read-only" -> folder + " is read-only: " + name + " was not written. Choose another.";
      case "permission" ->
          name + " was not written: no permission for " + folder + ". Choose another folder.";
      default -> name + " could not be written in " + folder + why(e) + ". Choose another folder.";
    };
  }

  /** What the system said, without the name of a file that the person never chose. */
  private static String why(IOException e) {
    String said = e instanceof FileSystemException f ? f.getReason() : e.getMessage();
    return said == null ? "" : ": " + said;
  }

  private static String reason(IOException e) {
    String said =
        String.valueOf(e instanceof FileSystemException f ? f.getReason() : e.getMessage())
            .toLowerCase(Locale.ROOT);
    if (said.contains("no space") || said.contains("quota") || said.contains("not enough space")) {
      return "space";
    }
    if (said.contains("name too long")) {
      return "name";
    }
    if (said.contains("read-only")) {
      return "read-only";
    }
    return e instanceof AccessDeniedException || said.contains("permission denied")
        ? "permission"
        : "error";
  }
}
