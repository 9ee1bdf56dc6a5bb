package looseecho.echo;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import looseecho.echo.Edits.Edited;
import looseecho.pulse.BarGrid;
import looseecho.pulse.Beat;

/**
 * Changes to the order of things: sections repeated, removed, resized, stops, bars and parts
 * copied. The tempo map moves along: every section keeps the beats it had.
 */
public final class Arrangement {
  private Arrangement() {}

  /** Puts a copy of a section behind it. */
  public static Edited repeat(Template t, int section) {
    List<TemplateSection> sections = new ArrayList<>(t.sections());
    List<List<Span>> spans = spans(t);
    sections.add(section + 1, sections.get(section));
    spans.add(section + 1, spans.get(section));
    return done(t, sections, spans, "Repeated " + name(t, section));
  }

  /** Puts an empty section of so many beats behind a section, at its tempo. */
  public static Edited insert(Template t, int section, int beats) {
    List<TemplateSection> sections = new ArrayList<>(t.sections());
    List<List<Span>> spans = spans(t);
    double beat =
        spans.get(section).stream().mapToDouble(Span::seconds).average().orElse(60 / t.bpm());
    List<Span> even =
        IntStream.range(0, beats).mapToObj(k -> new Span(k % t.beatsPerBar() + 1, beat)).toList();
    String label = unused(t);
    sections.add(
        section + 1,
        new TemplateSection(label, "new", beats, java.util.Map.of(), java.util.Map.of()));
    spans.add(section + 1, even);
    String bars = Words.bars((double) beats / t.beatsPerBar());
    return done(t, sections, spans, "Empty section " + label + " of " + bars + " put in");
  }

  /** The first letter that no section has. */
  private static String unused(Template t) {
    for (char c = 'A'; c <= 'Z'; c++) {
      String label = String.valueOf(c);
      if (t.sections().stream().noneMatch(s -> s.label().equals(label))) {
        return label;
      }
    }
    return "new";
  }

  /** Takes a section out; the last one stays. */
  public static Edited remove(Template t, int section) {
    if (t.sections().size() == 1) {
      return new Edited(t, "The last section stays");
    }
    List<TemplateSection> sections = new ArrayList<>(t.sections());
    List<List<Span>> spans = spans(t);
    sections.remove(section);
    spans.remove(section);
    return done(t, sections, spans, "Took out " + name(t, section));
  }

  /** Moves a section to another place in the order. */
  public static Edited move(Template t, int section, int to) {
    int target = Math.max(0, Math.min(t.sections().size() - 1, to));
    List<TemplateSection> sections = new ArrayList<>(t.sections());
    List<List<Span>> spans = spans(t);
    sections.add(target, sections.remove(section));
    spans.add(target, spans.remove(section));
    return done(t, sections, spans, "Moved " + name(t, section));
  }

  /**
   * Gives a section another length in beats, odd ones included. Shortened, it loses its end;
   * lengthened, it goes on as it began.
   */
  public static Edited resize(Template t, int section, int beats) {
    if (beats < 1) {
      return new Edited(t, "A section has at least one beat");
    }
    TemplateSection s = t.sections().get(section);
    int was = t.ticks(section);
    int now = beats * t.meter().ticksPerBeat();
    List<TemplateSection> sections = new ArrayList<>(t.sections());
    sections.set(
        section,
        s.changed(
            beats,
            hits -> Elsewhere.round(hits, was, now),
            notes -> Elsewhere.round(notes, was, now)));
    List<List<Span>> spans = spans(t);
    List<Span> old = spans.get(section);
    List<Span> resized = new ArrayList<>(old.subList(0, Math.min(beats, old.size())));
    for (int k = old.size(); k < beats; k++) {
      int position = resized.get(k - 1).position() % t.beatsPerBar() + 1;
      resized.add(new Span(position, old.get(k % old.size()).seconds()));
    }
    spans.set(section, resized);
    double bars = (double) beats / t.beatsPerBar();
    return done(t, sections, spans, name(t, section) + " is " + Words.bars(bars) + " long");
  }

  /** Silences everything from a place for so many ticks. */
  public static Edited stop(Template t, int section, int from, int ticks) {
    TemplateSection s = t.sections().get(section);
    int end = from + ticks;
    TemplateSection with =
        s.changed(
            s.beats(),
            hits -> hits.stream().filter(h -> h.tick() < from || h.tick() >= end).toList(),
            notes ->
                notes.stream()
                    .filter(n -> n.tick() < from || n.tick() >= end)
                    .map(n -> n.tick() < from ? n.endingBy(from) : n)
                    .toList());
    double bars = (double) ticks / t.ticksPerBar();
    return new Edited(
        t.with(section, with), "Stop in " + name(t, section) + ", " + Words.bars(bars));
  }

