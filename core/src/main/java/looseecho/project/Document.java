package looseecho.project;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import looseecho.analysis.Analysis;
import looseecho.analysis.Corrections;
import looseecho.analysis.Heard;
import looseecho.echo.Edits;
import looseecho.echo.History;
import looseecho.echo.LogLine;
import looseecho.echo.Template;
import looseecho.echo.TemplateBuilder;
import looseecho.echo.TemplateMerge;
import looseecho.mix.Sounds;

/**
 * All work on one track: what was heard, the person's corrections, the template and its sounds with
 * their history. Everything that comes from the background is made for one document and one
 * revision of it, so that a late result can never touch another. Not thread-safe: it belongs to the
 * thread that edits; the states are immutable.
 */
public final class Document {
  private static final String MADE = "Template made from what was heard";

  private final Origin origin;
  private Optional<Heard> heard;
  private final History<State> history;
  private Corrections asked;
  private long revision;
  private long saved;
  private boolean written;
  private Sounds near = Sounds.plain();

  /**
   * Where the track comes from.
   *
   * @param name as shown
   * @param path of its sound file
   * @param fingerprint SHA-256 of the file's bytes, in hex
   * @param packed true when its project holds the sound itself
   */
  public record Origin(String name, Path path, String fingerprint, boolean packed) {}

  /**
   * All that undo can take back.
   *
   * @param exact what was heard, as a template; empty where there is no beat to build on
   * @param template the template at work; empty with {@code exact}
   * @param notebook what the person thinks of it
   */
  public record State(
      Corrections corrections,
      Analysis analysis,
      Optional<Template> exact,
      Optional<Template> template,
      Sounds sounds,
      Notebook notebook) {
    static State heard(Corrections c, Analysis a, Sounds sounds, Notebook notes) {
      Optional<Template> made = new TemplateBuilder().build(a);
      return new State(c, a, made, made, sounds, notes);
    }

    State with(Optional<Template> other) {
      return new State(corrections, analysis, exact, other, sounds, notebook);
    }

    State with(Sounds other) {
      return new State(corrections, analysis, exact, template, other, notebook);
    }

    State with(Notebook other) {
      return new State(corrections, analysis, exact, template, sounds, other);
    }
  }

  private Document(Origin origin, Optional<Heard> heard, History<State> history) {
    this.origin = origin;
    this.heard = heard;
    this.history = history;
    this.asked = history.present().corrections();
  }

  /** A track that was opened by itself. */
  public static Document of(
      Origin origin, Optional<Heard> heard, Corrections corrections, Analysis analysis) {
    State start = State.heard(corrections, analysis, Sounds.plain(), Notebook.EMPTY);
    return new Document(origin, heard, new History<>(start, MADE, Change::words));
  }

  /** A project that is taken up again. */
  public static Document of(
      Origin origin,
      Optional<Heard> heard,
      Corrections corrections,
      Analysis analysis,
      Project project) {
    State start =
        State.heard(corrections, analysis, project.sounds(), project.notebook())
            .with(Optional.of(project.template()));
    Document d = new Document(origin, heard, new History<>(start, project.log(), Change::words));
    d.near = project.near();
    return d;
  }

  public Origin origin() {
    return origin;
  }

  /**
   * What the ear took in, to be read anew under other corrections; empty while only its readings
   * were kept.
   */
  public Optional<Heard> heard() {
    return heard;
  }

  /** The track was heard again. */
  public void heard(Heard fresh) {
    heard = Optional.of(fresh);
  }

  public State state() {
    return history.present();
  }

  /** Counts every change. */
  public long revision() {
    return revision;
  }

  /** True when the present revision is on the disk. */
  public boolean isSaved() {
    return saved == revision;
  }

  /** A revision has been written and read back. */
  public void saved(long revisionWritten) {
    saved = revisionWritten;
    written = true;
  }

  /** The work was taken from elsewhere than its project file: it has to be saved. */
  public void unsaved() {
    saved = -1;
  }

