package looseecho.project;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.TreeSet;
import java.util.stream.Collectors;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.mix.Sounds;
import looseecho.mix.Strip;

/** Says what was before a step and what is since, as the logbook tells it. */
final class Change {
  private static final int MOST = 3; // figures in a line
  private static final double LEAST = 0.05;

  private Change() {}

  /** Before and after, such as "kick 12 to 13 strokes"; empty where no figure tells it. */
  static String words(Document.State before, Document.State after) {
    if (before.template().isEmpty() || after.template().isEmpty()) {
      return "";
    }
    List<String> all = new ArrayList<>();
    Template a = before.template().get();
    Template b = after.template().get();
    if (a != b) {
      ground(a, b, all);
      parts(a, b, all);
    }
    mix(b, before.sounds(), after.sounds(), all);
    String more = all.size() > MOST ? " and " + (all.size() - MOST) + " more" : "";
    return all.stream().limit(MOST).collect(Collectors.joining(", ")) + more;
  }

  private static void ground(Template a, Template b, List<String> all) {
    if (Math.abs(a.bpm() - b.bpm()) >= LEAST / 10) {
      all.add(number("tempo", a.bpm(), b.bpm(), "%.2f"));
    }
    if (!a.key().equals(b.key())) {
      all.add("key " + a.key().words() + " to " + b.key().words());
    }
    String was = order(a);
    String is = order(b);
    if (!was.equals(is)) {
      all.add("order " + was + " to " + is);
    }
  }

  /** The letters of the sections and their lengths in beats. */
  private static String order(Template t) {
    return t.sections().stream()
        .map(s -> s.label() + "/" + s.beats())
        .collect(Collectors.joining(" "));
  }

  private static void parts(Template a, Template b, List<String> all) {
    TreeSet<Part> parts = new TreeSet<>(Part.of(a));
    parts.addAll(Part.of(b));
    for (Part part : parts) {
      int was = count(a, part);
      int is = count(b, part);
      if (was != is) {
        String name = b.names().containsKey(part) ? b.name(part) : a.name(part);
        all.add(name + " " + was + " to " + is);
      }
    }
  }

  private static int count(Template t, Part part) {
    int sum = 0;
    for (TemplateSection s : t.sections()) {
      sum += part.size(s);
    }
    return sum;
  }

  private static void mix(Template t, Sounds a, Sounds b, List<String> all) {
    if (a == b) {
      return;
    }
    for (Part part : Part.of(t)) {
      Strip was = a.strip(part);
      Strip is = b.strip(part);
      figure(t.name(part) + " level", was.levelDb(), is.levelDb(), "%+.1f dB", all);
      figure(t.name(part) + " place", 100 * was.pan(), 100 * is.pan(), "%+.0f", all);
      figure(t.name(part) + " width", 100 * was.width(), 100 * is.width(), "%.0f %%", all);
      figure(t.name(part) + " ducked", was.duckDb(), is.duckDb(), "%.1f dB", all);
    }
    figure("room", a.roomSeconds(), b.roomSeconds(), "%.1f s", all);
  }

  private static void figure(String name, double was, double is, String form, List<String> all) {
    if (Math.abs(was - is) >= LEAST) {
      all.add(number(name, was, is, form));
    }
  }

  private static String number(String name, double was, double is, String form) {
    return String.format(Locale.ROOT, "%s " + form + " to " + form, name, was, is);
  }
}
