package looseecho.desktop.find;

import java.util.List;
import java.util.Locale;

/**
 * Something that can be done.
 *
 * @param name in words
 * @param where the bench it belongs to
 * @param more what it is good for, with its key; may be empty
 * @param run does it, or goes there where it has to be set by hand
 */
public record Deed(String name, String where, String more, Runnable run) {
  private static final int NO = -1;

  /** How well it fits: less is better; -1 when it does not. */
  int fit(String wanted) {
    String text = name.toLowerCase(Locale.ROOT);
    String all = text + " " + where.toLowerCase(Locale.ROOT) + " " + more.toLowerCase(Locale.ROOT);
    int rank = 0;
    for (String word : List.of(wanted.toLowerCase(Locale.ROOT).strip().split("\\s+", -1))) {
      if (!all.contains(word)) {
        return NO;
      }
      rank += text.startsWith(word) ? 0 : text.contains(word) ? 1 : 2;
    }
    return rank;
  }
}
