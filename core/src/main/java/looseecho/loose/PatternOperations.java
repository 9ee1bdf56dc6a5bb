package looseecho.loose;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.echo.Edits;
import looseecho.echo.StepHit;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.notes.Line;

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

  private static int bars(Template t, int section) {
    return Math.max(1, t.sections().get(section).beats() / t.beatsPerBar());
  }

  /** Moves the hits on one step of the bar to another, where nobody of the lane plays. */
  private static Template moveStep(Template t, int section, Lane lane, int from, int to) {
    int bar = t.stepsPerBar();
    int end = t.sections().get(section).beats() * t.meter().stepsPerBeat();
    List<StepHit> out = new ArrayList<>();
    for (StepHit h : t.sections().get(section).hits(lane)) {
      int moved = h.step() - from + to;
      out.add(h.step() % bar == from && moved >= 0 && moved < end ? h.at(moved, h.offsetMs()) : h);
    }
    return Edits.part(t, section, lane, out, "").template();
  }

  private static Optional<Template> moveInfill(Template t, int section, SplittableRandom r) {
    for (Lane lane : INFILL) {
      List<Integer> taken = TimingOperations.regular(t, section, lane);
      List<Integer> weak = taken.stream().filter(s -> s % t.meter().stepsPerBeat() != 0).toList();
      List<Integer> free =
          IntStream.range(0, t.stepsPerBar()).filter(s -> !taken.contains(s)).boxed().toList();
      if (!weak.isEmpty() && !free.isEmpty()) {
        int from = weak.get(r.nextInt(weak.size()));
        int to = free.get(r.nextInt(free.size()));
        return Optional.of(moveStep(t, section, lane, from, to));
      }
    }
    return Optional.empty();
  }

  private static Optional<Template> swapAnchor(Template t, int section, SplittableRandom r) {
    List<Integer> kicks = TimingOperations.regular(t, section, Lane.KICK);
    int beat = t.meter().stepsPerBeat();
    List<Integer> anchors = kicks.stream().filter(s -> s != 0 && s % beat != 0).toList();
    List<Integer> free =
        IntStream.range(1, t.stepsPerBar())
            .filter(s -> s % beat != 0 && !kicks.contains(s))
            .boxed()
            .toList();
    if (anchors.isEmpty() || free.isEmpty()) {
      return Optional.empty();
    }
    int from = anchors.get(r.nextInt(anchors.size()));
    return Optional.of(moveStep(t, section, Lane.KICK, from, free.get(r.nextInt(free.size()))));
  }

  private static Optional<Template> answer(Template t, int section, SplittableRandom r) {
    Lane lane =
        t.sections().get(section).hits(Lane.PERCUSSION).isEmpty() ? Lane.SNARE : Lane.PERCUSSION;
    int bar = t.stepsPerBar();
    int[] phrase = {
      bar / 2 + r.nextInt(Math.max(1, bar / 8)),
      bar * 3 / 4 - 1 + r.nextInt(2),
      bar - 2 + r.nextInt(2)
    };
    List<StepHit> out = new ArrayList<>(t.sections().get(section).hits(lane));
    int was = out.size();
    for (int b = 3; b < bars(t, section); b += 4) {
      for (int i = 0; i < phrase.length; i++) {
        addSoft(out, b * bar + phrase[i], SOFT + 10 * i);
      }
    }
    return out.size() == was
        ? Optional.empty()
        : Optional.of(Edits.part(t, section, lane, out, "").template());
  }

  private static void addSoft(List<StepHit> hits, int step, int velocity) {
    if (hits.stream().noneMatch(h -> h.step() == step)) {
      hits.add(new StepHit(step, 0, velocity));
    }
  }

  private static Optional<Template> thin(Template t, int section, SplittableRandom r) {
    Template out = t;
    boolean[] drop = new boolean[t.stepsPerBar()];
    for (int s = 0; s < drop.length; s++) {
      drop[s] = s % t.meter().stepsPerBeat() != 0 && r.nextDouble() < 2 * THIN;
    }
    for (Lane lane : INFILL) {
      List<StepHit> hits = t.sections().get(section).hits(lane);
      double mean = hits.stream().mapToInt(StepHit::velocity).average().orElse(0);
      List<StepHit> kept =
          hits.stream().filter(h -> h.velocity() > mean || !drop[h.step() % drop.length]).toList();
      out = Edits.part(out, section, lane, kept, "").template();
    }
    return TimingOperations.changed(t, out);
  }

  private static Optional<Template> thicken(Template t, int section, SplittableRandom r) {
    TemplateSection s = t.sections().get(section);
    int bar = t.stepsPerBar();
    List<Integer> nobody =
        IntStream.range(0, bar)
            .filter(
                step ->
                    s.drums().values().stream()
                        .flatMap(List::stream)
                        .noneMatch(h -> h.step() % bar == step))
            .boxed()
            .toList();
    List<Integer> free =
        nobody.isEmpty()
            ? IntStream.range(0, bar)
                .filter(
                    step -> s.hits(Lane.PERCUSSION).stream().noneMatch(h -> h.step() % bar == step))
                .boxed()
                .toList()
            : nobody;
    if (free.isEmpty() || s.drums().isEmpty()) {
      return Optional.empty();
    }
    int step = free.get(r.nextInt(free.size()));
    List<StepHit> out = new ArrayList<>(s.hits(Lane.PERCUSSION));
    for (int b = 0; b < bars(t, section); b++) {
      addSoft(out, b * bar + step, SOFT);
    }
    return Optional.of(Edits.part(t, section, Lane.PERCUSSION, out, "").template());
  }

  /** A rising fill in the last bar, from where bass and riff are silent longest. */
  private static Optional<Template> fillGap(Template t, int section, SplittableRandom r) {
    TemplateSection s = t.sections().get(section);
    int per = t.meter().stepsPerBeat();
    int end = s.beats() * per;
    int from = Math.max(0, end - t.stepsPerBar());
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
    List<StepHit> out = new ArrayList<>(s.hits(lane));
    for (int k = 0; k < longest; k++) {
      if (k % 2 == 0 || r.nextDouble() < 0.6) {
        addSoft(out, best + k, SOFT + 45 * k / longest);
      }
    }
    return Optional.of(Edits.part(t, section, lane, out, "").template());
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
        t,
        looseecho.echo.Arrangement.copyPart(t, looseecho.echo.Part.of(Lane.KICK), other, section)
            .template());
  }
}
