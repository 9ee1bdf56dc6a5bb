package looseecho.loose;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.echo.Arrangement;
import looseecho.echo.DrumPart;
import looseecho.echo.Edits;
import looseecho.echo.Part;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.notes.Line;
import looseecho.pulse.BarGrid;
import looseecho.pulse.Grid;
import looseecho.pulse.Meter;

/** Other hits in the same style. Beat one of the kick and the back beat always stay. */
final class PatternOperations {
  private static final List<Lane> INFILL =
      List.of(Lane.PERCUSSION, Lane.HAT_CLOSED, Lane.RIDE, Lane.TOM);
  private static final int SOFT = 52;
  private static final double THIN = 0.25;

  static final List<Operation> ALL =
      List.of(
          new Operation(
              "move an infill hit",
              Aspect.PATTERN,
              1,
              "the back beat and how busy the bar is",
              PatternOperations::moveInfill),
          new Operation(
              "swap the anchor",
              Aspect.PATTERN,
              25,
              "the kick on one and the back beat",
              PatternOperations::swapAnchor),
          new Operation(
              "answer in the fourth bar",
              Aspect.PATTERN,
              1,
              "three bars as they are",
              PatternOperations::answer),
          new Operation(
              "thin out the infill",
              Aspect.PATTERN,
              25,
              "kick, back beat and the loud hits",
              PatternOperations::thin),
          new Operation(
              "thicken the infill",
              Aspect.PATTERN,
              1,
              "all hits that are there",
              PatternOperations::thicken),
          new Operation(
              "fill where bass and riff leave a gap",
              Aspect.PATTERN,
              1,
              "everything outside the gap",
              PatternOperations::fillGap),
          new Operation(
              "exchange the pocket",
              Aspect.PATTERN,
              50,
              "both kick patterns, in other sections",
              PatternOperations::exchangePocket));

  private PatternOperations() {}

  /** Moves the hits on one place of the bar to another, where nobody of the lane plays. */
  private static Template move(Template t, int section, Lane lane, int from, int to) {
    BarGrid grid = t.grid(section);
    List<Stroke> out = new ArrayList<>();
    for (Stroke h : t.sections().get(section).hits(lane)) {
      BarGrid.Bar bar = grid.at(h.tick());
      boolean moves = bar.inBar(h.tick()) == from && bar.has(to);
      out.add(moves ? h.at(bar.tick(to), h.offsetMs()) : h);
    }
    return Edits.part(t, section, Part.of(lane), out, "").template();
  }

  /** The sixteenths of a whole bar, in ticks. */
  private static IntStream steps(Template t) {
    return IntStream.range(0, t.meter().stepsPerBar()).map(s -> s * Meter.STEP);
  }

  private static Optional<Template> moveInfill(Template t, int section, SplittableRandom r) {
    for (Lane lane : INFILL) {
      List<Integer> taken = TimingOperations.regular(t, section, lane);
      List<Integer> weak = taken.stream().filter(s -> s % t.meter().ticksPerBeat() != 0).toList();
      List<Integer> free = steps(t).filter(s -> !taken.contains(s)).boxed().toList();
      if (!weak.isEmpty() && !free.isEmpty()) {
        int from = weak.get(r.nextInt(weak.size()));
        int to = free.get(r.nextInt(free.size()));
        return Optional.of(move(t, section, lane, from, to));
      }
    }
    return Optional.empty();
  }

  private static Optional<Template> swapAnchor(Template t, int section, SplittableRandom r) {
    List<Integer> kicks = TimingOperations.regular(t, section, Lane.KICK);
    int beat = t.meter().ticksPerBeat();
    List<Integer> anchors = kicks.stream().filter(s -> s % beat != 0).toList();
    List<Integer> free = steps(t).filter(s -> s % beat != 0 && !kicks.contains(s)).boxed().toList();
    if (anchors.isEmpty() || free.isEmpty()) {
      return Optional.empty();
    }
    int from = anchors.get(r.nextInt(anchors.size()));
    return Optional.of(move(t, section, Lane.KICK, from, free.get(r.nextInt(free.size()))));
  }

  private static Optional<Template> answer(Template t, int section, SplittableRandom r) {
    Lane lane =
        t.sections().get(section).hits(Lane.PERCUSSION).isEmpty() ? Lane.SNARE : Lane.PERCUSSION;
    int bar = t.meter().stepsPerBar();
    int[] phrase = {
      bar / 2 + r.nextInt(Math.max(1, bar / 8)),
      bar * 3 / 4 - 1 + r.nextInt(2),
      bar - 2 + r.nextInt(2)
    };
    List<Stroke> out = new ArrayList<>(t.sections().get(section).hits(lane));
    int was = out.size();
    List<BarGrid.Bar> bars = t.grid(section).bars();
    for (int b = 3; b < bars.size(); b += 4) {
      for (int i = 0; i < phrase.length; i++) {
        addSoft(out, bars.get(b), phrase[i] * Meter.STEP, SOFT + 10 * i);
      }
    }
    return out.size() == was
        ? Optional.empty()
        : Optional.of(Edits.part(t, section, Part.of(lane), out, "").template());
  }

