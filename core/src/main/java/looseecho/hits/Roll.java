package looseecho.hits;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import looseecho.activity.Lane;
import looseecho.pulse.Grid;
import looseecho.pulse.Pulse;

/**
 * A roll: a run of even, quick hits of one drum (common practice: a snare roll leads into a
 * section, hats roll in thirty-seconds or triplets). Runs that come in every other bar or more are
 * the pattern itself and no roll.
 *
 * @param lanes that it is played on
 * @param start seconds of its first hit
 * @param end seconds behind its last hit, by one gap
 * @param words such as "snare roll in 16ths, getting louder"
 * @param confidence mean of its hits
 * @param gap usual beats from one hit to the next
 */
public record Roll(
    Set<Lane> lanes, double start, double end, String words, double confidence, double gap) {
  private static final double SNARE_GAP = 0.36; // beats: eighth triplets and quicker
  private static final double HAT_GAP = 0.19; // quicker than sixteenths
  private static final int FEWEST = 5;
  private static final double SAME = 0.04; // beats: a clap and a snare together are one stroke
  private static final double EVEN = 1.9; // longest gap over shortest
  private static final double RISING = 12; // velocity from the first to the last third
  private static final double LIKE = 0.25; // of a gap, that a gap of the lead-in may be off
  private static final int LEAST_LEAD = 2; // hits
  private static final double TOO_OFTEN = 0.4; // rolls per bar

  /** All rolls in order of their drums. */
  public static List<Roll> find(List<Hit> hits, Pulse pulse) {
    List<Roll> out = new ArrayList<>();
    out.addAll(
        runs(
            hits,
            Set.of(Lane.SNARE, Lane.SNARE_2, Lane.CLAP, Lane.CLAP_2),
            "snare",
            SNARE_GAP,
            pulse));
    out.addAll(runs(hits, Set.of(Lane.TOM, Lane.TOM_LOW, Lane.TOM_HIGH), "tom", SNARE_GAP, pulse));
    out.addAll(runs(hits, Set.of(Lane.HAT_CLOSED), "hat", HAT_GAP, pulse));
    return out;
  }

  private static List<Roll> runs(
      List<Hit> hits, Set<Lane> lanes, String name, double gap, Pulse pulse) {
    List<Roll> out = new ArrayList<>();
    List<Hit> run = new ArrayList<>();
    for (Hit h : hits) {
      if (!lanes.contains(h.lane())) {
        continue;
      }
      double beats =
          run.isEmpty()
              ? Double.MAX_VALUE
              : pulse.beatsAt(h.time()) - pulse.beatsAt(run.get(run.size() - 1).time());
      if (beats < SAME) {
        continue;
      }
      if (beats > gap) {
        close(run, lanes, name, pulse, out);
        run.clear();
      }
      run.add(h);
    }
    close(run, lanes, name, pulse, out);
    return out.size() > TOO_OFTEN * pulse.bars().size() ? List.of() : out;
  }

  private static void close(
      List<Hit> run, Set<Lane> lanes, String name, Pulse pulse, List<Roll> out) {
    if (run.size() < FEWEST) {
      return;
    }
    double[] gaps = new double[run.size() - 1];
    for (int i = 0; i < gaps.length; i++) {
      gaps[i] = pulse.beatsAt(run.get(i + 1).time()) - pulse.beatsAt(run.get(i).time());
    }
    java.util.Arrays.sort(gaps);
    double usual = gaps[gaps.length / 2];
    if (gaps[gaps.length - 1] > EVEN * Math.max(gaps[0], 0.5 * usual)) {
      return;
    }
    int third = Math.max(1, run.size() / 3);
    double rise = mean(run.subList(run.size() - third, run.size())) - mean(run.subList(0, third));
    double end = run.get(run.size() - 1).time();
    double length = end - run.get(0).time();
    String words =
        name
            + " roll in "
            + Grid.ofGap(usual * pulse.meter().value().ticksPerBeat()).words()
            + (rise > RISING ? ", getting louder" : rise < -RISING ? ", getting softer" : "");
    double confidence = run.stream().mapToDouble(Hit::confidence).average().orElse(0);
    double until = end + length / gaps.length;
    out.add(new Roll(lanes, run.get(0).time(), until, words, Math.min(1, confidence), usual));
  }

  private static double mean(List<Hit> hits) {
    return hits.stream().mapToInt(Hit::velocity).average().orElse(0);
  }

  /**
   * Seconds of the first hit of the lead-in, even hits at half the speed; the roll's own start
   * where there is none. Common practice: a snare roll gathers speed by doubling it.
   */
  public double gathersFrom(List<Hit> hits, Pulse pulse) {
    double from = start;
    int lead = 0;
    for (int i = hits.size() - 1; i >= 0; i--) {
      Hit h = hits.get(i);
      double beats = pulse.beatsAt(from) - pulse.beatsAt(h.time());
      if (!lanes.contains(h.lane()) || beats < SAME) {
        continue;
      }
      if (Math.abs(beats - 2 * gap) > LIKE * 2 * gap) {
        break;
      }
      from = h.time();
      lead++;
    }
    return lead < LEAST_LEAD ? start : from;
  }

  /** True when the roll has ended by a hit. */
  boolean isOver(Hit h) {
    return h.time() >= end;
  }

  boolean holds(Hit h) {
    return lanes.contains(h.lane()) && h.time() >= start - 1e-9 && h.time() < end - 1e-9;
  }
}
