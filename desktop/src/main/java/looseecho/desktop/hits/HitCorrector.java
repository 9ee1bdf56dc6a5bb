package looseecho.desktop.hits;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.IntSupplier;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.analysis.Analysis;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.Selection;
import looseecho.echo.DrumPart;
import looseecho.echo.Template;
import looseecho.echo.Words;
import looseecho.hits.Hit;
import looseecho.hits.HitMark;
import looseecho.pulse.BarGrid;

/**
 * Corrects what was heard, hit by hit, in the bar that is shown; in the typical bar, the same step
 * of every bar of the section at once.
 */
final class HitCorrector implements StepChart.Editor {
  private static final int USUAL_VELOCITY = 90;
  private final Desk desk;
  private final Selection selection;
  private final IntSupplier bar;
  private final IntSupplier cell;

  /**
   * A corrector.
   *
   * @param bar the bar shown, from 0 within the section, or {@link BarRows#TYPICAL}
   * @param cell ticks from one place of the chart's cursor to the next
   */
  HitCorrector(Desk desk, Selection selection, IntSupplier bar, IntSupplier cell) {
    this.desk = desk;
    this.selection = selection;
    this.bar = bar;
    this.cell = cell;
  }

  @Override
  public boolean clickToggles() {
    return false;
  }

  private boolean typical() {
    return bar.getAsInt() == BarRows.TYPICAL;
  }

  /** What is heard on a step of the bar shown; of the typical bar, in every bar of the section. */
  private List<Hit> hits(Lane lane, int inBar) {
    Analysis a = desk.analysisProperty().get();
    Template t = desk.templateProperty().get();
    if (a == null || t == null) {
      return List.of();
    }
    List<BarGrid.Bar> bars = bars(t);
    int first = typical() ? bars.get(0).number() : number(t);
    int last = typical() ? bars.get(bars.size() - 1).number() : first;
    return a.hits().stream()
        .filter(h -> h.lane() == lane && 2 * Math.abs(h.tick() - inBar) < cell.getAsInt())
        .filter(h -> h.bar() >= first && h.bar() <= last)
        .toList();
  }

  /**
   * The hits that keeping or taking out means: in a single bar, of several strokes on a step, those
   * in doubt.
   */
  private List<Hit> meant(Lane lane, int inBar) {
    return typical() ? hits(lane, inBar) : doubtfulFirst(hits(lane, inBar));
  }

  /** The doubtful ones; all when none is. */
  static List<Hit> doubtfulFirst(List<Hit> hits) {
    List<Hit> doubtful = hits.stream().filter(Hit::doubtful).toList();
    return doubtful.isEmpty() ? hits : doubtful;
  }

  private List<BarGrid.Bar> bars(Template t) {
    return t.grid(selection.sectionProperty().get()).bars();
  }

  private BarGrid.Bar shown(Template t) {
    List<BarGrid.Bar> bars = bars(t);
    return bars.get(Math.max(0, Math.min(bars.size() - 1, bar.getAsInt())));
  }

  private int number(Template t) {
    return shown(t).number();
  }

  /** Adds a hit on an empty step; keeps a doubtful one that is there. */
  @Override
  public void toggle(DrumPart drum, int inBar) {
    Lane lane = drum.lane();
    Template t = desk.templateProperty().get();
    List<Hit> there = meant(lane, inBar);
    if (!there.isEmpty()) {
      correct(there, h -> HitMark.set(h, lane, h.velocity()), "Kept " + place(lane, inBar));
    } else if (t != null) {
      int section = selection.sectionProperty().get();
      BarGrid.Bar here = shown(t);
      IntStream ticks =
          typical()
              ? t.grid(section).everywhere(inBar)
              : IntStream.of(inBar).filter(here::has).map(here::tick);
      List<HitMark> added =
          ticks
              .mapToObj(tick -> HitMark.add(lane, t.time(section, tick, 0), USUAL_VELOCITY))
              .toList();
      correct(added, "Added " + place(lane, inBar));
    }
  }

  @Override
  public void shape(DrumPart drum, int inBar, int louder, double laterMs) {
    Lane lane = drum.lane();
    List<Hit> there = hits(lane, inBar);
    String words =
        place(lane, inBar) + ": loudness " + (there.isEmpty() ? 0 : louder(there.get(0), louder));
    correct(there, h -> HitMark.set(h, lane, louder(h, louder)), words);
  }

  private static int louder(Hit h, int by) {
    return Math.max(1, Math.min(127, h.velocity() + by));
  }

  @Override
  public void delete(DrumPart drum, int inBar) {
    Lane lane = drum.lane();
    correct(meant(lane, inBar), HitMark::delete, "Took out " + place(lane, inBar));
  }

  @Override
  public void move(DrumPart drum, int inBar, DrumPart other) {
    Lane lane = drum.lane();
    Lane to = other.lane();
    String words = place(lane, inBar) + " is " + to.words() + " now";
    correct(hits(lane, inBar), h -> HitMark.set(h, to, h.velocity()), words);
  }

  /** All hits of one lane go to another. */
  void merge(Lane lane, Lane into) {
    correct(List.of(HitMark.merge(lane, into)), lane.words() + " counts as " + into.words());
  }

  /** The lanes are told apart again. */
  void unmerge() {
    desk.correct(
        c -> c.withoutHits(m -> m.kind() == HitMark.Kind.MERGE), "Lanes as they were heard");
  }

  private void correct(List<Hit> there, Function<Hit, HitMark> mark, String words) {
    correct(there.stream().map(mark).toList(), words);
  }

  private void correct(List<HitMark> marks, String words) {
    if (!marks.isEmpty()) {
      desk.correct(c -> c.withHits(marks), words);
    }
  }

  private String place(Lane lane, int inBar) {
    Template t = desk.templateProperty().get();
    String where = typical() || t == null ? "in every bar of the section" : "in bar " + number(t);
    return lane.words() + " " + where + ", " + Words.step(inBar);
  }

  /** The doubtful hit after a time, or the first one; empty when all are settled. */
  Optional<Hit> nextDoubtful(double after) {
    Analysis a = desk.analysisProperty().get();
    if (a == null) {
      return Optional.empty();
    }
    var doubtful = a.hits().stream().filter(Hit::doubtful).toList();
    return doubtful.stream()
        .filter(h -> h.time() > after + 1e-6)
        .findFirst()
        .or(() -> doubtful.stream().findFirst());
  }

  /** What is doubtful about a hit, in words. */
  static String words(Hit h) {
    return String.format(
        java.util.Locale.ROOT,
        "%s, bar %d, step %d, %s: %.0f %% sure. Y keeps, Delete drops",
        h.lane().words(),
        h.bar(),
        h.step(),
        Words.offset(h.offsetMs()),
        100 * h.confidence());
  }
}