  /** What was done, in order. */
  public List<LogLine> log() {
    return history.log();
  }

  /** The person's reason for a line of the log; it stays when the line is undone. */
  public void explain(int line, String why) {
    history.explain(line, why);
    revision++;
  }

  /** Applies an edit of the template; does nothing where there is none. */
  public void edit(Edits.Edited edit) {
    if (state().template().isPresent()) {
      apply(state().with(Optional.of(edit.template())), edit.words(), edit.gesture());
    }
  }

  /** An edit of the template together with the sounds that it brings: one step of the history. */
  public void edit(Edits.Edited edit, Sounds with) {
    if (state().template().isPresent()) {
      State next = state().with(Optional.of(edit.template())).with(with);
      apply(next, edit.words(), edit.gesture());
    }
  }

  /** Other sounds, or another mix, as a move of a gesture or (empty) by itself. */
  public void sound(Sounds other, String words, String gesture) {
    apply(state().with(other), words, gesture);
  }

  /** The person noted something. */
  public void note(Notebook other, String words) {
    apply(state().with(other), words, "");
  }

  /**
   * The sounds were brought near the track: they stand in for the built-in ones wherever those were
   * left as they are. No change of the person's, so there is nothing to undo; nor to save, unless a
   * file was written before they came.
   */
  public void matched(Sounds found) {
    Sounds before = near; // what the person has touched since stays
    near = found;
    history.rewrite(s -> s.sounds().equals(before) ? s.with(found) : s);
    revision += written ? 1 : 0;
  }

  /** The sounds that come near the track; the built-in ones until they were matched. */
  public Sounds near() {
    return near;
  }

  /** These come near the track, whatever sounds are at work. */
  public void near(Sounds found) {
    near = found;
  }

  private void apply(State next, String words, String gesture) {
    history.apply(next, words, gesture);
    revision++;
  }

  /**
   * Asks for other corrections: those that follow from the ones asked for last. They count when
   * {@link #corrected} brings what is heard under them.
   */
  public Corrections ask(UnaryOperator<Corrections> change) {
    asked = change.apply(asked);
    return asked;
  }

  /** The corrections that were asked for last; they may not be heard yet. */
  public Corrections asked() {
    return asked;
  }

  /** What was asked for could not be heard: the present corrections hold. */
  public void refused() {
    asked = state().corrections();
  }

  /**
   * What is heard under corrections; parts of the template that are as they were heard follow.
   *
   * @return false where the sections changed, so that the template was made anew
   */
  public boolean corrected(Corrections now, Analysis analysis, String why) {
    State fresh = State.heard(now, analysis, state().sounds(), state().notebook());
    boolean kept = true;
    if (state().template().isPresent()
        && state().exact().isPresent()
        && fresh.exact().isPresent()) {
      TemplateMerge.Merged merged =
          TemplateMerge.merge(state().exact().get(), fresh.exact().get(), state().template().get());
      kept = merged.kept();
      fresh = fresh.with(Optional.of(merged.template()));
    }
    apply(fresh, why, "");
    return kept;
  }

  /** Takes the last step back; what it was, in words, or empty. */
  public Optional<String> undo() {
    return moved(history.undo());
  }

  /** Does the last step that was taken back again; what it was, in words, or empty. */
  public Optional<String> redo() {
    return moved(history.redo());
  }

  private Optional<String> moved(Optional<String> words) {
    if (words.isPresent()) {
      revision++;
      asked = state().corrections();
    }
    return words;
  }

  /** The present revision as it is kept in a file; empty where there is no template. */
  public Optional<Project> project() {
    State s = state();
    return s.template()
        .map(
            t ->
                new Project(
                    new Project.Link(
                        origin.name(),
                        origin.path().toAbsolutePath().toString(),
                        origin.fingerprint(),
                        origin.packed()),
                    s.corrections(),
                    s.exact().orElse(t),
                    t,
                    s.sounds(),
                    near,
                    log(),
                    s.notebook()));
  }
}
