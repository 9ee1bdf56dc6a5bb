package looseecho.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.Optional;
import looseecho.audio.SampleSink;
import looseecho.disk.CrashReport;
import looseecho.disk.UserFolder;
import looseecho.reading.Progress;

/** Runs a piece of work; whatever goes wrong ends as one sentence, never as a stack trace. */
final class Careful {
  private static final char UNSPELLED = '\uFFFD'; // Java puts it where it can't spell a byte

  private Careful() {}

  /** A piece of work that may fail. */
  interface Work {
    /** Returns true when all of it went well. */
    boolean run() throws IOException;
  }

  /** True when the work went well. */
  static boolean run(String name, PrintWriter errors, Work work) {
    try {
      return work.run();
    } catch (IOException | SampleSink.NoRoomException e) {
      Reporter.say(errors, e.getMessage());
    } catch (Progress.CancelledException e) {
      Reporter.say(errors, name + ": Stopped. Nothing was written.");
    } catch (OutOfMemoryError e) {
      Reporter.say(errors, name + ": There is not enough memory for a file of this length.");
    } catch (RuntimeException | StackOverflowError e) {
      Path folder = UserFolder.path().resolve("reports");
      Reporter.say(errors, name + ": " + CrashReport.write(folder, name, e));
    }
    return false;
  }

  /** A piece of work that makes something of a file in a folder. */
  interface Making {
    /** Returns true when all of it went well. */
    boolean run(Path file, Path folder) throws IOException;
  }

  /** Makes something of a file in a folder; 0 when it went well, else 1. */
  static int make(String file, String folder, PrintWriter errors, Making work) {
    Optional<Path> from = path(file, errors);
    Optional<Path> to = path(folder, errors);
    return from.isPresent()
            && to.isPresent()
            && run(file, errors, () -> work.run(from.get(), to.get()))
        ? 0
        : 1;
  }

  /** A file by its name; where the system's language setting can't spell it, a sentence. */
  static Optional<Path> path(String name, PrintWriter errors) {
    try {
      if (name.indexOf(UNSPELLED) >= 0) {
        throw new InvalidPathException(name, "a byte that the system's language setting lacks");
      }
      return Optional.of(Path.of(name));
    } catch (InvalidPathException e) {
      Reporter.say(
          errors,
          name
              + ": This name can't be spelled under the system's language setting."
              + " Start again with LC_ALL=C.UTF-8, or rename the file.");
      return Optional.empty();
    }
  }

  /** A file's name without its ending. */
  static String stem(Path file) {
    return String.valueOf(file.getFileName()).replaceFirst("(?<=.)\\.[^.]+$", "");
  }
}
