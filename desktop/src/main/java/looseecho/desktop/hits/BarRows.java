package looseecho.desktop.hits;

import java.util.ArrayList;
import java.util.List;
import looseecho.activity.Lane;
import looseecho.analysis.Analysis;
import looseecho.desktop.control.BarChooser;
import looseecho.echo.StepHit;
import looseecho.echo.StepNote;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.hits.Hit;
import looseecho.hits.TypicalBar;
import looseecho.notes.Line;
import looseecho.pulse.Beat;
import looseecho.pulse.Pulse;

/**
 * What the step chart shows for one bar, or for the typical bar, of a section: heard and echo side
 * by side.
 *
 * @param steps steps of the bar
 * @param stepsPerBeat steps of a beat
 * @param stepMs length of a step
 * @param rows lanes that are heard or written anywhere in the track
 * @param bass notes, heard and echo
 */
public record BarRows(
    int steps, int stepsPerBeat, double stepMs, List<Row> rows, List<BassMark> bass) {
  /** The typical bar instead of a certain one. */
  public static final int TYPICAL = BarChooser.TYPICAL;

  /** One lane. */
  public record Row(Lane lane, List<Mark> heard, List<Mark> echo) {}

  /**
   * One hit; {@code step} from 0 within the bar, {@code weight} 0..1 is confidence, or how often it
   * is played.
   */
  public record Mark(int step, double offsetMs, double velocity, double weight) {}

  /** One bass note within the bar, steps from 0. */
  public record BassMark(double step, double lengthSteps, String name, boolean heard) {}

  public static final BarRows EMPTY = new BarRows(16, 4, 125, List.of(), List.of());

  /** Builds the rows; {@code bar} counts from 0 within the section, or is {@link #TYPICAL}. */
  public static BarRows of(Analysis a, Template t, int section, int bar) {
    if (a == null
        || t == null
        || a.pulse().isEmpty()
        || section < 0
        || section >= t.sections().size()) {
      return EMPTY;
    }
    Pulse p = a.pulse().get();
    int steps = t.stepsPerBar();
    int first = t.firstBeat(section);
    int from = bar == TYPICAL ? 0 : bar * steps;
    int bars = BarChooser.bars(t, section);
    List<Row> rows = new ArrayList<>();
    Beat start = t.beats().get(first);
    int heardBar = Math.max(start.bar(), 0) + Math.max(0, bar);
    TypicalBar typical = TypicalBar.of(a.hits(), start.bar(), start.bar() + bars);
    for (Lane lane : Lane.SHOWN) {
      boolean anywhere =
          a.hits().stream().anyMatch(h -> h.lane() == lane)
              || t.sections().stream().anyMatch(s -> !s.hits(lane).isEmpty());
      if (anywhere) {
        List<Mark> heard =
            bar == TYPICAL ? typical(typical, lane) : heard(a.hits(), lane, heardBar);
        rows.add(
            new Row(
                lane,
                heard,
                echo(t.sections().get(section), lane, from, steps, bar == TYPICAL ? bars : 0)));
      }
    }
    double beat = t.beats().get(first + 1).time() - start.time();
    return new BarRows(
        steps,
        p.stepsPerBeat(),
        1000 * beat / p.stepsPerBeat(),
        rows,
        bass(a, p, t, section, from, steps));
  }

  private static List<Mark> typical(TypicalBar typical, Lane lane) {
    return typical.lanes().getOrDefault(lane, List.of()).stream()
        .map(s -> new Mark(s.step() - 1, s.offsetMs(), s.velocity(), s.share()))
        .toList();
  }

  private static List<Mark> heard(List<Hit> hits, Lane lane, int bar) {
    return hits.stream()
        .filter(h -> h.lane() == lane && h.bar() == bar)
        .map(h -> new Mark(h.step() - 1, h.offsetMs(), h.velocity(), h.confidence()))
        .toList();
  }

  /**
   * Hits of one bar, or with {@code bars} > 0 those on steps that at least half of the bars play.
   */
  private static List<Mark> echo(TemplateSection s, Lane lane, int from, int steps, int bars) {
    List<Mark> out = new ArrayList<>();
    for (int step = 0; step < steps; step++) {
      int at = step;
      List<StepHit> here =
          s.hits(lane).stream()
              .filter(h -> bars > 0 ? h.step() % steps == at : h.step() == from + at)
              .toList();
      if (bars > 0 ? here.size() * 2 >= bars : !here.isEmpty()) {
        double offset = here.stream().mapToDouble(StepHit::offsetMs).average().orElse(0);
        double velocity = here.stream().mapToInt(StepHit::velocity).average().orElse(0);
        out.add(new Mark(step, offset, velocity, 1));
      }
    }
    return out;
  }

  private static List<BassMark> bass(
      Analysis a, Pulse p, Template t, int section, int from, int steps) {
    List<BassMark> out = new ArrayList<>();
    double zero = p.beatsAt(t.time(section, from, 0));
    for (var n : a.tonality().bass()) {
      double step = (p.beatsAt(n.start()) - zero) * p.stepsPerBeat();
      if (step > -0.5 && step < steps - 0.5) {
        out.add(
            new BassMark(
                step,
                (p.beatsAt(n.end()) - p.beatsAt(n.start())) * p.stepsPerBeat(),
                t.key().noteName(n.pitch()),
                true));
      }
    }
    for (StepNote n : t.sections().get(section).notes(Line.BASS)) {
      if (n.step() >= from && n.step() < from + steps) {
        String name = t.key().noteName(n.pitch());
        out.add(new BassMark(n.step() - from, n.lengthSteps(), name, false));
      }
    }
    return out;
  }
}
