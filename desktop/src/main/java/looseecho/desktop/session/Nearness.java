package looseecho.desktop.session;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Optional;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import looseecho.audio.AudioReader;
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
import looseecho.project.OtherSide;
import looseecho.reading.Progress;

/**
 * How near the echo is to the track, measured when the person asks for it. Belongs to the
 * interface's thread.
 */
public final class Nearness {
  private static final int RATE = EchoRenderer.RATE;
  private final Desk desk;
  private final EchoMaker maker;
  private final Work lane;
  private final Notice notice;
  private final Hearings hearings;
  private final ReadOnlyObjectWrapper<Comparison> comparison = new ReadOnlyObjectWrapper<>();
  private Optional<String> other = Optional.empty(); // than the track
  private Template of;
  private Sounds with;

  /**
   * With a lane of its own.
   *
   * @param hearings which keep what was parted
   */
  Nearness(Desk desk, EchoMaker maker, Work lane, Notice notice, Hearings hearings) {
    this.hearings = hearings;
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
    measure(
        (renderer, p) -> {
          Side track = new Side(r.name(), exact, new Resampler().resample(r.audio(), RATE));
          Side echo = Side.echo("echo", now, renderer, p);
          return Comparer.compare(track, each -> hearings.parted(r, track.hits(), each), echo, p);
        },
        Optional.empty());
  }

  /** Compares the echo with another recording, which is heard first, or with another project. */
  public void compare(Path file) {
    Template now = desk.templateProperty().get();
    if (now == null) {
      desk.say("There is no echo yet to compare with anything.");
      return;
    }
    String name = String.valueOf(file.getFileName());
    String track = desk.document().map(d -> d.origin().fingerprint()).orElse("");
    measure(
        (renderer, p) -> {
          Side there =
              name.endsWith(".looseecho")
                  ? OtherSide.echo(file, track, p)
                  : OtherSide.heard(name, new AudioReader().read(file, p).audio(), p);
          Side echo = Side.echo("echo", now, renderer, p);
          boolean alike = there.template().sections().size() > 1;
          return Comparer.compare(there, alike ? echo : echo.whole(), p);
        },
        Optional.of(name));
  }

  /** Compares in the background. */
  private interface Measuring {
    Comparison run(EchoRenderer renderer, Progress p) throws IOException;
  }

  private void measure(Measuring work, Optional<String> name) {
    EchoRenderer renderer = maker.renderer();
    Template now = desk.templateProperty().get();
    Sounds sounds = maker.soundsProperty().get();
    lane.start(
        p -> work.run(renderer, p),
        c -> {
          of = now;
          with = sounds;
          other = name;
          comparison.set(c);
        },
        e -> notice.failed("Comparing", e, "What you see is older."));
  }

  /** The other recording that the echo was compared with; empty for the track. */
  public Optional<String> other() {
    return other;
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
    if (t == null || exact == null || f.mend().isEmpty()) {
      return;
    }
    Mend mend = f.mend().get();
    if (mend.what() == Mend.What.AS_HEARD && other.isPresent()) {
      desk.say("Strokes can be taken from the track only, not from " + other.get() + ".");
      return;
    }
    Mend.Mended m = mend.of(t, maker.soundsProperty().get(), exact);
    desk.edit(new Edits.Edited(m.template(), mend.words(f.of())), m.sounds());
  }

  /** The person's verdict about a part. */
  public void judge(String part, Notebook.Verdict verdict) {
    Notebook now = desk.notebookProperty().get();
    if (now.of(part) != verdict) {
      desk.note(now.with(part, verdict), part + ": " + verdict.words() + measured(part));
    }
  }

  private String measured(String part) {
    Comparison c = comparison.get();
    Double score = c == null ? null : c.scores().get(part);
    return score == null ? "" : String.format(Locale.ROOT, " (measured %.0f of 100)", score);
  }

  /** From which score on a part is near enough, in this project. */
  public void enough(double score) {
    Notebook now = desk.notebookProperty().get();
    if (now.enough() != score) {
      desk.note(
          now.enough(score), String.format(Locale.ROOT, "Near enough from %.0f of 100 on", score));
    }
  }
}
