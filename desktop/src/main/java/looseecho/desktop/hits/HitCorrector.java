package looseecho.desktop.hits;

import java.util.Optional;
import java.util.function.IntSupplier;
import looseecho.activity.Lane;
import looseecho.analysis.Analysis;
import looseecho.desktop.session.Session;
import looseecho.echo.Template;
import looseecho.echo.Words;
import looseecho.hits.Hit;
import looseecho.hits.HitMark;

/** Corrects what was heard, hit by hit, in the bar that is shown. */
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

  private Optional<Hit> hit(Lane lane, int step) {
    Analysis a = session.analysisProperty().get();
    Template t = session.templateProperty().get();
    if (bar.getAsInt() == BarRows.TYPICAL || a == null || t == null) {
      session.messageProperty().set("Pick a single bar above to correct its hits.");
      return Optional.empty();
    }
    int number = number(t);
    return a.hits().stream()
        .filter(h -> h.lane() == lane && h.bar() == number && h.step() == step + 1)
        .findFirst();
  }

  private int number(Template t) {
    int first = t.beats().get(t.firstBeat(session.sectionProperty().get())).bar();
    return Math.max(first, 0) + bar.getAsInt();
  }

  /** Adds a hit on an empty step; keeps a doubtful one that is there. */
  @Override
  public void toggle(Lane lane, int step) {
    Optional<Hit> there = hit(lane, step);
    Template t = session.templateProperty().get();
    if (bar.getAsInt() == BarRows.TYPICAL || t == null) {
      return;
    }
    if (there.isPresent()) {
      Hit h = there.get();
      correct(HitMark.set(h, lane, h.velocity()), "Kept " + place(lane, step));
    } else {
      double time =
          t.time(session.sectionProperty().get(), bar.getAsInt() * t.stepsPerBar() + step, 0);
      correct(HitMark.add(lane, time, USUAL_VELOCITY), "Added " + place(lane, step));
    }
  }

  @Override
  public void shape(Lane lane, int step, int louder, double laterMs) {
    hit(lane, step)
        .ifPresent(
            h -> {
              int velocity = Math.max(1, Math.min(127, h.velocity() + louder));
              correct(HitMark.set(h, lane, velocity), place(lane, step) + ": loudness " + velocity);
            });
  }

  @Override
  public void delete(Lane lane, int step) {
    hit(lane, step).ifPresent(h -> correct(HitMark.delete(h), "Took out " + place(lane, step)));
  }

  @Override
  public void move(Lane lane, int step, Lane to) {
    hit(lane, step)
        .ifPresent(
            h ->
                correct(
                    HitMark.set(h, to, h.velocity()),
                    place(lane, step) + " is " + to.words() + " now"));
  }

  /** All hits of one lane go to another. */
  void merge(Lane lane, Lane into) {
    correct(HitMark.merge(lane, into), lane.words() + " counts as " + into.words());
  }

  /** The lanes are told apart again. */
  void unmerge() {
    session.correct(
        c -> c.withoutHits(m -> m.kind() == HitMark.Kind.MERGE), "Lanes as they were heard");
  }

  private void correct(HitMark mark, String words) {
    session.correct(c -> c.withHit(mark), words);
  }

  private String place(Lane lane, int step) {
    Template t = session.templateProperty().get();
    return lane.words() + " in bar " + number(t) + ", step " + (step + 1);
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
