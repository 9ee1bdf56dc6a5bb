package looseecho.cli;

import java.util.Arrays;
import java.util.stream.Collectors;

/** Rows of a table with commas (RFC 4180). */
final class Csv {
  private Csv() {}

  static String row(String... fields) {
    return Arrays.stream(fields).map(Csv::field).collect(Collectors.joining(","));
  }

  private static String field(String text) {
    boolean quoted = text.matches("(?s).*[,\"\\r\\n].*");
    return quoted ? '"' + text.replace("\"", "\"\"") + '"' : text;
  }
}
