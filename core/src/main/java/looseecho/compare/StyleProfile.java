package looseecho.compare;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.ToDoubleFunction;
import looseecho.activity.Lane;
import looseecho.compare.Trait.Step;
import looseecho.echo.DrumPart;
import looseecho.echo.Part;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.notes.Key;
import looseecho.pulse.Beat;
import looseecho.pulse.Meter;

/**
 * What several references share. Patterns are means over those of the commonest meter: each counts
 * once, however long it is.
 *
 * @param all the references
 */
public record StyleProfile(List<Trait> all) {
  private static final double SHARED = 0.5; // of the bars, of a step that belongs to the style
  private static final int BARS = 8;

  public StyleProfile {
    all = List.copyOf(all);
    if (all.isEmpty()) {
      throw new IllegalArgumentException("a style needs a reference");
    }
  }

  /** The commonest meter; empty where nothing has a beat. */
  public String meter() {
    Map<String, Integer> counts = new LinkedHashMap<>();
    all.stream()
        .map(Trait::meter)
        .filter(m -> !m.isEmpty())
        .forEach(m -> counts.merge(m, 1, Integer::sum));
    return counts.entrySet().stream()
        .max(Map.Entry.comparingByValue())
        .map(Map.Entry::getKey)
        .orElse("");
  }

  private List<Trait> alike() {
    String meter = meter();
    return all.stream().filter(t -> t.meter().equals(meter)).toList();
  }

  /** Median tempo; 0 where nothing has a beat. */
  public double bpm() {
    return median(Trait::bpm);
  }

  /** Median swing in percent; 0 where it can't be told. */
  public double swing() {
    return median(Trait::swing);
  }

  private double median(ToDoubleFunction<Trait> of) {
    double[] sorted = all.stream().mapToDouble(of).filter(v -> v > 0).sorted().toArray();
    return sorted.length == 0 ? 0 : sorted[sorted.length / 2];
  }

  /** The commonest length of a section in whole bars. */
  public int sectionBars() {
    Map<Integer, Integer> counts = new HashMap<>();
    for (Trait t : all) {
      t.sectionBars().forEach(b -> counts.merge((int) Math.round(b), 1, Integer::sum));
    }
    return counts.entrySet().stream()
        .max(Map.Entry.comparingByValue())
        .map(Map.Entry::getKey)
        .orElse(BARS);
  }

  /** How often each step is struck, by drum; those that half of the references have. */
  public Map<Lane, List<Step>> patterns() {
    List<Trait> alike = alike();
    Map<Lane, List<List<Step>>> lanes = new TreeMap<>();
    for (Trait t : alike) {
      t.patterns().forEach((l, s) -> lanes.computeIfAbsent(l, x -> new ArrayList<>()).add(s));
    }
    Map<Lane, List<Step>> out = new TreeMap<>();
    lanes.forEach(
        (lane, own) -> {
          if (own.size() >= alike.size() / 2.0) {
            out.put(lane, mean(own));
          }
        });
    return out;
  }

  private static List<Step> mean(List<List<Step>> own) {
    List<Step> out = new ArrayList<>();
    for (int k = 0; k < own.get(0).size(); k++) {
      int step = k;
      double share = own.stream().mapToDouble(s -> s.get(step).share()).average().orElse(0);
      List<Step> struck = own.stream().map(s -> s.get(step)).filter(s -> s.share() > 0).toList();
      out.add(
          new Step(
              share,
              struck.stream().mapToDouble(Step::velocity).average().orElse(0),
              struck.stream().mapToDouble(Step::lateMs).average().orElse(0)));
    }
    return out;
  }

  /** What they share, in words. */
  public List<String> words() {
    List<String> out = new ArrayList<>();
    double[] tempos = all.stream().mapToDouble(Trait::bpm).filter(b -> b > 0).sorted().toArray();
    if (tempos.length > 0) {
      out.add(
          String.format(
              Locale.ROOT,
              "%.0f to %.0f BPM, %.0f in the middle, %s",
              tempos[0],
              tempos[tempos.length - 1],
              bpm(),
              meter()));
    }
    if (swing() > 0) {
      out.add(String.format(Locale.ROOT, "Swing %.0f %%", swing()));
    }
    out.add("Sections of " + sectionBars() + " bars are the commonest");
    patterns()
        .forEach(
            (lane, steps) -> {
              List<String> on = new ArrayList<>();
              for (int k = 0; k < steps.size(); k++) {
                if (steps.get(k).share() >= SHARED) {
                  on.add(String.valueOf(k + 1));
                }
              }
              if (!on.isEmpty()) {
                out.add(lane.words() + " on " + String.join(", ", on));
              }
            });
    return out;
  }

  /** A new echo that starts from what they share: its drums; empty where there is no beat. */
  public Optional<Template> template() {
    if (bpm() == 0) {
      return Optional.empty();
    }
    Meter meter = Meter.parse(meter());
    int bars = Math.max(1, Math.min(32, sectionBars()));
    List<Beat> map = new ArrayList<>();
    for (int k = 0; k <= bars * meter.beats(); k++) {
      map.add(new Beat(k * 60 / bpm(), k % meter.beats() + 1, k / meter.beats() + 1));
    }
    TemplateSection s = new TemplateSection("A", "", bars * meter.beats(), Map.of(), Map.of());
    for (Map.Entry<Lane, List<Step>> lane : patterns().entrySet()) {
      DrumPart part = Part.of(lane.getKey());
      s = s.with(part, strokes(lane.getValue(), bars, meter));
    }
    Key key = new Key(0, minors() * 2 >= all.size());
    return Optional.of(new Template(bpm(), meter, key, map, List.of(s)));
  }

  private long minors() {
    return all.stream().filter(t -> t.key().contains("minor")).count();
  }

  private static List<Stroke> strokes(List<Step> steps, int bars, Meter meter) {
    List<Stroke> out = new ArrayList<>();
    double most = steps.stream().mapToDouble(Step::share).max().orElse(0);
    double least = Math.min(SHARED, most); // a drum that plays has its usual steps at least
    for (int bar = 0; bar < bars; bar++) {
      for (int k = 0; k < steps.size(); k++) {
        Step s = steps.get(k);
        if (s.share() > 0 && s.share() >= least) {
          int velocity = (int) Math.max(1, Math.min(127, Math.round(s.velocity())));
          out.add(new Stroke(bar * meter.ticksPerBar() + k * Meter.STEP, s.lateMs(), velocity));
        }
      }
    }
    return out;
  }

  /** Levels of steps as text: strong, now and then, never. */
  public static String drawn(List<Step> steps) {
    char[] out = new char[steps.size()];
    for (int k = 0; k < out.length; k++) {
      double share = steps.get(k).share();
      out[k] = share >= SHARED ? 'X' : share >= SHARED / 2 ? 'o' : '.';
    }
    return new String(out);
  }
}