  /** Copies one bar of a section over another, for one part or, with null, for all. */
  public static Edited copyBar(Template t, int section, Part part, int from, int to) {
    TemplateSection s = t.sections().get(section);
    BarGrid grid = t.grid(section);
    BarGrid.Bar source = grid.bars().get(from);
    BarGrid.Bar target = grid.bars().get(to);
    for (Part p : part == null ? Part.of(s) : List.of(part)) {
      s =
          p instanceof DrumPart drum
              ? s.with(drum, copied(s.hits(drum), source, s.hits(drum), target))
              : s.with(
                  (LinePart) p,
                  copied(s.notes((LinePart) p), source, s.notes((LinePart) p), target));
    }
    return new Edited(
        t.with(section, s),
        "Bar "
            + source.number()
            + " of "
            + name(t, section)
            + " copied to bar "
            + target.number()
            + (part == null ? "" : ", " + t.name(part)));
  }

  /** What one bar plays, in a bar of other events, as far as that one has the same places. */
  static <E extends Placed<E>> List<E> copied(
      List<E> source, BarGrid.Bar from, List<E> events, BarGrid.Bar to) {
    List<E> out = new ArrayList<>(events);
    out.removeIf(e -> e.tick() >= to.from() && e.tick() < to.end());
    for (E e : source) {
      int inBar = from.inBar(e.tick());
      if (e.tick() >= from.from() && e.tick() < from.end() && to.has(inBar)) {
        out.add(e.at(to.tick(inBar), e.offsetMs()));
      }
    }
    out.sort(Comparator.comparingDouble(Placed::order));
    return out;
  }

  /** Lets a part play in a section as it does in another, or not at all where it does not there. */
  public static Edited copyPart(Template t, Part part, int from, int to) {
    TemplateSection with = like(t, part, from, to);
    return new Edited(
        t.with(to, with), t.name(part) + " of " + name(t, from) + " copied to " + name(t, to));
  }

  /** Does so in every section with the same label. */
  public static Edited copyToAlike(Template t, Part part, int from) {
    Template out = t;
    int count = 0;
    String label = t.sections().get(from).label();
    for (int s = 0; s < t.sections().size(); s++) {
      if (s != from && t.sections().get(s).label().equals(label)) {
        out = out.with(s, like(out, part, from, s));
        count++;
      }
    }
    return new Edited(
        out, t.name(part) + " of " + name(t, from) + " copied to " + count + " sections alike");
  }

  private static TemplateSection like(Template t, Part part, int from, int to) {
    return Elsewhere.of(t, from).laid(t, to, part, part);
  }

  /** Takes a part out of a section. */
  public static Edited silence(Template t, Part part, int section) {
    TemplateSection with = t.sections().get(section).without(part);
    return new Edited(t.with(section, with), "No " + t.name(part) + " in " + name(t, section));
  }

  static String name(Template t, int section) {
    TemplateSection s = t.sections().get(section);
    return s.label() + " " + s.role();
  }

  /** Every section's beats with their lengths in seconds, in its own count of bars. */
  private static List<List<Span>> spans(Template t) {
    List<List<Span>> out = new ArrayList<>();
    for (int s = 0; s < t.sections().size(); s++) {
      int first = t.firstBeat(s);
      List<Span> spans = new ArrayList<>();
      for (int k = first; k < first + t.sections().get(s).beats(); k++) {
        Beat b = t.beats().get(k);
        spans.add(new Span(b.position(), t.beats().get(k + 1).time() - b.time()));
      }
      out.add(spans);
    }
    return out;
  }

  /** A beat's place in its bar and its length in seconds. */
  private record Span(int position, double seconds) {}

  /** Bars are numbered anew; each section keeps its own, a pick-up at its front included. */
  private static Edited done(
      Template t, List<TemplateSection> sections, List<List<Span>> spans, String words) {
    List<Beat> beats = new ArrayList<>();
    double time = t.beats().get(0).time();
    int bar = t.beats().get(0).bar() - 1;
    for (List<Span> section : spans) {
      int before = 0;
      for (Span span : section) {
        bar += span.position() == before + 1 && before > 0 ? 0 : 1;
        before = span.position();
        beats.add(new Beat(time, span.position(), bar));
        time += span.seconds();
      }
    }
    beats.add(new Beat(time, 1, bar + 1));
    return new Edited(t.on(t.bpm(), beats, sections), words);
  }
}