  private static void addSoft(List<Stroke> hits, BarGrid.Bar bar, int inBar, int velocity) {
    if (bar.has(inBar)) {
      addSoft(hits, bar.tick(inBar), velocity);
    }
  }

  private static void addSoft(List<Stroke> hits, int tick, int velocity) {
    if (hits.stream().noneMatch(h -> Math.abs(h.tick() - tick) < Meter.STEP / 2)) {
      hits.add(new Stroke(tick, 0, velocity));
    }
  }

  private static Optional<Template> thin(Template t, int section, SplittableRandom r) {
    Template out = t;
    BarGrid grid = t.grid(section);
    Set<Integer> drop = new HashSet<>();
    for (int s = 0; s < t.meter().stepsPerBar(); s++) {
      if (s % t.meter().stepsPerBeat() != 0 && r.nextDouble() < 2 * THIN) {
        drop.add(s);
      }
    }
    for (DrumPart drum : t.sections().get(section).drums().keySet()) {
      List<Stroke> hits = t.sections().get(section).hits(drum);
      double mean = hits.stream().mapToInt(Stroke::velocity).average().orElse(0);
      List<Stroke> kept =
          hits.stream()
              .filter(
                  h ->
                      !INFILL.contains(drum.lane())
                          || h.velocity() > mean
                          || !drop.contains(Math.round(grid.inBar(h.tick()) / (float) Meter.STEP)))
              .toList();
      out = Edits.part(out, section, drum, kept, "").template();
    }
    return TimingOperations.changed(t, out);
  }

  private static Optional<Template> thicken(Template t, int section, SplittableRandom r) {
    TemplateSection s = t.sections().get(section);
    BarGrid grid = t.grid(section);
    List<Integer> nobody =
        free(t, grid, s.drums().values().stream().flatMap(List::stream).toList());
    List<Integer> free = nobody.isEmpty() ? free(t, grid, s.hits(Lane.PERCUSSION)) : nobody;
    if (free.isEmpty() || s.drums().isEmpty()) {
      return Optional.empty();
    }
    int place = free.get(r.nextInt(free.size()));
    List<Stroke> out = new ArrayList<>(s.hits(Lane.PERCUSSION));
    grid.bars().forEach(bar -> addSoft(out, bar, place, SOFT));
    return Optional.of(Edits.part(t, section, Part.of(Lane.PERCUSSION), out, "").template());
  }

  /** Sixteenths of the bar, in ticks, on which none of the hits ever lies. */
  private static List<Integer> free(Template t, BarGrid grid, List<Stroke> hits) {
    Set<Integer> taken = new HashSet<>();
    hits.forEach(h -> taken.add(Grid.SIXTEENTH.nearest(grid.inBar(h.tick()))));
    return steps(t).filter(s -> !taken.contains(s)).boxed().toList();
  }

  /** A rising fill in the last bar, from where bass and riff are silent longest. */
  private static Optional<Template> fillGap(Template t, int section, SplittableRandom r) {
    TemplateSection s = t.sections().get(section);
    int per = t.meter().stepsPerBeat();
    int end = s.beats() * per;
    int from = Math.max(0, end - t.meter().stepsPerBar());
    boolean[] busy = new boolean[end];
    for (Line line : List.of(Line.BASS, Line.RIFF)) {
      s.notes(line).stream().filter(n -> n.step() < end).forEach(n -> busy[n.step()] = true);
    }
    int best = -1;
    int longest = 2;
    for (int a = from; a < end; a++) {
      int b = a;
      while (b < end && !busy[b]) {
        b++;
      }
      if (b - a > longest) {
        longest = b - a;
        best = a;
      }
    }
    if (best < 0 || s.drums().isEmpty()) {
      return Optional.empty();
    }
    Lane lane = r.nextBoolean() ? Lane.TOM : Lane.SNARE;
    List<Stroke> out = new ArrayList<>(s.hits(lane));
    for (int k = 0; k < longest; k++) {
      if (k % 2 == 0 || r.nextDouble() < 0.6) {
        addSoft(out, (best + k) * Meter.STEP, SOFT + 45 * k / longest);
      }
    }
    return Optional.of(Edits.part(t, section, Part.of(lane), out, "").template());
  }

  /** The kick of the next section with another label, for this one. */
  private static Optional<Template> exchangePocket(Template t, int section, SplittableRandom r) {
    String own = t.sections().get(section).label();
    List<Integer> others =
        IntStream.range(0, t.sections().size())
            .filter(
                i ->
                    !t.sections().get(i).label().equals(own)
                        && !t.sections().get(i).hits(Lane.KICK).isEmpty())
            .boxed()
            .toList();
    if (others.isEmpty() || t.sections().get(section).hits(Lane.KICK).isEmpty()) {
      return Optional.empty();
    }
    int other = others.get(r.nextInt(others.size()));
    return TimingOperations.changed(
        t, Arrangement.copyPart(t, Part.of(Lane.KICK), other, section).template());
  }
}
