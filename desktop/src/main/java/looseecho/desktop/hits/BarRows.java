package looseecho.desktop.hits;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Stream;
import looseecho.analysis.Analysis;
import looseecho.desktop.control.BarChooser;
import looseecho.echo.DrumPart;
import looseecho.echo.HeardDrums;
import looseecho.echo.Part;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.echo.Tone;
import looseecho.hits.Hit;
import looseecho.hits.TypicalBar;
import looseecho.notes.Line;
import looseecho.pulse.BarGrid;
import looseecho.pulse.Grid;
import looseecho.pulse.Meter;
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

  /** One drum. */
  public record Row(DrumPart drum, String name, List<Mark> heard, List<Mark> echo) {}

  /**
   * One hit; {@code step} from 0 within the bar, {@code weight} 0..1 is confidence, or how often it
   * is played; {@code more} what else there is to say, or nothing.
   */
  public record Mark(double step, double offsetMs, double velocity, double weight, String more) {
    public Mark(double step, double offsetMs, double velocity, double weight) {
      this(step, offsetMs, velocity, weight, "");
    }
  }

  /** One bass note within the bar, steps from 0. */
  public record BassMark(double step, double lengthSteps, String name, boolean heard) {}

  /** Ticks of the bar. */
  public int ticks() {
    return steps * Meter.STEP;
  }

  /** The coarsest lines, sixteenths at most, that what is heard of a drum lies on. */
  public Grid grid(DrumPart drum) {
    List<Mark> heard =
        rows.stream().filter(r -> r.drum().equals(drum)).flatMap(r -> r.heard().stream()).toList();
    return Stream.of(
            Grid.SIXTEENTH, Grid.EIGHTH_TRIPLET, Grid.SIXTEENTH_TRIPLET, Grid.THIRTY_SECOND)
        .filter(g -> heard.stream().allMatch(m -> g.has((int) Math.round(m.step() * Meter.STEP))))
        .findFirst()
        .orElse(Grid.SIXTEENTH);
  }

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
    BarGrid grid = t.grid(section);
    List<BarGrid.Bar> bars = grid.bars();
    BarGrid.Bar shown = bars.get(Math.max(0, Math.min(bars.size() - 1, bar)));
    HeardDrums all = HeardDrums.of(a.hits());
    int first = bars.get(0).number();
    int end = bars.get(bars.size() - 1).number() + 1;
    List<Row> rows = new ArrayList<>();
    for (DrumPart drum : drums(all, t)) {
      List<Stroke> echo = t.sections().get(section).hits(drum);
      List<Hit> heard = all.of(drum);
      String name = t.names().getOrDefault(drum, all.names().getOrDefault(drum, drum.words()));
      rows.add(
          bar == TYPICAL
              ? new Row(
                  drum, name, typical(TypicalBar.of(heard, first, end), drum), usual(echo, grid))
              : new Row(drum, name, heard(heard, shown.number()), echo(echo, shown)));
    }
    double beat = t.time(section, t.meter().ticksPerBeat(), 0) - t.time(section, 0, 0);
    return new BarRows(
        grid.wholeBar() / Meter.STEP,
        p.stepsPerBeat(),
        1000 * beat / p.stepsPerBeat(),
        rows,
        bass(a, p, t, section, shown));
  }

  /**
   * One drum alone, bar under bar.
   *
   * @param bar one of those shown, from 0 within the section
   * @param most how many bars are shown at once
   */
  public static BarRows ofPart(
      Analysis a, Template t, int section, DrumPart drum, int bar, int most) {
    BarRows all = of(a, t, section, bar);
    if (all.rows().isEmpty()) {
      return all;
    }
    List<Hit> heard = HeardDrums.of(a.hits()).of(drum);
    List<Stroke> echo = t.sections().get(section).hits(drum);
    List<BarGrid.Bar> bars = t.grid(section).bars();
    List<Row> rows = new ArrayList<>();
    int from = bar / most * most;
    for (BarGrid.Bar b : bars.subList(from, Math.min(bars.size(), from + most))) {
      rows.add(new Row(drum, "bar " + b.number(), heard(heard, b.number()), echo(echo, b)));
    }
    return new BarRows(all.steps(), all.stepsPerBeat(), all.stepMs(), rows, List.of());
  }

  /** The drums that are heard or written anywhere. */
  private static Set<DrumPart> drums(HeardDrums heard, Template t) {
    Set<DrumPart> out = new TreeSet<>(heard.hits().keySet());
    Part.of(t).forEach(part -> part.asDrum().ifPresent(out::add));
    return out;
  }

  /** The drums that are heard, and the first of every kind that is written. */
  BarRows ofTrack(HeardDrums heard) {
    List<Row> own =
        rows.stream().filter(r -> r.drum().number() == 1 || !heard.of(r.drum()).isEmpty()).toList();
    return new BarRows(steps, stepsPerBeat, stepMs, own, bass);
  }

  private static List<Mark> typical(TypicalBar typical, DrumPart drum) {
    List<TypicalBar.Slot> slots = typical.lanes().get(drum.lane());
    return (slots == null ? List.<TypicalBar.Slot>of() : slots)
        .stream()
            .map(s -> new Mark(steps(s.tick()), s.offsetMs(), s.velocity(), s.share()))
            .toList();
  }

  private static List<Mark> heard(List<Hit> hits, int bar) {
    return hits.stream()
        .filter(h -> h.bar() == bar)
        .map(h -> new Mark(steps(h.tick()), h.offsetMs(), h.velocity(), h.confidence(), more(h)))
        .toList();
  }

  private static List<Mark> echo(List<Stroke> hits, BarGrid.Bar bar) {
    return hits.stream()
        .filter(h -> h.tick() >= bar.from() && h.tick() < bar.end())
        .map(
            h ->
                new Mark(
                    steps(bar.inBar(h.tick())), h.offsetMs(), h.velocity(), 1, h.manner().words()))
        .toList();
  }

  private static String more(Hit h) {
    String figure =
        switch (h.figure()) {
          case FLAM -> ", of a flam";
          case ROLL -> ", of a roll";
          case SINGLE -> "";
        };
    String pitch =
        h.pitch() == 0
            ? ""
            : String.format(Locale.ROOT, ", %.3g semitones %s", Math.abs(h.pitch()), up(h.pitch()));
    return pitch
        + (h.lengthMs() > 0 ? ", dies away in " + Math.round(h.lengthMs()) + " ms" : "")
        + figure;
  }

  private static String up(double semitones) {
    return semitones > 0 ? "higher" : "lower";
  }

  /** Places that at least half of the bars that have them play, and how on average. */
  private static List<Mark> usual(List<Stroke> hits, BarGrid grid) {
    Map<Integer, List<Stroke>> places = new TreeMap<>();
    hits.forEach(h -> places.computeIfAbsent(grid.inBar(h.tick()), k -> new ArrayList<>()).add(h));
    List<Mark> out = new ArrayList<>();
    places.forEach(
        (place, here) -> {
          if (2L * here.size() >= grid.everywhere(place).count()) {
            double offset = here.stream().mapToDouble(Stroke::offsetMs).average().orElse(0);
            double velocity = here.stream().mapToInt(Stroke::velocity).average().orElse(0);
            out.add(new Mark(steps(place), offset, velocity, 1));
          }
        });
    return out;
  }

  private static double steps(int ticks) {
    return (double) ticks / Meter.STEP;
  }

  private static List<BassMark> bass(
      Analysis a, Pulse p, Template t, int section, BarGrid.Bar bar) {
    List<BassMark> out = new ArrayList<>();
    double zero = p.beatsAt(t.time(section, bar.tick(0), 0));
    double from = steps(bar.missing()) - 0.5;
    double end = steps(bar.missing() + bar.ticks()) - 0.5;
    for (var n : a.tonality().bass()) {
      double step = (p.beatsAt(n.start()) - zero) * p.stepsPerBeat();
      if (step > from && step < end) {
        out.add(
            new BassMark(
                step,
                (p.beatsAt(n.end()) - p.beatsAt(n.start())) * p.stepsPerBeat(),
                t.key().noteName(n.pitch()),
                true));
      }
    }
    for (Tone n : t.sections().get(section).notes(Line.BASS)) {
      if (n.tick() >= bar.from() && n.tick() < bar.end()) {
        String name = t.key().noteName(n.pitch());
        out.add(new BassMark(steps(bar.inBar(n.tick())), steps(n.lengthTicks()), name, false));
      }
    }
    return out;
  }
}
