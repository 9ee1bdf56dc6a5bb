package looseecho.desktop.session;

import java.util.Optional;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import looseecho.audio.Resampler;
import looseecho.compare.Comparer;
import looseecho.compare.Comparison;
import looseecho.compare.Finding;
import looseecho.compare.Mend;
import looseecho.compare.Side;
import looseecho.echo.Edits;
import looseecho.echo.Template;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Sounds;
import looseecho.project.Notebook;

/**
 * How near the echo is to the track, measured when the person asks for it. Belongs to the
 * interface's thread.
 */
public final class Nearness {
  private final Desk desk;
  private final EchoMaker maker;
  private final Work lane;
  private final Notice notice;
  private final ReadOnlyObjectWrapper<Comparison> comparison = new ReadOnlyObjectWrapper<>();
  private Template of;
  private Sounds with;

  Nearness(Desk desk, EchoMaker maker, Work lane, Notice notice) {
    this.desk = desk;
    this.maker = maker;
    this.lane = lane;
    this.notice = notice;
    desk.referenceProperty().addListener((o, a, b) -> forget());
  }

  private void forget() {
    lane.drop();
    comparison.set(null);
    of = null;
  }

  /** Compares the echo as it is now with the track. */
  public void compare() {
    Reference r = desk.referenceProperty().get();
    Template exact = desk.exact();
    Template now = desk.templateProperty().get();
    if (r == null || exact == null || now == null) {
      desk.say("There is no echo yet to compare with the track.");
      return;
    }
    Sounds sounds = maker.soundsProperty().get();
    EchoRenderer renderer = maker.renderer();
    of = now;
    with = sounds;
    lane.start(
        p -> {
          Side track = new Side(r.name(), exact, new Resampler().resample(r.audio(), 44_100));
          return Comparer.compare(track, new Side("echo", now, renderer.mix(now, p)), p);
        },
        comparison::set,
        e -> notice.failed("Comparing", e, "What you see is older."));
  }

  /** Null until it was asked for. */
  public ReadOnlyObjectProperty<Comparison> comparisonProperty() {
    return comparison.getReadOnlyProperty();
  }

  /** True when the echo was changed after it was compared. */
  public boolean isOld() {
    return comparison.get() != null
        && (of != desk.templateProperty().get() || !maker.soundsProperty().get().equals(with));
  }

  /** Sets a difference right, as one step that undo takes back. */
  public void mend(Finding f) {
    Template t = desk.templateProperty().get();
    Template exact = desk.exact();
    Optional<Mend> mend = f.mend();
    if (t != null && exact != null && mend.isPresent()) {
      Mend.Mended m = mend.get().of(t, maker.soundsProperty().get(), exact);
      desk.edit(new Edits.Edited(m.template(), mend.get().words(f.of())), m.sounds());
    }
  }

  /** The person's verdict about a part. */
  public void judge(String part, Notebook.Verdict verdict) {
    Notebook now = desk.notebookProperty().get();
    if (now.of(part) != verdict) {
      desk.note(now.with(part, verdict), part + ": " + verdict.words());
    }
  }
}
