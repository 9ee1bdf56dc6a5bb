package looseecho.form;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * What changes at the start of a section.
 *
 * @param enters layers that come in, such as "hats"
 * @param leaves layers that go
 * @param decibels how much louder (positive) or softer the music gets
 */
public record Change(List<String> enters, List<String> leaves, double decibels) {
  public static final Change NONE = new Change(List.of(), List.of(), 0);
  private static final double AUDIBLE_DB = 1.5;

  public Change {
    enters = List.copyOf(enters);
    leaves = List.copyOf(leaves);
  }

  /** "hats and bass enter, chords leave; 4 dB louder"; empty when nothing changes. */
  public String words() {
    List<String> moves = new ArrayList<>();
    if (!enters.isEmpty()) {
      moves.add(list(enters) + (plural(enters) ? " enter" : " enters"));
    }
    if (!leaves.isEmpty()) {
      moves.add(list(leaves) + (plural(leaves) ? " leave" : " leaves"));
    }
    String level =
        Math.abs(decibels) < AUDIBLE_DB
            ? ""
            : String.format(
                Locale.ROOT, "%.0f dB %s", Math.abs(decibels), decibels > 0 ? "louder" : "softer");
    String first = String.join(", ", moves);
    return first.isEmpty() || level.isEmpty() ? first + level : first + "; " + level;
  }

  private static boolean plural(List<String> names) {
    return names.size() > 1 || names.get(0).endsWith("s");
  }

  private static String list(List<String> names) {
    int last = names.size() - 1;
    return last == 0
        ? names.get(0)
        : String.join(", ", names.subList(0, last)) + " and " + names.get(last);
  }
}
