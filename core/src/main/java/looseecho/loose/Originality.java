package looseecho.loose;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import looseecho.echo.DrumPart;
import looseecho.echo.LinePart;
import looseecho.echo.Part;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.echo.Tone;
import looseecho.mix.Sounds;
import looseecho.notes.Line;

/**
 * How far an echo has gone from the exact one, per aspect, 0 (the same) to 100. A reading, not a
 * verdict: the law does not count steps.
 *
 * <p>Definitions, section by section over the sections that both have by letter (the second A is
 * held against the second A, a third one against the last there was), as 100 (1 - likeness).
 * Pattern: F-measure of the hits (lane and place). Notes: F-measure of riff and bass notes (line,
 * place, pitch class against the home note, so that a mere transposition counts as the same).
 * Timing: mean difference of offset of the hits that both have, 20 ms or more counting as 100.
 * Arrangement: share of parts and beats that do not play where they did. Sounds: see {@link
 * SoundDistance}; against those that come near the reference, with which every echo begins.
 */
public final class Originality {
  private static final double WHOLE_MS = 20;

  private Originality() {}

  /**
   * All readings.
   *
   * @param near the sounds that the echo began with
   */
  public static Map<Aspect, Double> of(Template exact, Template echo, Sounds near, Sounds sounds) {
    Map<Aspect, Double> out = new EnumMap<>(Aspect.class);
    out.put(Aspect.TIMING, timing(exact, echo));
    out.put(
        Aspect.PATTERN, 100 * (1 - likeness(exact, echo, Originality::hits, Originality::hits)));
    int before = exact.key().tonic();
    int now = echo.key().tonic();
    out.put(
        Aspect.NOTES, 100 * (1 - likeness(exact, echo, s -> notes(s, before), s -> notes(s, now))));
    out.put(Aspect.ARRANGEMENT, arrangement(exact, echo));
    out.put(Aspect.SOUNDS, SoundDistance.of(near, sounds, echo));
    return out;
  }

  private record Pair(TemplateSection exact, TemplateSection echo) {}

  /** Sections of the echo beside those they come from; new ones have none. */
  private static List<Pair> pairs(Template exact, Template echo) {
    Map<String, List<TemplateSection>> there = new HashMap<>();
    exact.sections().forEach(s -> there.computeIfAbsent(s.label(), l -> new ArrayList<>()).add(s));
    Map<String, Integer> seen = new HashMap<>();
    List<Pair> out = new ArrayList<>();
    for (TemplateSection s : echo.sections()) {
      List<TemplateSection> alike = there.get(s.label());
      int nth = seen.merge(s.label(), 1, Integer::sum);
      if (alike != null) {
        out.add(new Pair(alike.get(Math.min(nth, alike.size()) - 1), s));
      }
    }
    return out;
  }

  private static List<String> hits(TemplateSection s) {
    List<String> out = new ArrayList<>();
    s.drums().forEach((drum, all) -> all.forEach(h -> out.add(drum + " " + h.tick())));
    return out;
  }

  private static List<String> notes(TemplateSection s, int home) {
    List<String> out = new ArrayList<>();
    for (LinePart line : s.lines().keySet()) {
      for (Tone n : line.line() == Line.CHORDS ? List.<Tone>of() : s.notes(line)) {
        out.add(line + " " + n.tick() + " " + Math.floorMod(n.pitch() - home, 12));
      }
    }
    return out;
  }

  private static double likeness(
      Template a,
      Template b,
      Function<TemplateSection, List<String>> ofA,
      Function<TemplateSection, List<String>> ofB) {
    int shared = 0;
    int all = 0;
    for (Pair p : pairs(a, b)) {
      List<String> x = ofA.apply(p.exact());
      List<String> y = ofB.apply(p.echo());
      Map<String, Integer> left = new HashMap<>();
      x.forEach(i -> left.merge(i, 1, Integer::sum));
      for (String i : y) {
        shared += left.merge(i, -1, Integer::sum) >= 0 ? 2 : 0;
      }
      all += x.size() + y.size();
    }
    return all == 0 ? 1 : (double) shared / all;
  }

  private static double timing(Template a, Template b) {
    double sum = 0;
    int count = 0;
    for (Pair p : pairs(a, b)) {
      for (DrumPart drum : p.exact().drums().keySet()) {
        Map<Integer, Stroke> old = new HashMap<>();
        p.exact().hits(drum).forEach(h -> old.put(h.tick(), h));
        for (Stroke h : p.echo().hits(drum)) {
          if (old.containsKey(h.tick())) {
            sum += Math.min(WHOLE_MS, Math.abs(h.offsetMs() - old.get(h.tick()).offsetMs()));
            count++;
          }
        }
      }
    }
    return count == 0 ? 0 : 100 * sum / count / WHOLE_MS;
  }

  private static double arrangement(Template a, Template b) {
    int n = Math.max(a.sections().size(), b.sections().size());
    double other = 0;
    for (int s = 0; s < n; s++) {
      if (s >= a.sections().size() || s >= b.sections().size()) {
        other++;
        continue;
      }
      TemplateSection x = a.sections().get(s);
      TemplateSection y = b.sections().get(s);
      List<Part> all = Part.of(x);
      List<Part> now = Part.of(y);
      Set<Part> union = new HashSet<>(all);
      union.addAll(now);
      long same = union.stream().filter(p -> all.contains(p) && now.contains(p)).count();
      double parts = union.isEmpty() ? 0 : 1 - (double) same / union.size();
      double beats = Math.abs(x.beats() - y.beats()) / (double) Math.max(x.beats(), y.beats());
      other += Math.min(1, parts + beats);
    }
    return 100 * other / n;
  }
}
