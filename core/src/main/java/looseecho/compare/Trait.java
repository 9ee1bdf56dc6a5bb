package looseecho.compare;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import looseecho.activity.Lane;
import looseecho.analysis.Analysis;
import looseecho.form.Section;
import looseecho.hits.Hit;
import looseecho.hits.Swing;
import looseecho.pulse.Meter;

/**
 * What one reference has of a style.
 *
 * @param name of the file
 * @param bpm tempo; 0 where no beat was found
 * @param meter such as 4/4
 * @param key in words
 * @param swing percent of the first of two; 0 where it can't be told
 * @param sectionBars lengths of the sections
 * @param patterns how often each sixteenth of a bar is struck, by drum, among the bars in which it
 *     plays at all
 */
public record Trait(
    String name,
    double bpm,
    String meter,
    String key,
    double swing,
    List<Double> sectionBars,
    Map<Lane, List<Step>> patterns) {
  private static final int FEWEST = 8; // strokes of a drum

  /**
   * A sixteenth of a bar.
   *
   * @param share of the bars in which it is struck, 0..1
   * @param velocity mean
   * @param lateMs mean
   */
  public record Step(double share, double velocity, double lateMs) {
    static final Step SILENT = new Step(0, 0, 0);
  }

  /** Reads it from what was heard. */
  public static Trait of(String name, Analysis a) {
    return new Trait(
        name,
        a.pulse().map(p -> p.tempo().value()).orElse(0.0),
        a.pulse().map(p -> p.meter().value().words()).orElse(""),
        a.tonality().keyWords(),
        a.feel().swing().map(Swing::percent).orElse(0.0),
        a.form().sections().stream().map(Section::bars).toList(),
        a.pulse().map(p -> patterns(a.hits(), p.meter().value().stepsPerBar())).orElse(Map.of()));
  }

  private static Map<Lane, List<Step>> patterns(List<Hit> hits, int steps) {
    Map<Lane, List<Hit>> lanes = new TreeMap<>();
    for (Hit h : hits) {
      lanes.computeIfAbsent(h.lane().base(), l -> new ArrayList<>()).add(h);
    }
    Map<Lane, List<Step>> out = new TreeMap<>(Comparator.comparingInt(Enum::ordinal));
    lanes.forEach(
        (lane, own) -> {
          if (own.size() >= FEWEST) {
            out.put(lane, steps(own, steps));
          }
        });
    return out;
  }

  private static List<Step> steps(List<Hit> own, int steps) {
    double bars = own.stream().mapToInt(Hit::bar).distinct().count();
    List<Step> out = new ArrayList<>();
    for (int k = 0; k < steps; k++) {
      int step = k;
      List<Hit> here =
          own.stream()
              .filter(h -> Math.floorMod(Math.round(h.tick() / (float) Meter.STEP), steps) == step)
              .toList();
      double struck = here.stream().mapToInt(Hit::bar).distinct().count();
      out.add(
          here.isEmpty()
              ? Step.SILENT
              : new Step(
                  struck / bars,
                  here.stream().mapToInt(Hit::velocity).average().orElse(0),
                  here.stream().mapToDouble(Hit::offsetMs).average().orElse(0)));
    }
    return out;
  }
}
