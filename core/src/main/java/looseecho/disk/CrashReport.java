package looseecho.disk;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.UUID;

/** A failure of the program itself, written to a file of its own. */
public final class CrashReport {
  private CrashReport() {}

  /**
   * Writes what is known about a failure.
   *
   * @param doing what was being done, in words
   * @return a line for the person that names the file
   */
  public static String write(Path folder, String doing, Throwable e) {
    StringWriter text = new StringWriter();
    try (PrintWriter out = new PrintWriter(text)) {
      out.println("Loose Echo, " + Instant.now());
      out.println("While: " + doing);
      out.println(
          System.getProperty("java.vm.version")
              + ", "
              + System.getProperty("os.name")
              + " "
              + System.getProperty("os.version"));
      for (Throwable t = e; t != null; t = t.getCause()) {
        out.println(t);
        for (StackTraceElement at : t.getStackTrace()) {
          out.println("  at " + at);
        }
      }
    }
    try {
      Files.createDirectories(folder);
      Path file = folder.resolve("report-" + UUID.randomUUID() + ".txt");
      WholeFile.write(file, part -> Files.writeString(part, text.toString()));
      return "Something went wrong inside the program. Report: " + file;
    } catch (IOException failed) {
      System.getLogger(CrashReport.class.getName())
          .log(System.Logger.Level.ERROR, text.toString(), failed);
      return "Something went wrong inside the program (" + e + ").";
    }
  }
}
