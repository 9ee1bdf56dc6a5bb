package looseecho.handover;

import java.util.List;

/** Builds well-formed pages. */
final class Html {
  private static final int SHORT = 12; // letters that stay on one line
  private final StringBuilder out = new StringBuilder();

  /** Words with what has a meaning in a page written out. */
  static String safe(String words) {
    StringBuilder s = new StringBuilder();
    words
        .codePoints()
        .filter(c -> c >= ' ' && !Character.isISOControl(c) && Character.isDefined(c))
        .forEach(
            c -> {
              switch (c) {
                case '<' -> s.append("&lt;");
                case '>' -> s.append("&gt;");
                case '&' -> s.append("&amp;");
                case '"' -> s.append("&quot;");
                default -> s.appendCodePoint(c);
              }
            });
    return s.toString();
  }

  Html raw(String html) {
    out.append(html);
    return this;
  }

  Html heading(int level, String words) {
    out.append("<h" + level + ">").append(safe(words)).append("</h" + level + ">\n");
    return this;
  }

  Html paragraph(String words) {
    out.append("<p>").append(safe(words)).append("</p>\n");
    return this;
  }

  Html list(List<String> lines) {
    out.append("<ul>");
    lines.forEach(l -> out.append("<li>").append(safe(l)).append("</li>"));
    out.append("</ul>\n");
    return this;
  }

  /** A table with a row of headings. */
  Html table(List<String> head, List<List<String>> rows) {
    out.append("<table><thead><tr>");
    head.forEach(h -> out.append("<th>").append(safe(h)).append("</th>"));
    out.append("</tr></thead><tbody>\n");
    for (List<String> row : rows) {
      out.append("<tr>");
      row.forEach(
          c ->
              out.append(c.length() <= SHORT ? "<td class=\"short\">" : "<td>")
                  .append(safe(c))
                  .append("</td>"));
      out.append("</tr>\n");
    }
    out.append("</tbody></table>\n");
    return this;
  }

  @Override
  public String toString() {
    return out.toString();
  }
}
