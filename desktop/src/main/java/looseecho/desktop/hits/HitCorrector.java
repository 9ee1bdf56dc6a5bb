package looseecho.desktop.hits;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.IntSupplier;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.analysis.Analysis;
import looseecho.desktop.control.BarChooser;
import looseecho.desktop.session.Session;
import looseecho.echo.Template;
import looseecho.echo.Words;
import looseecho.hits.Hit;
import looseecho.hits.HitMark;

/**
 * Corrects what was heard, hit by hit, in the bar that is shown; in the typical bar, the same step
 * of every bar of the section at once.
 */
final class HitCorrector implements StepChart.Editor {
  static final double DOUBT = 0.6;
  private static final int USUAL_VELOCITY = 90;
  private final Session session;
  private final IntSupplier bar;

  /** {@code bar} is the bar shown, from 0 within the section, or {@link BarRows#TYPICAL}. */
  HitCorrector(Session session, IntSupplier bar) {
    this.session = session;
    this.bar = bar;
  }

  @Override
  public boolean clickToggles() {
    return false;
  }

  private boolean typical() {
    return bar.getAsInt() == BarRows.TYPICAL;
  }

  /** What is heard on a step of the bar shown; of the typical bar, in every bar of the section. */
  private List<Hit> hits(Lane lane, int step) {
    Analysis a = session.analysisProperty().get();
    Template t = session.templateProperty().get();
    if (a == null || t == null) {
      return List.of();
    }
    int first = typical() ? firstBar(t) : number(t);
    int bars = typical() ? BarChooser.bars(t, session.sectionProperty().get()) : 1;
    return a.hits().stream()
        .filter(h -> h.lane() == lane && h.step() == step + 1)
        .filter(h -> h.bar() >= first && h.bar() < first + bars)
        .toList();
  }

  /**
   * The hits that keeping or taking out means: in a single bar, of several strokes on a step, those
   * in doubt.
   */
  private List<Hit> meant(Lane lane, int step) {
    return typical() ? hits(lane, step) : doubtfulFirst(hits(lane, step));
  }

  /** The doubtful ones; all when none is. */
  static List<Hit> doubtfulFirst(List<Hit> hits) {
    List<Hit> doubtful = hits.stream().filter(h -> h.confidence() < DOUBT).toList();
    return doubtful.isEmpty() ? hits : doubtful;
  }

  private int firstBar(Template t) {
    return Math.max(0, t.beats().get(t.firstBeat(session.sectionProperty().get())).bar());
  }

  private int number(Template t) {
    return firstBar(t) + bar.getAsInt();
  }

  /** Adds a hit on an empty step; keeps a doubtful one that is there. */
  @Override
  public void toggle(Lane lane, int step) {
    Template t = session.templateProperty().get();
    List<Hit> there = meant(lane, step);
    if (!there.isEmpty()) {
      correct(there, h -> HitMark.set(h, lane, h.velocity()), "Kept " + place(lane, step));
    } else if (t != null) {
      int section = session.sectionProperty().get();
      int all = t.sections().get(section).beats() * t.meter().stepsPerBeat();
      int from = typical() ? step : bar.getAsInt() * t.stepsPerBar() + step;
      List<HitMark> added =
          IntStream.iterate(from, s -> s < all, s -> s + t.stepsPerBar())
              .limit(typical() ? all : 1)
              .mapToObj(s -> HitMark.add(lane, t.time(section, s, 0), USUAL_VELOCITY))
              .toList();
      correct(added, "Added " + place(lane, step));
    }
  }

  @Override
  public void shape(Lane lane, int step, int louder, double laterMs) {
    List<Hit> there = hits(lane, step);
    String words =
        place(lane, step) + ": loudness " + (there.isEmpty() ? 0 : louder(there.get(0), louder));
    correct(there, h -> HitMark.set(h, lane, louder(h, louder)), words);
  }

  private static int louder(Hit h, int by) {
    return Math.max(1, Math.min(127, h.velocity() + by));
  }

  @Override
  public void delete(Lane lane, int step) {
    correct(meant(lane, step), HitMark::delete, "Took out " + place(lane, step));
  }

  @Override
  public void move(Lane lane, int step, Lane to) {
    String words = place(lane, step) + " is " + to.words() + " now";
    correct(hits(lane, step), h -> HitMark.set(h, to, h.velocity()), words);
  }

  /** All hits of one lane go to another. */
  void merge(Lane lane, Lane into) {
    correct(List.of(HitMark.merge(lane, into)), lane.words() + " counts as " + into.words());
  }

  /** The lanes are told apart again. */
  void unmerge() {
    session.correct(
        c -> c.withoutHits(m -> m.kind() == HitMark.Kind.MERGE), "Lanes as they were heard");
  }

  private void correct(List<Hit> there, Function<Hit, HitMark> mark, String words) {
    correct(there.stream().map(mark).toList(), words);
  }

  private void correct(List<HitMark> marks, String words) {
    if (!marks.isEmpty()) {
      session.correct(c -> c.withHits(marks), words);
    }
  }

  private String place(Lane lane, int step) {
    Template t = session.templateProperty().get();
    String where = typical() || t == null ? "in every bar of the section" : "in bar " + number(t);
    return lane.words() + " " + where + ", step " + (step + 1);
  }

  /** The doubtful hit after a time, or the first one; empty when all are settled. */
  Optional<Hit> nextDoubtful(double after) {
    Analysis a = session.analysisProperty().get();
    if (a == null) {
      return Optional.empty();
    }
    var doubtful = a.hits().stream().filter(h -> h.confidence() < DOUBT).toList();
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
