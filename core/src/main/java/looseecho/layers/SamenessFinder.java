package looseecho.layers;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import looseecho.activity.Lane;
import looseecho.analysis.Analysis;
import looseecho.echo.HeardDrums;
import looseecho.hits.Hit;
import looseecho.hits.Place;
import looseecho.hits.Places;
import looseecho.notes.Note;
import looseecho.pulse.Meter;
import looseecho.pulse.Pulse;

/**
 * Tells which fillers repeat unchanged: hats, percussion, rides and riffs whose bars stay alike for
 * long. Kick, snare and bass are not looked at: a beat lives on their coming back.
 */
public final class SamenessFinder {
  private static final int FEWEST_BARS = 8;
  private static final int FEWEST_TIMES = 4;
  private static final int[] PATTERNS = {1, 2, 4}; // bars
  private static final double OTHER = 0.125; // of a bar's strokes may differ: some are misheard
  private static final Set<Lane> FILLERS =
      Set.of(Lane.HAT_CLOSED, Lane.HAT_OPEN, Lane.PERCUSSION, Lane.RIDE);

  private SamenessFinder() {}

  /**
   * The longest stretch of a filler without a change.
   *
   * @param from number of its first bar
   * @param to number of its last
   * @param pattern bars after which it comes again
   */
  public record Run(String name, int from, int to, int pattern) {
    int bars() {
      return to - from + 1;
    }

    /** Such as "closed hat: bars 9 to 24 alike". */
    public String words() {
      String by = pattern == 1 ? "" : pattern == 2 ? " by twos" : " by fours";
      return name + ": bars " + from + " to " + to + " alike" + by;
    }
  }

  /** Longest first. */
  public static List<Run> find(Analysis a) {
    return a.pulse().map(p -> find(a.hits(), a.tonality().riff(), p)).orElse(List.of());
  }

  static List<Run> find(List<Hit> hits, List<Note> riff, Pulse pulse) {
    HeardDrums drums = HeardDrums.of(hits);
    List<Run> out = new ArrayList<>();
    drums
        .hits()
        .forEach(
            (part, struck) -> {
              if (FILLERS.contains(part.lane())) {
                SortedMap<Integer, Set<Integer>> bars = new TreeMap<>();
                struck.forEach(h -> add(bars, h.bar(), Math.round((float) h.tick() / Meter.STEP)));
                String name = drums.names().getOrDefault(part, part.words());
                longest(name, bars).ifPresent(out::add);
              }
            });
    SortedMap<Integer, Set<Integer>> bars = new TreeMap<>();
    Places places = new Places(pulse);
    for (Note n : riff) {
      Place at = places.at(n.start());
      add(bars, at.bar(), 128 * at.step() + n.pitch());
    }
    longest("riff", bars).ifPresent(out::add);
    out.sort(Comparator.comparingInt(r -> -r.bars()));
    return out;
  }

  private static void add(SortedMap<Integer, Set<Integer>> bars, int bar, int what) {
    bars.computeIfAbsent(bar, b -> new HashSet<>()).add(what);
  }

  private static Optional<Run> longest(String name, SortedMap<Integer, Set<Integer>> bars) {
    Run best = null;
    for (int pattern : PATTERNS) {
      int from = 0;
      int before = Integer.MIN_VALUE; // the last bar that was like one before it
      for (int bar : bars.keySet()) {
        if (!isAlike(bars.get(bar), bars.get(bar - pattern))) {
          continue;
        }
        from = bar == before + 1 ? from : bar - pattern;
        before = bar;
        Run run = new Run(name, from, bar, pattern);
        boolean counts = run.bars() >= Math.max(FEWEST_BARS, FEWEST_TIMES * pattern);
        if (counts && (best == null || run.bars() > best.bars())) {
          best = run;
        }
      }
    }
    return Optional.ofNullable(best);
  }

  private static boolean isAlike(Set<Integer> a, Set<Integer> b) {
    if (b == null) {
      return false;
    }
    long common = a.stream().filter(b::contains).count();
    return a.size() + b.size() - 2 * common <= OTHER * Math.max(a.size(), b.size());
  }
}
