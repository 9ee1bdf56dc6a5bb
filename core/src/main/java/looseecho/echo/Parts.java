package looseecho.echo;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.IntSummaryStatistics;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntPredicate;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import looseecho.activity.Lane;
import looseecho.echo.Edits.Edited;
import looseecho.notes.Line;

/** Changes to which parts there are. A new part sounds like the first of its kind at first. */
public final class Parts {
  /** Where a line lies, lowest and highest note: "A1 to D3"; empty where it plays nothing. */
  public static Optional<String> register(Template t, LinePart line) {
    IntSummaryStatistics pitches =
        t.sections().stream()
            .flatMap(s -> s.notes(line).stream())
            .mapToInt(Tone::pitch)
            .summaryStatistics();
    return pitches.getCount() == 0
        ? Optional.empty()
        : Optional.of(
            t.key().noteName(pitches.getMin()) + " to " + t.key().noteName(pitches.getMax()));
  }

  private static final String NOT_IN_A_FILE = "[\\\\/:*?\"<>|\\p{Cntrl}]"; // stems bear the names
  private static final int LONGEST_NAME = 40;
  private static final List<String> TAKEN = List.of("noise bed", "room", "repeats"); // other stems

  private Parts() {}

  /** The next part of a kind that is not there yet; empty when there are {@link Part#MOST}. */
  public static Optional<Part> next(Template t, Part like) {
    List<Part> there = Part.of(t);
    return IntStream.rangeClosed(1, Part.MOST)
        .mapToObj(like::numbered)
        .filter(p -> !there.contains(p))
        .findFirst();
  }

  /** Adds a part that plays nothing yet. */
  public static Edited add(Template t, Part part) {
    Template with = listed(t, part);
    return new Edited(with, "New part: " + with.name(part));
  }

  /** Calls a part otherwise. */
  public static Edited name(Template t, Part part, String wanted) {
    String name = wanted.replaceAll(NOT_IN_A_FILE, " ").strip();
    name = name.substring(0, Math.min(LONGEST_NAME, name.length()));
    if (name.isEmpty()) {
      return new Edited(t, "A part needs a name");
    }
    if (taken(t, part, name)) {
      return new Edited(t, "There is a " + name + " already");
    }
    Map<Part, String> names = new HashMap<>(t.names());
    names.put(part, name);
    return new Edited(t.named(names), t.name(part) + " is called " + name + " now");
  }

  private static boolean taken(Template t, Part part, String name) {
    Stream<String> others =
        Stream.of(
                Stream.of(Lane.values()).map(l -> (Part) Part.of(l)),
                Stream.of(Line.values()).map(l -> (Part) Part.of(l)),
                Part.of(t).stream())
            .flatMap(s -> s)
            .filter(p -> !p.equals(part))
            .map(t::name);
    return Stream.concat(others, TAKEN.stream()).anyMatch(name::equalsIgnoreCase);
  }

  /** The template with a part listed under a name that nobody has. */
  private static Template listed(Template t, Part part) {
    if (t.names().containsKey(part) || part.number() == 1 && Part.of(t).contains(part)) {
      return t;
    }
    String name = part.words();
    for (int n = 2; taken(t, part, name); n++) {
      name = String.format(Locale.ROOT, "%s (%d)", part.words(), n);
    }
    Map<Part, String> names = new HashMap<>(t.names());
    names.put(part, name);
    return t.named(names);
  }

  /** Takes a part out of every section and off the list. */
  public static Edited drop(Template t, Part part) {
    Map<Part, String> names = new HashMap<>(t.names());
    names.remove(part);
    return new Edited(
        t.with(t.sections().stream().map(s -> s.without(part)).toList()).named(names),
        "No " + t.name(part) + " any more");
  }

  /** Gives some of a part's hits or notes to a new part of its kind. */
  public static Edited split(Template t, Part from, Part to, Split how) {
    Template out = listed(t, to);
    int moved = 0;
    for (int s = 0; s < t.sections().size(); s++) {
      int section = s;
      TemplateSection own = t.sections().get(s);
      Predicate<Placed<?>> goes = e -> how.choice().takes(t, section, e);
      TemplateSection left = filtered(own, from, from, goes.negate(), own);
      TemplateSection both = filtered(own, from, to, goes, left);
      moved += to.size(both) - to.size(own);
      out = out.with(s, both);
    }
    if (moved == 0) {
      return new Edited(t, "No " + t.name(from) + " " + how.words());
    }
    return new Edited(out, t.name(from) + " " + how.words() + ": now " + out.name(to));
  }

  /** A section in which {@code to} plays what is kept of {@code from} elsewhere. */
  private static TemplateSection filtered(
      TemplateSection source, Part from, Part to, Predicate<Placed<?>> keep, TemplateSection into) {
    return to instanceof DrumPart drum
        ? into.with(drum, source.hits((DrumPart) from).stream().filter(keep).toList())
        : into.with((LinePart) to, source.notes((LinePart) from).stream().filter(keep).toList());
  }

  /** Puts two parts of hits, or two of notes, together into one; the other one goes. */
  public static Edited merge(Template t, Part from, Part into) {
    if (from.equals(into) || from.asDrum().isPresent() != into.asDrum().isPresent()) {
      return new Edited(t, "Only two drums or two lines can be put together");
    }
    Template out = t;
    for (int s = 0; s < t.sections().size(); s++) {
      TemplateSection own = t.sections().get(s);
      out =
          into instanceof DrumPart drum
              ? Edits.part(out, s, drum, joined(own.hits(drum), own.hits((DrumPart) from)), "")
                  .template()
              : Edits.line(
                      out,
                      s,
                      (LinePart) into,
                      joined(own.notes((LinePart) into), own.notes((LinePart) from)),
                      "")
                  .template();
    }
    String words = t.name(from) + " joined to " + t.name(into);
    return new Edited(drop(out, from).template(), words);
  }

  /** What both play; of two alike on one place the first stays. */
  private static <E extends Placed<E>> List<E> joined(List<E> a, List<E> b) {
    List<E> out = new ArrayList<>(a);
    for (E e : b) {
      if (a.stream().noneMatch(x -> same(x, e))) {
        out.add(e);
      }
    }
    return out;
  }

  private static boolean same(Placed<?> a, Placed<?> b) {
    return a.tick() == b.tick()
        && (!(a instanceof Tone x) || b instanceof Tone y && x.pitch() == y.pitch());
  }

  /** Lets a part play what another of its sort plays, in every section. */
  public static Edited copy(Template t, Part from, Part to) {
    Template out = listed(t, to);
    for (int s = 0; s < t.sections().size(); s++) {
      out = out.with(s, Elsewhere.of(t, s).laid(out, s, from, to));
    }
    return new Edited(out, out.name(to) + " plays what " + t.name(from) + " plays");
  }

  /**
   * Lets another part play instead in every second section with the same letter, so that the two
   * take turns.
   */
  public static Edited alternate(Template t, Part part, Part other) {
    Map<String, Integer> seen = new HashMap<>();
    boolean[] second = new boolean[t.sections().size()];
    for (int s = 0; s < second.length; s++) {
      boolean plays = part.size(t.sections().get(s)) > 0;
      String label = t.sections().get(s).label();
      second[s] = plays && seen.merge(label, 1, Integer::sum) % 2 == 0;
    }
    IntPredicate turn = s -> second[s];
    Split how = new Split("of every second time", (x, s, e) -> turn.test(s));
    Edited e = split(t, part, other, how);
    return e.template().equals(t)
        ? new Edited(t, "No section in which " + t.name(part) + " plays comes twice")
        : e;
  }
}
