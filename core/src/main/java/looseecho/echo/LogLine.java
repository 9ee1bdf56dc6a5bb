package looseecho.echo;

import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeParseException;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import looseecho.reading.Limits;

/**
 * A line of the logbook.
 *
 * @param at when it was done, as in ISO 8601, to the second; empty where nobody looked at the clock
 * @param words what was done
 * @param change what it was before and what it is since; empty where the words tell it
 * @param why the person's reason; empty where none was given
 */
public record LogLine(String at, String words, String change, String why) {
  private static final DateTimeFormatter WHEN =
      DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm", Locale.ROOT);

  public LogLine {
    Limits.text("at", at);
    Limits.text("words", words);
    Limits.text("change", change);
    Limits.text("why", why);
    at = isTime(at) ? at : "";
  }

  private static boolean isTime(String words) {
    try {
      return !words.isEmpty() && Instant.parse(words) != null;
    } catch (DateTimeParseException e) {
      return false;
    }
  }

  /** Work that nobody stood by, the same at every time. */
  public static LogLine of(String words) {
    return new LogLine("", words, "", "");
  }

  /** The same for several. */
  public static List<LogLine> all(String... words) {
    return Stream.of(words).map(LogLine::of).toList();
  }

  /** What is done now. */
  static LogLine now(String words, String change) {
    return new LogLine(Instant.now().truncatedTo(ChronoUnit.SECONDS).toString(), words, change, "");
  }

  /** What was done, without the rest. */
  public static List<String> words(List<LogLine> lines) {
    return lines.stream().map(LogLine::words).toList();
  }

  /** The same with a reason. */
  LogLine because(String reason) {
    return new LogLine(at, words, change, reason);
  }

  /** When it was done on the clock on the wall; empty where nobody looked. */
  public String when() {
    return at.isEmpty() ? "" : WHEN.withZone(ZoneId.systemDefault()).format(Instant.parse(at));
  }

  /** All but the time, to be read. */
  public String told() {
    String more = change.isEmpty() ? "" : " (" + change + ")";
    return words + more + (why.isEmpty() ? "" : ". Why: " + why);
  }
}
