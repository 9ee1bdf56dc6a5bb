package looseecho.echo;

import java.util.ArrayList;
import java.util.List;
import looseecho.echo.Edits.Edited;
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
    List<double[]> lengths = lengths(t);
    sections.add(section + 1, sections.get(section));
    lengths.add(section + 1, lengths.get(section).clone());
    return done(t, sections, lengths, "Repeated " + name(t, section));
  }

  /** Puts an empty section of so many beats behind a section, at its tempo. */
  public static Edited insert(Template t, int section, int beats) {
    List<TemplateSection> sections = new ArrayList<>(t.sections());
    List<double[]> lengths = lengths(t);
    double beat = java.util.Arrays.stream(lengths.get(section)).average().orElse(60 / t.bpm());
    double[] even = new double[beats];
    java.util.Arrays.fill(even, beat);
    String label = unused(t);
    sections.add(
        section + 1,
        new TemplateSection(label, "new", beats, java.util.Map.of(), java.util.Map.of()));
    lengths.add(section + 1, even);
    String bars = Words.bars((double) beats / t.beatsPerBar());
    return done(t, sections, lengths, "Empty section " + label + " of " + bars + " put in");
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
    List<double[]> lengths = lengths(t);
    sections.remove(section);
    lengths.remove(section);
    return done(t, sections, lengths, "Took out " + name(t, section));
  }

  /** Moves a section to another place in the order. */
  public static Edited move(Template t, int section, int to) {
    int target = Math.max(0, Math.min(t.sections().size() - 1, to));
    List<TemplateSection> sections = new ArrayList<>(t.sections());
    List<double[]> lengths = lengths(t);
    sections.add(target, sections.remove(section));
    lengths.add(target, lengths.remove(section));
    return done(t, sections, lengths, "Moved " + name(t, section));
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
    int per = t.meter().stepsPerBeat();
    int was = s.beats() * per;
    int now = beats * per;
    List<TemplateSection> sections = new ArrayList<>(t.sections());
    sections.set(
        section,
        s.changed(
            beats, hits -> unrolled(hits, was, now), notes -> unrolledNotes(notes, was, now)));
    List<double[]> lengths = lengths(t);
    double[] old = lengths.get(section);
    double[] beatLengths = new double[beats];
    for (int k = 0; k < beats; k++) {
      beatLengths[k] = old[k % old.length];
    }
    lengths.set(section, beatLengths);
    double bars = (double) beats / t.beatsPerBar();
    return done(t, sections, lengths, name(t, section) + " is " + Words.bars(bars) + " long");
  }

  private static List<StepHit> unrolled(List<StepHit> hits, int was, int now) {
    List<StepHit> out = new ArrayList<>();
    for (int zero = 0; zero < now; zero += was) {
      for (StepHit h : hits) {
        if (zero + h.step() < now) {
          out.add(h.at(zero + h.step(), h.offsetMs()));
        }
      }
    }
    return out;
  }

  private static List<StepNote> unrolledNotes(List<StepNote> notes, int was, int now) {
    List<StepNote> out = new ArrayList<>();
    for (int zero = 0; zero < now; zero += was) {
      for (StepNote n : notes) {
        int step = zero + n.step();
        if (step < now) {
          out.add(n.at(step, n.offsetMs()).lasting(Math.min(n.lengthSteps(), now - step)));
        }
      }
    }
    return out;
  }

  /** Silences everything from a step for so many steps. */
  public static Edited stop(Template t, int section, int from, int steps) {
    TemplateSection s = t.sections().get(section);
    int end = from + steps;
    TemplateSection with =
        s.changed(
            s.beats(),
            hits -> hits.stream().filter(h -> h.step() < from || h.step() >= end).toList(),
            notes ->
                notes.stream()
                    .filter(n -> n.step() < from || n.step() >= end)
                    .map(
                        n ->
                            n.step() < from
                                ? n.lasting(Math.min(n.lengthSteps(), from - n.step()))
                                : n)
                    .toList());
    double beats = (double) steps / t.meter().stepsPerBeat();
    return new Edited(
        t.with(section, with),
        "Stop in " + name(t, section) + ", " + Words.bars(beats / t.beatsPerBar()));
  }

  /** Copies one bar of a section over another, for one part or, with null, for all. */
  public static Edited copyBar(Template t, int section, Part part, int from, int to) {
    TemplateSection s = t.sections().get(section);
    int bar = t.stepsPerBar();
    int end = s.beats() * t.meter().stepsPerBeat();
    for (Part p : part == null ? Part.of(s) : List.of(part)) {
      s =
          p.lane().isPresent()
              ? s.with(p.lane().get(), barHits(s.hits(p.lane().get()), bar, from, to, end))
              : s.with(p.line().get(), barNotes(s.notes(p.line().get()), bar, from, to, end));
    }
    return new Edited(
        t.with(section, s),
        "Bar "
            + (from + 1)
            + " of "
            + name(t, section)
            + " copied to bar "
            + (to + 1)
            + (part == null ? "" : ", " + part.words()));
  }

  private static List<StepHit> barHits(List<StepHit> hits, int bar, int from, int to, int end) {
    List<StepHit> out = new ArrayList<>(hits);
    out.removeIf(h -> h.step() / bar == to);
    for (StepHit h : hits) {
      int step = h.step() + (to - from) * bar;
      if (h.step() / bar == from && step < end) {
        out.add(h.at(step, h.offsetMs()));
      }
    }
    out.sort(java.util.Comparator.comparingInt(StepHit::step));
    return out;
  }

  private static List<StepNote> barNotes(List<StepNote> notes, int bar, int from, int to, int end) {
    List<StepNote> out = new ArrayList<>(notes);
    out.removeIf(n -> n.step() / bar == to);
    for (StepNote n : notes) {
      int step = n.step() + (to - from) * bar;
      if (n.step() / bar == from && step < end) {
        out.add(n.at(step, n.offsetMs()));
      }
    }
    out.sort(java.util.Comparator.comparingInt(StepNote::step));
    return out;
  }

  /** Lets a part play in a section as it does in another, or not at all where it does not there. */
  public static Edited copyPart(Template t, Part part, int from, int to) {
    TemplateSection with = like(t, part, from, to);
    return new Edited(
        t.with(to, with), part.words() + " of " + name(t, from) + " copied to " + name(t, to));
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
        out, part.words() + " of " + name(t, from) + " copied to " + count + " sections alike");
  }

  private static TemplateSection like(Template t, Part part, int from, int to) {
    TemplateSection a = t.sections().get(from);
    TemplateSection b = t.sections().get(to);
    int was = a.beats() * t.meter().stepsPerBeat();
    int now = b.beats() * t.meter().stepsPerBeat();
    return part.lane()
        .map(lane -> b.with(lane, unrolled(a.hits(lane), was, now)))
        .orElseGet(
            () -> b.with(part.line().get(), unrolledNotes(a.notes(part.line().get()), was, now)));
  }

  /** Takes a part out of a section. */
  public static Edited silence(Template t, Part part, int section) {
    TemplateSection s = t.sections().get(section);
    TemplateSection with =
        part.lane()
            .map(lane -> s.with(lane, List.<StepHit>of()))
            .orElseGet(() -> s.with(part.line().get(), List.<StepNote>of()));
    return new Edited(t.with(section, with), "No " + part.words() + " in " + name(t, section));
  }

  static String name(Template t, int section) {
    TemplateSection s = t.sections().get(section);
    return s.label() + " " + s.role();
  }

  /** Lengths of the beats of every section, in seconds. */
  private static List<double[]> lengths(Template t) {
    List<double[]> out = new ArrayList<>();
    for (int s = 0; s < t.sections().size(); s++) {
      int first = t.firstBeat(s);
      double[] lengths = new double[t.sections().get(s).beats()];
      for (int k = 0; k < lengths.length; k++) {
        lengths[k] = t.beats().get(first + k + 1).time() - t.beats().get(first + k).time();
      }
      out.add(lengths);
    }
    return out;
  }

  private static Edited done(
      Template t, List<TemplateSection> sections, List<double[]> lengths, String words) {
    List<Beat> beats = new ArrayList<>();
    double time = t.beats().get(0).time();
    int bar = Math.max(1, t.beats().get(0).bar());
    for (int s = 0; s < sections.size(); s++) {
      int position = 1;
      bar += s == 0 ? 0 : 1;
      for (double length : lengths.get(s)) {
        if (position > t.beatsPerBar()) {
          position = 1;
          bar++;
        }
        beats.add(new Beat(time, position++, bar));
        time += length;
      }
    }
    beats.add(new Beat(time, 1, bar + 1));
    return new Edited(new Template(t.bpm(), t.meter(), t.key(), beats, sections), words);
  }
}
