package looseecho.compare;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeSet;
import looseecho.compare.Finding.Kind;
import looseecho.echo.DrumPart;
import looseecho.echo.LinePart;
import looseecho.echo.Part;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.echo.Tone;

/**
 * Holds what an echo plays against what its reference plays, section by section: strokes within 50
 * ms of each other are the same one (the tolerance of the MIREX onset detection task), each once.
 */
final class PatternCompare {
  private static final double SAME_MS = 50;
  private static final double STEP_MS = 6;
  private static final double STEP_DB = 3;
  private static final double ALL_WRONG = 9; // steps of a part of which nothing is there
  private static final double LEAST_MS = 0.5; // what is less comes from rounding
  private static final double LEAST_DB = 0.5;
  private static final int ENOUGH = 3; // strokes that tell a part's lateness

  private final Template reference;
  private final Template echo;
  private final int[] as;
  private final Map<Part, Pairs> parts = new LinkedHashMap<>();

  PatternCompare(Template reference, Template echo) {
    this.reference = reference;
    this.echo = echo;
    this.as = Sections.match(reference, echo);
    TreeSet<Part> all = new TreeSet<>(Part.of(reference));
    all.addAll(Part.of(echo));
    for (Part part : all) {
      parts.put(part, pairs(part));
    }
    parts.values().removeIf(Pairs::isEmpty);
  }

  /** A stroke or a note; those that are no notes have the pitch -1. */
  private record Struck(double ms, int velocity, int pitch) {}

  /** What is the same on both sides, what is missing and what is too many. */
  private static final class Pairs {
    private final List<Double> late = new ArrayList<>(); // ms, echo after reference
    private final List<Double> louder = new ArrayList<>(); // dB
    private int otherPitch;
    private int missing;
    private int extra;
    private final List<String> absent = new ArrayList<>(); // sections
    private final List<String> uncalled = new ArrayList<>();
    private double firstAt = -1; // seconds in the echo of the first difference

    boolean isEmpty() {
      return late.isEmpty() && missing + extra == 0;
    }

    void differs(double time) {
      firstAt = firstAt < 0 ? time : firstAt;
    }
  }

  private Pairs pairs(Part part) {
    Pairs out = new Pairs();
    for (int k = 0; k < as.length; k++) {
      if (as[k] < 0) {
        continue;
      }
      List<Struck> want = struck(reference, as[k], part);
      List<Struck> have = struck(echo, k, part);
      double length = echo.sections().get(k).beats() * 60_000 / echo.bpm();
      List<Struck> due = want.stream().filter(s -> s.ms() < length - 1).toList();
      if (!due.isEmpty() && have.isEmpty()) {
        out.absent.add(echo.sections().get(k).label());
      } else if (due.isEmpty() && !have.isEmpty()) {
        out.uncalled.add(echo.sections().get(k).label());
      }
      match(due, have, echo.time(k, 0, 0), out);
    }
    return out;
  }

  private static List<Struck> struck(Template t, int section, Part part) {
    TemplateSection s = t.sections().get(section);
    double msPerTick = 60_000 / t.bpm() / t.meter().ticksPerBeat();
    List<Struck> out = new ArrayList<>();
    if (part instanceof DrumPart d) {
      for (Stroke h : s.hits(d)) {
        out.add(new Struck(h.tick() * msPerTick + h.offsetMs(), h.velocity(), -1));
      }
    } else {
      for (Tone n : s.notes((LinePart) part)) {
        out.add(new Struck(n.tick() * msPerTick + n.offsetMs(), n.velocity(), n.pitch()));
      }
    }
    out.sort(java.util.Comparator.comparingDouble(Struck::ms).thenComparingInt(Struck::pitch));
    return out;
  }

  /** Each of the wanted with the nearest that is left, of its own pitch first. */
  private static void match(List<Struck> want, List<Struck> have, double start, Pairs out) {
    boolean[] used = new boolean[have.size()];
    List<Struck> left = new ArrayList<>();
    for (Struck w : want) {
      if (!take(w, have, used, true, out)) {
        left.add(w);
      }
    }
    for (Struck w : left) {
      if (take(w, have, used, false, out)) {
        out.otherPitch++;
      } else {
        out.missing++;
      }
      out.differs(start + w.ms() / 1000);
    }
    for (int k = 0; k < used.length; k++) {
      if (!used[k]) {
        out.extra++;
        out.differs(start + have.get(k).ms() / 1000);
      }
    }
  }

  private static boolean take(
      Struck w, List<Struck> have, boolean[] used, boolean samePitch, Pairs out) {
    int best = -1;
    for (int k = 0; k < have.size(); k++) {
      double off = Math.abs(have.get(k).ms() - w.ms());
      boolean near = best < 0 || off < Math.abs(have.get(best).ms() - w.ms());
      boolean fits = !samePitch || have.get(k).pitch() == w.pitch();
      if (!used[k] && fits && off <= SAME_MS && near) {
        best = k;
      }
    }
    if (best < 0) {
      return false;
    }
    used[best] = true;
    Struck h = have.get(best);
    out.late.add(h.ms() - w.ms());
    out.louder.add(40 * Math.log10((double) h.velocity() / w.velocity()));
    return true;
  }

