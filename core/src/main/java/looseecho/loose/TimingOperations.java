package looseecho.loose;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import looseecho.activity.Lane;
import looseecho.echo.DrumPart;
import looseecho.echo.Edits;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.pulse.BarGrid;
import looseecho.pulse.Meter;

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
      out = shift(out, section, lane, h -> shift);
    }
    return changed(t, out);
  }

  private static Optional<Template> breathe(Template t, int section, SplittableRandom r) {
    BarGrid grid = t.grid(section);
    double[] late = new double[t.meter().stepsPerBar() + 1];
    for (int s = 0; s < late.length - 1; s++) {
      late[s] = STEP_MS * (2 * r.nextDouble() - 1);
    }
    late[late.length - 1] = late[0]; // nearest to the next bar's first step
    Template out = t;
    for (Lane lane : HATS) {
      out =
          shift(
              out, section, lane, h -> late[Math.round(grid.inBar(h.tick()) / (float) Meter.STEP)]);
    }
    return changed(t, out);
  }

  private static Optional<Template> tighten(Template t, int section, SplittableRandom r) {
    Template out = t;
    for (DrumPart drum : t.sections().get(section).drums().keySet()) {
      out = Edits.quantise(out, section, drum, 0.5).template();
    }
    return changed(t, out);
  }

  private interface Shift {
    double of(Stroke h);
  }

  /** Moves the hits of all drums of a kind. */
  private static Template shift(Template t, int section, Lane lane, Shift by) {
    Template out = t;
    for (DrumPart drum : t.sections().get(section).drums(lane)) {
      List<Stroke> hits =
          t.sections().get(section).hits(drum).stream()
              .map(h -> h.at(h.tick(), h.offsetMs() + by.of(h)))
              .toList();
      out = Edits.part(out, section, drum, hits, "").template();
    }
    return out;
  }

  static Optional<Template> changed(Template before, Template after) {
    return before.equals(after) ? Optional.empty() : Optional.of(after);
  }

  /** Places of the bar, in ticks, on which a lane plays in at least half of the bars. */
  static List<Integer> regular(Template t, int section, Lane lane) {
    BarGrid grid = t.grid(section);
    Map<Integer, Long> counts =
        t.sections().get(section).hits(lane).stream()
            .collect(
                java.util.stream.Collectors.groupingBy(
                    h -> grid.inBar(h.tick()),
                    java.util.TreeMap::new,
                    java.util.stream.Collectors.counting()));
    int whole = Math.max(1, t.ticks(section) / grid.wholeBar());
    return counts.entrySet().stream()
        .filter(e -> 2 * e.getValue() >= whole)
        .map(Map.Entry::getKey)
        .toList();
  }
}
