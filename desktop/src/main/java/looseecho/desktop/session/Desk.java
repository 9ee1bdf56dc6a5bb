package looseecho.desktop.session;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.StringProperty;
import looseecho.analysis.Analysis;
import looseecho.analysis.Corrections;
import looseecho.analysis.Heard;
import looseecho.echo.Edits;
import looseecho.echo.LogLine;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.mix.Sounds;
import looseecho.project.Document;
import looseecho.project.Notebook;

/**
 * The track at work, as views show and change it: what was heard, corrections, the template. What
 * comes from long work counts only for the document that it was made for. Belongs to the
 * interface's thread.
 */
public final class Desk {
  private final Work hearing;
  private final Work saving;
  private final Ear ear;
  private final Notice notice;
  private final Follower follower;
  private final ReadOnlyObjectWrapper<Reference> reference = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<Analysis> analysis = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<Template> template = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<Corrections> corrections =
      new ReadOnlyObjectWrapper<>(Corrections.NONE);
  private final ReadOnlyObjectWrapper<Notebook> notebook =
      new ReadOnlyObjectWrapper<>(Notebook.EMPTY);
  private final ReadOnlyObjectWrapper<List<LogLine>> log = new ReadOnlyObjectWrapper<>(List.of());
  private Document document; // null until a track has been heard

  Desk(Work hearing, Work saving, Ear ear, Notice notice, Follower follower) {
    this.hearing = hearing;
    this.saving = saving;
    this.ear = ear;
    this.notice = notice;
    this.follower = follower;
  }

  /** Lays on the sound of a track that is still being heard. */
  void put(Reference r) {
    document = null;
    analysis.set(null);
    template.set(null);
    corrections.set(Corrections.NONE);
    notebook.set(Notebook.EMPTY);
    log.set(List.of());
    follower.opened(r);
    reference.set(r);
  }

  /** Shows the first half of what is heard, to be looked at and played; the whole follows. */
  void half(Analysis a) {
    if (analysis.get() != a) {
      analysis.set(a);
      follower.heard(a);
    }
  }

  /** Lays on what was made of it. */
  void put(Document d) {
    document = d;
    show();
  }

  /** Empty until a track has been heard. */
  Optional<Document> document() {
    return Optional.ofNullable(document);
  }

  /** Changes the corrections; the readings and a new template follow. */
  public void correct(UnaryOperator<Corrections> change, String why) {
    Document d = document;
    if (d == null) {
      if (analysis.get() != null) {
        notice.say("The notes are still being heard: correct it when they are there.");
      }
      return;
    }
    Corrections before = d.asked();
    Corrections now = change.apply(before);
    if (before.locked() && now.locked() && movesGround(before, now)) {
      notice.say("The ground is locked. Unlock it to change tempo, bars or sections.");
      return;
    }
    d.ask(c -> now);
    hear(d, now, d.heard(), why);
  }

  /** Hears the track anew with the present ear; the corrections stay. */
  public void hearAgain() {
    if (document != null) {
      hear(document, document.asked(), Optional.empty(), "Heard again");
    }
  }

  private void hear(Document d, Corrections now, Optional<Heard> known, String why) {
    hearing.start(
        p -> ear.read(known, d.origin(), now, p),
        a -> {
          d.heard(a.heard());
          corrected(d, now, a.analysis(), why);
        },
        e -> {
          d.refused();
          notice.failed("The correction", e, "Nothing was changed.");
        });
  }

  private void corrected(Document d, Corrections now, Analysis a, String why) {
    boolean kept = d.corrected(now, a, why);
    if (d == document) {
      changed();
      notice.say(kept ? why : why + ". Your echo was made anew; undo brings the edited one back");
    }
  }

  private static boolean movesGround(Corrections a, Corrections b) {
    return !a.pulse().equals(b.pulse()) || !a.sections().equals(b.sections());
  }

