package looseecho.exchange;

import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import looseecho.echo.Template;

/**
 * How the files of stems are called.
 *
 * @param name of the echo
 * @param pattern a text with the fields {name}, {section}, {part}, {tempo} and {key}; {part} must
 *     be in it, a section's number and name go to the end where {section} is not
 */
public record StemNames(String name, String pattern) {
  /** "harbour 01 A verse kick". */
  public static final String USUAL = "{name} {section} {part}";

  private static final Set<String> FIELDS = Set.of("name", "section", "part", "tempo", "key");
  private static final Pattern FIELD = Pattern.compile("\\{([^}]*)}");
  private static final String FORBIDDEN = "[\\\\/:*?\"<>|\\p{Cntrl}]";
  private static final String EDGES = "^[\\s._-]+|[\\s._-]+$"; // what is left of an empty field

  /** Refuses, in a sentence, what can't name every stem. */
  public StemNames {
    for (Matcher m = FIELD.matcher(pattern); m.find(); ) {
      if (!FIELDS.contains(m.group(1))) {
        throw new IllegalArgumentException(
            "Names can hold {name}, {section}, {part}, {tempo} and {key}, but no "
                + m.group()
                + ".");
      }
    }
    if (!pattern.contains("{part}")) {
      throw new IllegalArgumentException("Names need {part}, or all stems would be called alike.");
    }
  }

  /** The usual names. */
  public static StemNames of(String name) {
    return new StemNames(name, USUAL);
  }

  /**
   * The file of the mix (an empty part) or of a stem, of the whole (no section) or of a section.
   */
  String file(Template t, String section, String part) {
    String all = pattern.contains("{section}") ? pattern : pattern + " {section}";
    Map<String, String> fields =
        Map.of(
            "name", name,
            "section", section,
            "part", part,
            "tempo", String.format(Locale.ROOT, "%.0f", t.bpm()),
            "key", t.key().words());
    String filled =
        FIELD.matcher(all).replaceAll(m -> Matcher.quoteReplacement(fields.get(m.group(1))));
    String plain = filled.replaceAll(FORBIDDEN, "").replaceAll("\\s+", " ").replaceAll(EDGES, "");
    return (plain.isEmpty() ? "mix" : plain) + ".wav";
  }
}
