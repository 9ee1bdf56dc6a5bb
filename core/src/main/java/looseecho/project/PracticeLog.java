package looseecho.project;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.LocalDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Keeps how evenly was tapped over time: one line per take in a CSV file. */
public final class PracticeLog {
  private static final String HEAD = "time,drum,taps,mean_ms,spread_ms";
  private final Path file;

  public PracticeLog(Path file) {
    this.file = file;
  }

  /** One take. */
  public record Take(LocalDateTime time, String drum, int taps, double meanMs, double spreadMs) {}

  /** Adds a take to the end of the file. */
  public void add(Take t) throws IOException {
    Files.createDirectories(file.toAbsolutePath().getParent());
    String line =
        String.format(
            Locale.ROOT,
            "%s,%s,%d,%.1f,%.1f%n",
            t.time().truncatedTo(ChronoUnit.SECONDS),
            t.drum(),
            t.taps(),
            t.meanMs(),
            t.spreadMs());
    Files.writeString(
        file,
        (Files.exists(file) ? "" : HEAD + System.lineSeparator()) + line,
        StandardOpenOption.CREATE,
        StandardOpenOption.APPEND);
  }

  /** All takes in order; lines that can't be understood are passed over. */
  public List<Take> takes() throws IOException {
    List<Take> out = new ArrayList<>();
    for (String line : Files.exists(file) ? Files.readAllLines(file) : List.<String>of()) {
      String[] p = line.split(",", -1);
      try {
        out.add(
            new Take(
                LocalDateTime.parse(p[0]),
                p[1],
                Integer.parseInt(p[2]),
                Double.parseDouble(p[3]),
                Double.parseDouble(p[4])));
      } catch (RuntimeException e) {
        // the head, or a damaged line
      }
    }
    return out;
  }
}