  /** Applies an edit of the template. */
  public void edit(Edits.Edited edit) {
    if (document != null) {
      document.edit(edit);
      changed(edit.words());
    }
  }

  /** The same with the sounds that it brings. */
  public void edit(Edits.Edited edit, Sounds with) {
    if (document != null) {
      document.edit(edit, with);
      changed(edit.words());
    }
  }

  /** The person noted something. */
  public void note(Notebook other, String words) {
    if (document != null) {
      document.note(other, words);
      changed(words);
    }
  }

  /** What the person noted about the echo. */
  public ReadOnlyObjectProperty<Notebook> notebookProperty() {
    return notebook.getReadOnlyProperty();
  }

  /** The sounds of a track were brought near it; no change of the person's. */
  void matched(Document d, Sounds near) {
    d.matched(near);
    if (d == document) {
      show();
    }
  }

  /** Other sounds, or another mix. */
  public void sound(Sounds other, String words) {
    sound(other, words, "");
  }

  /** The same as a move of a gesture, which undo takes back as a whole. */
  public void sound(Sounds other, String words, String gesture) {
    if (document != null) {
      document.sound(other, words, gesture);
      changed(words);
    }
  }

  public void undo() {
    step("Undone: ", Document::undo);
  }

  public void redo() {
    step("Done again: ", Document::redo);
  }

  private void step(String said, Function<Document, Optional<String>> step) {
    if (document != null) {
      hearing.drop(); // a correction that is still being heard is taken back with it
      step.apply(document).ifPresent(w -> changedBack(said + w));
    }
  }

  private void changedBack(String words) {
    Corrections now = document.state().corrections();
    if (!now.equals(corrections.get())) {
      String fingerprint = document.origin().fingerprint();
      saving.start(
          p -> {
            ear.keep(fingerprint, now);
            return now;
          },
          c -> {},
          e -> notice.failed("Keeping the correction", e, "It holds until the window closes."));
    }
    changed(words);
  }

  private void changed(String words) {
    notice.say(words);
    changed();
  }

  private void changed() {
    follower.changed(document);
    show();
  }

  private void show() {
    Document.State s = document.state();
    corrections.set(s.corrections());
    notebook.set(s.notebook());
    log.set(document.log());
    half(s.analysis());
    follower.sounds(s.sounds());
    template.set(s.template().orElse(null));
    s.template().ifPresent(follower::written);
  }

  /** The exact template of what is heard now; null when there is none. */
  public Template exact() {
    return document == null ? null : document.state().exact().orElse(null);
  }

  /** How a part of the echo is called. */
  public String name(Part part) {
    Template t = template.get();
    return t == null ? part.words() : t.name(part);
  }

  /** The sounds that come near the track. */
  public Sounds near() {
    return document == null ? Sounds.plain() : document.near();
  }

  /** What was done, in order. */
  public ReadOnlyObjectProperty<List<LogLine>> logProperty() {
    return log.getReadOnlyProperty();
  }

  /** Keeps the person's reason for a line of the log. */
  public void explain(int line, String why) {
    if (document != null) {
      document.explain(line, why);
      changed();
    }
  }

  public ReadOnlyObjectProperty<Corrections> correctionsProperty() {
    return corrections.getReadOnlyProperty();
  }

  /** Null before a reference is open. */
  public ReadOnlyObjectProperty<Reference> referenceProperty() {
    return reference.getReadOnlyProperty();
  }

  /** Null until the reference has been heard. */
  public ReadOnlyObjectProperty<Analysis> analysisProperty() {
    return analysis.getReadOnlyProperty();
  }

  /** Null when there is no beat to build on. */
  public ReadOnlyObjectProperty<Template> templateProperty() {
    return template.getReadOnlyProperty();
  }

  /** One line for the person; never null. */
  public StringProperty messageProperty() {
    return notice.property();
  }

  /** Tells the person something. */
  public void say(String words) {
    notice.say(words);
  }
}
