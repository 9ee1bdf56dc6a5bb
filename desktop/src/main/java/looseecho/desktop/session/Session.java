package looseecho.desktop.session;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.StringProperty;
import looseecho.analysis.Analysis;
import looseecho.analysis.Analyzer;
import looseecho.analysis.Corrections;
import looseecho.disk.Outputs;
import looseecho.echo.Edits;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.exchange.TemplateExport;
import looseecho.mix.Sounds;
import looseecho.play.OutputDevice;
import looseecho.play.Player;
import looseecho.project.CorrectionStore;
import looseecho.project.Document;
import looseecho.project.Project;

/**
 * Brings together the document at work, the lanes of long work, what is looked at and what sounds.
 * What comes from a lane counts only for the document that it was made for. Belongs to the
 * interface's thread.
 */
public final class Session implements AutoCloseable {
  private final Work hearing = Work.newest("hearing");
  private final Work saving = Work.inOrder("saving");
  private final Work exporting = Work.inOrder("exporting");
  private final Player player;
  private final Ear ear;
  private final Keeper keeper;
  private final Opener opener;
  private final Notice notice;
  private final Playback playback;
  private final EchoMaker maker;
  private final Selection selection = new Selection();
  private final Taps taps = new Taps();
  private final ReadOnlyObjectWrapper<Reference> reference = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<Analysis> analysis = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<Template> template = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<Corrections> corrections =
      new ReadOnlyObjectWrapper<>(Corrections.NONE);
  private final ReadOnlyObjectWrapper<Keeper.LostException> lost = new ReadOnlyObjectWrapper<>();
  private Document document; // null until a track has been heard

  public Session(OutputDevice device, CorrectionStore store) {
    notice = new Notice(store.folder().resolveSibling("reports"));
    player = new Player(device);
    maker =
        new EchoMaker(
            player,
            e -> playback().over(e),
            e -> playback().echo(e),
            e -> notice.failed("Rendering", e, "You hear the echo as it was before."));
    playback =
        new Playback(
            player,
            maker::renderer,
            e -> notice.failed("Slow or single listening", e, "It plays on as it was."));
    ear = new Ear(store);
    keeper = new Keeper(store.folder().resolveSibling("kept"));
    opener = new Opener(hearing, ear, keeper, this::take, this::take, this::notOpened);
    notice.say(device.remark());
  }

  /** Opens the demo, rendering it first when it is not there yet. */
  public void openDemo() {
    lost.set(null);
    opener.demo();
  }

  /** Opens a sound file or a project. */
  public void open(Path path) {
    lost.set(null);
    if (path.getFileName().toString().endsWith(".looseecho")) {
      opener.project(path);
    } else {
      opener.track(path);
    }
  }

  /** Takes up work that a killed window left behind. */
  public void recover(Path left) {
    opener.aside(left, null);
  }

  /**
   * Takes up a kept version of a project that is missing or broken; saving puts it in its place.
   */
  public void openKept(Path kept, Path project) {
    lost.set(null);
    opener.aside(kept, project);
  }

  /** The sound of a track that is still being heard. */
  private void take(Reference r) {
    document = null;
    analysis.set(null);
    template.set(null);
    corrections.set(Corrections.NONE);
    maker.forget();
    selection.none();
    reference.set(r);
    playback.load(r);
    own(null);
    notice.say("");
  }

  private void take(Opener.Opened o) {
    document = o.document();
    notice.say(o.changed() ? "Your work is back. Save it to keep it." : o.note());
    show();
    own(o.project());
    if (o.changed()) {
      document.unsaved();
      keep();
      o.left().ifPresent(keeper::takenUp);
    }
    List<String> heard = document.state().analysis().notes();
    if (!heard.isEmpty()) {
      notice.say(String.join(" ", heard));
    }
  }

  private void notOpened(Throwable e) {
    if (e instanceof Keeper.LostException found) {
      lost.set(found);
    }
    boolean halfWay = document == null && reference.get() != null;
    notice.failed(
        "Opening",
        e,
        halfWay ? "The track can be played, but was not heard." : "Nothing was changed.");
  }

  private void own(Path project) {
    try {
      String words = keeper.took(project);
      if (!words.isEmpty()) {
        notice.say(words);
      }
    } catch (IOException e) {
      notice.failed("Opening", e, "");
    }
  }

  /** Saves the work; {@code pack} puts the reference and own samples into the file. */
  public void save(Path to, boolean pack) {
    Document d = document;
    Optional<Project> now = d == null ? Optional.empty() : d.project();
    if (now.isEmpty()) {
      notice.say("There is nothing to save yet.");
      return;
    }
    long revision = d.revision();
    boolean whole = pack || d.origin().packed();
    Analysis heard = d.state().analysis();
    Optional<Path> sound = whole ? Optional.of(d.origin().path()) : Optional.empty();
    saving.start(
        p -> {
          p.step("Saving", 0);
          return keeper.write(now.get(), sound, heard, to);
        },
        words -> {
          d.saved(revision);
          if (d == document) {
            if (!to.equals(keeper.pathProperty().get())) {
              own(to);
            }
            keep();
          }
          notice.say(words);
        },
        e -> notice.failed("Saving", e, "The file is as it was before."));
  }