  /** What differs, and what does not, part by part. */
  List<Finding> find() {
    double common =
        median(parts.values().stream().flatMap(p -> p.late.stream()).mapToDouble(v -> v).toArray());
    List<Finding> out = new ArrayList<>();
    parts.forEach(
        (part, p) -> {
          String name = name(part);
          out.add(pattern(part, name, p));
          if (p.late.size() >= ENOUGH) {
            out.add(timing(part, name, p, common));
            out.add(accents(name, p));
          }
          if (part instanceof LinePart && p.otherPitch > 0) {
            double share = (double) p.otherPitch / p.late.size();
            String words =
                String.format(
                    Locale.ROOT,
                    "%d of %d notes of the %s are others.",
                    p.otherPitch,
                    p.late.size(),
                    name);
            out.add(
                new Finding(
                    Kind.PITCH,
                    name,
                    1 + ALL_WRONG * share,
                    words,
                    at(p),
                    Optional.of(new Mend(Mend.What.AS_HEARD, part, 0))));
          }
        });
    return out;
  }

  /** How a part is called, in the echo first. */
  private String name(Part part) {
    return echo.names().containsKey(part) ? echo.name(part) : reference.name(part);
  }

  private static OptionalDouble at(Pairs p) {
    return p.firstAt < 0 ? OptionalDouble.empty() : OptionalDouble.of(p.firstAt);
  }

  private static Finding pattern(Part part, String name, Pairs p) {
    int same = p.late.size();
    if (p.missing + p.extra == 0) {
      return Finding.of(Kind.PATTERN, name, 0, "The " + name + " has every stroke.");
    }
    double f = 2.0 * same / (2.0 * same + p.missing + p.extra);
    String what = part instanceof DrumPart ? "strokes" : "notes";
    String words =
        "The "
            + name
            + (p.missing > 0
                ? " misses " + p.missing + " of " + (same + p.missing) + " " + what
                : "")
            + (p.missing > 0 && p.extra > 0 ? " and" : "")
            + (p.extra > 0 ? " has " + p.extra + " that the track has not" : "")
            + ".";
    String where =
        letters(" It is silent in ", p.absent)
            + letters(" It plays where it is silent in the track, in ", p.uncalled);
    return new Finding(
        !where.isEmpty() ? Kind.PRESENCE : Kind.PATTERN,
        name,
        1 + ALL_WRONG * (1 - f),
        words + where,
        at(p),
        Optional.of(new Mend(Mend.What.AS_HEARD, part, 0)));
  }

  private static String letters(String words, List<String> sections) {
    return sections.isEmpty() ? "" : words + String.join(", ", new TreeSet<>(sections)) + ".";
  }

  private static Finding timing(Part part, String name, Pairs p, double common) {
    double late = median(p.late.stream().mapToDouble(v -> v).toArray()) - common;
    double[] spread = p.late.stream().mapToDouble(v -> Math.abs(v - common - late)).toArray();
    double loose = median(spread);
    if (Math.abs(late) < LEAST_MS && loose < LEAST_MS) {
      return Finding.of(Kind.TIMING, name, 0, "The " + name + " is in time with the others.");
    }
    if (Math.abs(late) < loose) {
      String words =
          String.format(
              Locale.ROOT, "The %s is %.0f ms looser or tighter than in the track.", name, loose);
      return Finding.of(Kind.TIMING, name, loose / STEP_MS, words);
    }
    String words =
        String.format(
            Locale.ROOT,
            "The %s comes %.0f ms %s against the others.",
            name,
            Math.abs(late),
            late > 0 ? "late" : "early");
    return new Finding(
        Kind.TIMING,
        name,
        Math.max(Math.abs(late), loose) / STEP_MS,
        words,
        OptionalDouble.empty(),
        Optional.of(new Mend(Mend.What.SHIFT, part, -late)));
  }

  private static Finding accents(String name, Pairs p) {
    double usual = median(p.louder.stream().mapToDouble(v -> v).toArray());
    double apart = p.louder.stream().mapToDouble(v -> Math.abs(v - usual)).average().orElse(0);
    if (apart < LEAST_DB) {
      return Finding.of(Kind.ACCENTS, name, 0, "The " + name + " has its accents.");
    }
    String words =
        String.format(
            Locale.ROOT, "The accents of the %s are %.1f dB off on average.", name, apart);
    return Finding.of(Kind.ACCENTS, name, apart / STEP_DB, words);
  }

  private static double median(double[] values) {
    double[] sorted = values.clone();
    Arrays.sort(sorted);
    return sorted.length == 0 ? 0 : sorted[sorted.length / 2];
  }
}
