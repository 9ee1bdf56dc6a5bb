package looseecho.hits;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import looseecho.activity.Lane;
import looseecho.hits.TypicalBar.Slot;
import looseecho.pulse.Meter;

/**
 * What makes the bar of a stretch move.
 *
 * @param lanes per lane its feel; lanes that are not played are missing
 * @param uniformity how alike the beats of the bar are, 0..1; at 1 nothing tells where one is
 * @param anchor the hit that marks the bar; empty when there is none
 * @param infill per step of the bar, from the first: the lanes that play there besides kick, snare
 *     and clap; empty where nobody does
 * @param answered share of the kick's hits that the snare answers before or with the next kick,
 *     0..1
 */
public record Groove(
    Map<Lane, LaneFeel> lanes,
    double uniformity,
    Optional<Anchor> anchor,
    List<Set<Lane>> infill,
    double answered) {
  private static final double OFTEN = 0.5; // share of the bars that makes a step part of the bar
  private static final double TIGHT_MS = 5; // common practice: below this it sounds quantised
  private static final Set<Lane> MAIN =
      Set.of(Lane.KICK, Lane.SNARE, Lane.SNARE_2, Lane.CLAP, Lane.CLAP_2);

  /**
   * One lane's feel.
   *
   * @param perBar hits in a bar
   * @param offsetMs mean lateness
   * @param spreadMs standard deviation of the offsets around their steps' means
   * @param accent how much louder its loudest step is than its softest, in velocity
   * @param syncopation after Longuet-Higgins and Lee
   * @param variability nPVI of its steps; NaN with fewer than two
   */
  public record LaneFeel(
      double perBar,
      double offsetMs,
      double spreadMs,
      double accent,
      int syncopation,
      double variability) {
    /** "tight" or "loose". */
    public String words() {
      return spreadMs < TIGHT_MS ? "tight" : "loose";
    }
  }

  /** A hit that only one beat of the bar has. */
  public record Anchor(Lane lane, int step) {}

  public Groove {
    lanes = Map.copyOf(lanes);
    infill = List.copyOf(infill);
  }

  /** Reads the groove from a typical bar. */
  public static Groove of(TypicalBar bar, Meter meter) {
    int steps = meter.stepsPerBar();
    int[] weights = Syncopation.weights(steps, meter.stepsPerBeat());
    Map<Lane, LaneFeel> lanes = new EnumMap<>(Lane.class);
    Map<Lane, boolean[]> played = new EnumMap<>(Lane.class);
    List<Set<Lane>> infill = new ArrayList<>();
    for (int s = 0; s < steps; s++) {
      infill.add(new java.util.TreeSet<>());
    }
    bar.lanes()
        .forEach(
            (lane, slots) -> {
              boolean[] on = new boolean[steps];
              for (Slot slot : slots) {
                if (slot.onStep() && slot.step() <= steps && slot.share() >= OFTEN) {
                  on[slot.step() - 1] = true;
                  if (!MAIN.contains(lane)) {
                    infill.get(slot.step() - 1).add(lane);
                  }
                }
              }
              played.put(lane, on);
              lanes.put(lane, feel(slots, on, weights));
            });
    return new Groove(
        lanes,
        uniformity(played, meter),
        anchor(bar, played, meter),
        infill,
        answered(played, steps));
  }

  private static LaneFeel feel(List<Slot> slots, boolean[] on, int[] weights) {
    double hits = slots.stream().mapToDouble(Slot::share).sum();
    double offset = slots.stream().mapToDouble(s -> s.share() * s.offsetMs()).sum() / hits;
    double square =
        slots.stream().mapToDouble(s -> s.share() * s.spreadMs() * s.spreadMs()).sum() / hits;
    double loud =
        slots.stream().filter(s -> s.share() >= OFTEN).mapToDouble(Slot::velocity).max().orElse(0);
    double soft =
        slots.stream().filter(s -> s.share() >= OFTEN).mapToDouble(Slot::velocity).min().orElse(0);
    return new LaneFeel(
        hits,
        offset,
        Math.sqrt(square),
        loud - soft,
        Syncopation.of(on, weights),
        Syncopation.variability(Syncopation.durations(on)));
  }

  /** Mean share of hits that two beats of the bar have in common. */
  private static double uniformity(Map<Lane, boolean[]> played, Meter meter) {
    double sum = 0;
    int pairs = 0;
    for (int a = 0; a < meter.beats(); a++) {
      for (int b = a + 1; b < meter.beats(); b++, pairs++) {
        int both = 0;
        int all = 0;
        for (boolean[] on : played.values()) {
          for (int s = 0; s < meter.stepsPerBeat(); s++) {
            boolean x = on[a * meter.stepsPerBeat() + s];
            boolean y = on[b * meter.stepsPerBeat() + s];
            both += x && y ? 2 : 0;
            all += (x ? 1 : 0) + (y ? 1 : 0);
          }
        }
        sum += all == 0 ? 1 : (double) both / all;
      }
    }
    return pairs == 0 ? 1 : sum / pairs;
  }

  /** The loudest hit on a place of the beat where no other beat has one in its lane. */
  private static Optional<Anchor> anchor(TypicalBar bar, Map<Lane, boolean[]> played, Meter meter) {
    Anchor best = null;
    double loudest = 0;
    for (var e : bar.lanes().entrySet()) {
      boolean[] on = played.get(e.getKey());
      for (Slot slot : e.getValue()) {
        int s = slot.step() - 1;
        if (!slot.onStep() || s >= on.length || !on[s]) {
          continue;
        }
        boolean alone = true;
        for (int b = s % meter.stepsPerBeat(); b < on.length; b += meter.stepsPerBeat()) {
          alone &= b == s || !on[b];
        }
        if (alone && slot.velocity() * slot.share() > loudest) {
          loudest = slot.velocity() * slot.share();
          best = new Anchor(e.getKey(), slot.step());
        }
      }
    }
    return Optional.ofNullable(best);
  }

  private static double answered(Map<Lane, boolean[]> played, int steps) {
    boolean[] kick = played.getOrDefault(Lane.KICK, new boolean[steps]);
    int calls = 0;
    int answers = 0;
    for (int s = 0; s < steps; s++) {
      if (kick[s]) {
        calls++;
        int k = 1;
        while (k < steps && !kick[(s + k) % steps] && !snare(played, (s + k) % steps)) {
          k++;
        }
        answers += snare(played, (s + k) % steps) ? 1 : 0;
      }
    }
    return calls == 0 ? 0 : (double) answers / calls;
  }

  private static boolean snare(Map<Lane, boolean[]> played, int step) {
    return MAIN.stream()
        .filter(l -> l != Lane.KICK)
        .anyMatch(l -> played.containsKey(l) && played.get(l)[step]);
  }

  /** Steps of the beat's halves or quarters, from 1, on which nobody fills in. */
  public List<Integer> empty(int every) {
    List<Integer> out = new ArrayList<>();
    for (int s = 0; s < infill.size(); s += every) {
      if (infill.get(s).isEmpty()) {
        out.add(s + 1);
      }
    }
    return out;
  }
}