  /** Has what is not in the project file written aside. */
  private void keep() {
    if (document.isSaved()) {
      keeper.saved();
    } else {
      document.project().ifPresent(keeper::changed);
    }
  }

  /** Changes the corrections; the readings and a new template follow. */
  public void correct(UnaryOperator<Corrections> change, String why) {
    Document d = document;
    if (d == null) {
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

  private void hear(Document d, Corrections now, Optional<Analyzer.Heard> known, String why) {
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
      notice.say(edit.words());
      changed();
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
      notice.say(words);
      changed();
    }
  }

  public void undo() {
    if (document != null) {
      hearing.drop(); // a correction that is still being heard is taken back with it
      document.undo().ifPresent(w -> changedBack("Undone: " + w));
    }
  }

  public void redo() {
    if (document != null) {
      hearing.drop();
      document.redo().ifPresent(w -> changedBack("Done again: " + w));
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
    notice.say(words);
    changed();
  }

  private void changed() {
    keep();
    show();
  }

  /** Shows the present state and renders its template. */
  private void show() {
    Document.State s = document.state();
    corrections.set(s.corrections());
    if (analysis.get() != s.analysis()) {
      analysis.set(s.analysis());
      playback.heard(s.analysis());
    }
    maker.use(s.sounds());
    template.set(s.template().orElse(null));
    s.template()
        .ifPresent(
            t -> {
              selection.within(t);
              maker.render(t);
            });
  }

  /** Writes MIDI, mix and stems into a folder. */
  public void export(Path folder) {
    Document d = document;
    if (d == null || d.state().template().isEmpty()) {
      notice.say("There is nothing to export yet.");
      return;
    }
    Template t = d.state().template().get();
    String name = d.origin().path().getFileName().toString().replaceFirst("(?<=.)\\.[^.]+$", "");
    Outputs allowed = new Outputs(inputs(d), false);
    exporting.start(
        p ->
            new TemplateExport()
                .write(
                    t,
                    maker.renderer(),
                    folder,
                    name + " echo",
                    TemplateExport.Sound.STEMS,
                    allowed,
                    p),
        files ->
            notice.say(
                files.size()
                    + " files written to "
                    + folder
                    + ": MIDI, the mix and a stem per part"),
        e -> notice.failed("The export", e, "Files that were written before stay."));
  }

  /** What the echo is made from; never written over. */
  private List<Path> inputs(Document d) {
    List<Path> all = new ArrayList<>(List.of(d.origin().path()));
    Optional.ofNullable(keeper.pathProperty().get()).ifPresent(all::add);
    d.state().sounds().samples().values().forEach(s -> all.add(Path.of(s.path())));
    return all;
  }

  /** The exact template of what is heard now; null when there is none. */
  public Template exact() {
    return document == null ? null : document.state().exact().orElse(null);
  }

  /** What was done, in words, in order. */
  public List<String> log() {
    return document == null ? List.of() : document.log();
  }

  /** Lanes of work that show themselves: hearing, saving, exporting. */
  public List<Work> lanes() {
    return List.of(hearing, saving, exporting);
  }

  /** The lane in which tracks are opened and corrections are heard. */
  public Work work() {
    return hearing;
  }

  /** The folder in which the person's own things are kept. */
  public Path folder() {
    return ear.folder();
  }

  public Player player() {
    return player;
  }

  public Keeper keeper() {
    return keeper;
  }

  public Taps taps() {
    return taps;
  }

  /** What turns the echo into sound. */
  public EchoMaker maker() {
    return maker;
  }

  public Playback playback() {
    return playback;
  }

  /** A project that could not be opened, and what is kept of it; null for none. */
  public ReadOnlyObjectProperty<Keeper.LostException> lostProperty() {
    return lost.getReadOnlyProperty();
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

  /** Null until it is rendered. */
  public ReadOnlyObjectProperty<EchoSound> echoProperty() {
    return maker.echoProperty();
  }

  /** One line for the person; never null. */
  public StringProperty messageProperty() {
    return notice.property();
  }

  public IntegerProperty sectionProperty() {
    return selection.sectionProperty();
  }

  public ObjectProperty<Part> partProperty() {
    return selection.partProperty();
  }

  @Override
  public void close() {
    lanes().forEach(Work::close);
    maker.close();
    keeper.close();
    playback.close();
    player.close();
  }
}
