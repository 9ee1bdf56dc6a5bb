package looseecho.loose;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import looseecho.activity.Lane;
import looseecho.echo.Edits;
import looseecho.echo.StepHit;
import looseecho.echo.Template;

/** Other offsets under the same hits. */
final class TimingOperations {
  private static final double LEAN_MS = 8;
  private static final double STEP_MS = 7;
  private static final List<Lane> HATS = List.of(Lane.HAT_CLOSED, Lane.PERCUSSION, Lane.RIDE);

  static final List<Operation> ALL =
      List.of(
          new Operation(
              "lean the back beat",
              Aspect.TIMING,
              1,
              "every other drum's timing",
              TimingOperations::leanBackBeat),
          new Operation(
              "let the hats breathe",
              Aspect.TIMING,
              1,
              "kick and back beat; each step stays as late in every bar",
              TimingOperations::breathe),
          new Operation(
              "pull half-way to the grid",
              Aspect.TIMING,
              1,
              "the shape of the feel, at half its size",
              TimingOperations::tighten));

  private TimingOperations() {}

  private static Optional<Template> leanBackBeat(Template t, int section, SplittableRandom r) {
    double shift = (r.nextBoolean() ? 1 : -1) * LEAN_MS * (0.6 + 0.8 * r.nextDouble());
    Template out = t;
    for (Lane lane : List.of(Lane.SNARE, Lane.CLAP)) {
      out = shift(out, section, lane, (step) -> shift);
    }
    return changed(t, out);
  }

  private static Optional<Template> breathe(Template t, int section, SplittableRandom r) {
    double[] late = new double[t.stepsPerBar()];
    for (int s = 0; s < late.length; s++) {
      late[s] = STEP_MS * (2 * r.nextDouble() - 1);
    }
    Template out = t;
    for (Lane lane : HATS) {
      out = shift(out, section, lane, step -> late[step % late.length]);
    }
    return changed(t, out);
  }

  private static Optional<Template> tighten(Template t, int section, SplittableRandom r) {
    Template out = t;
    for (Lane lane : t.sections().get(section).drums().keySet()) {
      out = Edits.quantise(out, section, lane, 0.5).template();
    }
    return changed(t, out);
  }

  private interface Shift {
    double of(int step);
  }

  private static Template shift(Template t, int section, Lane lane, Shift by) {
    List<StepHit> hits =
        t.sections().get(section).hits(lane).stream()
            .map(h -> h.at(h.step(), h.offsetMs() + by.of(h.step())))
            .toList();
    return hits.isEmpty() ? t : Edits.part(t, section, lane, hits, "").template();
  }

  static Optional<Template> changed(Template before, Template after) {
    return before.equals(after) ? Optional.empty() : Optional.of(after);
  }

  /** Hits of a lane by step of the bar, for lanes that play there in at least half of the bars. */
  static List<Integer> regular(Template t, int section, Lane lane) {
    int bar = t.stepsPerBar();
    int bars = Math.max(1, t.sections().get(section).beats() / t.beatsPerBar());
    Map<Integer, Long> counts =
        t.sections().get(section).hits(lane).stream()
            .collect(
                java.util.stream.Collectors.groupingBy(
                    h -> h.step() % bar,
                    java.util.TreeMap::new,
                    java.util.stream.Collectors.counting()));
    return counts.entrySet().stream()
        .filter(e -> 2 * e.getValue() >= bars)
        .map(Map.Entry::getKey)
        .toList();
  }
}
