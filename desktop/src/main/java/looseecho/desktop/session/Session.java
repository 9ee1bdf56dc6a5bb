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
import javafx.beans.property.SimpleIntegerProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.property.StringProperty;
import looseecho.activity.Lane;
import looseecho.analysis.Analysis;
import looseecho.analysis.Analyzer;
import looseecho.analysis.Corrections;
import looseecho.demo.Demo;
import looseecho.disk.Outputs;
import looseecho.echo.Edits;
import looseecho.echo.History;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.echo.TemplateBuilder;
import looseecho.echo.TemplateMerge;
import looseecho.echo.TemplateMerge.Merged;
import looseecho.exchange.TemplateExport;
import looseecho.project.CorrectionStore;
import looseecho.project.Project;
import looseecho.sound.OutputDevice;
import looseecho.sound.Player;
import looseecho.sound.Sounds;

/**
 * One reference at work: opened, heard, corrected, echoed, played and exported. Belongs to the
 * interface's thread.
 */
public final class Session implements AutoCloseable {
  private final Work work = new Work();
  private final Player player;
  private final Ear ear;
  private final Keeper keeper;
  private final ReadOnlyObjectWrapper<Reference> reference = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<Analysis> analysis = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<Template> template = new ReadOnlyObjectWrapper<>();
  private final Notice notice = new Notice();
  private final IntegerProperty section = new SimpleIntegerProperty(-1);
  private final ObjectProperty<Part> part = new SimpleObjectProperty<>(Part.of(Lane.KICK));
  private final Playback playback;
  private final EchoMaker maker;
  private final Taps taps = new Taps();
  private final ReadOnlyObjectWrapper<Keeper.LostException> lost = new ReadOnlyObjectWrapper<>();
  private Analyzer.Heard heard;
  private final ReadOnlyObjectWrapper<Corrections> corrections =
      new ReadOnlyObjectWrapper<>(Corrections.NONE);
  private Corrections pending; // asked for and not heard yet; null for none
  private History<Moment> history;
  private Template exact;

  public Session(OutputDevice device, CorrectionStore store) {
    this.player = new Player(device);
    this.maker =
        new EchoMaker(
            player,
            e -> playback().over(e),
            e -> playback().echo(e),
            e -> notice.failed("Rendering", e));
    this.playback = new Playback(player, maker::renderer);
    this.ear = new Ear(store);
    this.keeper = new Keeper(store.folder().resolveSibling("kept"));
    notice.say(device.remark());
  }

  /** Opens the demo, rendering it first when it is not there yet. */
  public void openDemo() {
    open(p -> Demo.file(Demo.cache(), p), "Saltmarsh Radio: the tide tables (demo)");
  }

  /** Opens a sound file or a project. */
  public void open(Path path) {
    String name = path.getFileName().toString();
    if (name.endsWith(".looseecho")) {
      openProject(path, Took.OPENED, path);
    } else {
      open(p -> path, name);
    }
  }

  /** Takes up work that a killed window left behind. */
  public void recover(Path left) {
    openProject(left, Took.LEFT, null);
  }

  /**
   * Takes up a kept version of a project that is missing or broken; saving puts it in its place.
   */
  public void openKept(Path kept, Path project) {
    openProject(kept, Took.KEPT, project);
  }

  /** How a project came to be opened: by its file, as left behind, or as a kept version of one. */
  private enum Took {
    OPENED,
    LEFT,
    KEPT
  }

  private record OpenedProject(Ear.Opened heard, Project project, String note) {}

  private void openProject(Path path, Took how, Path project) {
    lost.set(null);
    work.start(
        p -> {
          Keeper.Read read = keeper.read(path);
          Project.Link link = read.project().reference();
          Ear.Opened o =
              ear.open(
                  read.sound(),
                  link.name(),
                  Optional.of(read.project().corrections()),
                  r -> javafx.application.Platform.runLater(() -> take(r)),
                  p);
          return new OpenedProject(o, read.project(), read.note());
        },
        o -> {
          heard = o.heard().heard();
          pending = null;
          corrections.set(o.heard().corrections());
          history =
              new History<>(
                  new Moment(
                      o.heard().corrections(),
                      o.heard().analysis(),
                      o.project().template(),
                      o.project().sounds()),
                  o.project().log());
          notice.say(
              how == Took.OPENED
                  ? (o.heard().note() + " " + o.note()).trim()
                  : "Your work is back. Save it to keep it.");
          show();
          own(project);
          if (how != Took.OPENED) {
            keep();
          }
          if (how == Took.LEFT) {
            keeper.forget(path);
          }
        },
        e -> {
          if (e instanceof Keeper.LostException found) {
            lost.set(found);
          }
          notice.failed("Opening", e);
        });
  }

  private void own(Path project) {
    try {
      String words = keeper.took(project);
      if (!words.isEmpty()) {
        notice.say(words);
      }
    } catch (IOException e) {
      notice.failed("Opening", e);
    }
  }

  /** The work as it is now; empty when there is no template. */
  private Optional<Project> project() {
    Reference r = reference.get();
    if (history == null || r == null || history.present().template() == null) {
      return Optional.empty();
    }
    Moment m = history.present();
    Template exact = exact();
    return Optional.of(
        new Project(
            new Project.Link(
                r.name(), r.path().toAbsolutePath().toString(), r.fingerprint(), false),
            m.corrections(),
            exact == null ? m.template() : exact,
            m.template(),
            m.sounds(),
            history.log()));
  }

  /** The exact template of what is heard now; null when there is none. */
  public Template exact() {
    return exact;
  }

  /** Saves the work; {@code pack} puts the reference into the file. */
  public void save(Path to, boolean pack) {
    Optional<Project> now = project();
    if (now.isEmpty()) {
      notice.say("There is nothing to save yet.");
      return;
    }
    Optional<Path> sound = pack ? Optional.of(reference.get().path()) : Optional.empty();
    Moment written = history.present();
    work.start(
        p -> keeper.write(now.get(), sound, to),
        words -> {
          if (!to.equals(keeper.pathProperty().get())) {
            own(to);
          }
          if (history != null && history.present() == written) {
            keeper.saved();
          } else {
            keep(); // edited while it was being written
          }
          notice.say(words);
        },
        e -> notice.failed("Saving", e));
  }

  /** Other sounds, or another mix. */
  public void sound(Sounds other, String words) {
    sound(other, words, "");
  }

  /** The same as a move of a gesture, which undo takes back as a whole. */
  public void sound(Sounds other, String words, String gesture) {
    history.apply(history.present().with(other), words, gesture);
    notice.say(words);
    changed();
  }

  private void changed() {
    keep();
    show();
  }

  private void keep() {
    project().ifPresent(keeper::changed);
  }

  private void open(Work.Job<Path> finder, String name) {
    work.start(
        p ->
            ear.open(
                finder.run(p),
                name,
                Optional.empty(),
                r -> javafx.application.Platform.runLater(() -> take(r)),
                p),
        this::take,
        e -> notice.failed("Opening", e));
  }

  private void take(Reference r) {
    analysis.set(null);
    template.set(null);
    maker.forget();
    history = null;
    section.set(-1);
    reference.set(r);
    playback.load(r);
    notice.say("");
  }

  private void take(Ear.Opened o) {
    heard = o.heard();
    pending = null;
    corrections.set(o.corrections());
    notice.say(o.note());
    take(o.analysis(), "Template made from what was heard");
    own(null);
  }

  private void take(Analysis a, String why) {
    Template made = new TemplateBuilder().build(a).orElse(null);
    if (history == null) {
      history = new History<>(new Moment(corrections.get(), a, made, Sounds.plain()), why);
      show();
    } else {
      Merged merged = merged(made);
      Sounds same = history.present().sounds();
      history.apply(new Moment(corrections.get(), a, merged.template(), same), why);
      changed();
      notice.say(
          merged.kept() ? why : why + ". Your echo was made anew; undo brings the edited one back");
    }
    if (!a.notes().isEmpty()) {
      notice.say(String.join(" ", a.notes()));
    }
  }

  /** Edited parts of the echo stay, the others follow what is heard now. */
  private Merged merged(Template made) {
    Moment was = history.present();
    Template before = new TemplateBuilder().build(was.analysis()).orElse(null);
    return made == null || before == null || was.template() == null
        ? new Merged(made, true)
        : TemplateMerge.merge(before, made, was.template());
  }

  /** Changes the corrections; the readings and a new template follow. */
  public void correct(UnaryOperator<Corrections> change, String why) {
    if (heard == null || reference.get() == null) {
      return;
    }
    Corrections last = pending == null ? corrections.get() : pending;
    Corrections now = change.apply(last);
    if (corrections.get().locked() && now.locked() && movesGround(corrections.get(), now)) {
      notice.say("The ground is locked. Unlock it to change tempo, bars or sections.");
      return;
    }
    pending = now;
    String fingerprint = reference.get().fingerprint();
    work.start(
        p -> ear.read(heard, fingerprint, now, p),
        a -> {
          pending = null;
          corrections.set(now);
          take(a, why);
        },
        e -> {
          pending = null;
          notice.failed("The correction", e);
        });
  }

  private static boolean movesGround(Corrections a, Corrections b) {
    return !a.pulse().equals(b.pulse()) || !a.sections().equals(b.sections());
  }

  public Taps taps() {
    return taps;
  }

  /** Applies an edit of the template. */
  public void edit(Edits.Edited edit) {
    history.apply(history.present().with(edit.template()), edit.words(), edit.gesture());
    notice.say(edit.words());
    changed();
  }

  public void undo() {
    if (history != null) {
      history.undo().ifPresent(w -> changedBack("Undone: " + w));
    }
  }

  public void redo() {
    if (history != null) {
      history.redo().ifPresent(w -> changedBack("Done again: " + w));
    }
  }

  private void changedBack(String words) {
    Corrections now = history.present().corrections();
    if (!now.equals(corrections.get())) {
      corrections.set(now);
      String fingerprint = reference.get().fingerprint();
      work.start(
          p -> {
            ear.keep(fingerprint, now);
            return now;
          },
          c -> {},
          e -> notice.failed("Keeping the correction", e));
    }
    notice.say(words);
    changed();
  }

  /**
   * Shows the present state and renders its template; a newer edit replaces a rendering that is
   * still running.
   */
  private void show() {
    Moment m = history.present();
    if (analysis.get() != m.analysis()) {
      exact = new TemplateBuilder().build(m.analysis()).orElse(null);
      analysis.set(m.analysis());
      playback.heard(m.analysis());
    }
    maker.use(m.sounds());
    Template t = m.template();
    template.set(t);
    if (t == null) {
      return;
    }
    section.set(Math.min(Math.max(0, section.get()), t.sections().size() - 1));
    if (t.end() > EchoMaker.LONGEST) {
      notice.say("Heard whole. Its echo can be edited and written, but is too long to be played.");
      return;
    }
    maker.render(t);
  }

  /** Writes MIDI, mix and stems into a folder. */
  public void export(Path folder) {
    Template t = template.get();
    if (t == null) {
      return;
    }
    String name =
        reference.get().path().getFileName().toString().replaceFirst("(?<=.)\\.[^.]+$", "")
            + " echo";
    work.start(
        p ->
            new TemplateExport()
                .write(t, maker.renderer(), folder, name, true, new Outputs(inputs(), false), p),
        files ->
            notice.say(
                files.size()
                    + " files written to "
                    + folder
                    + ": MIDI, the mix and a stem per part"),
        e -> notice.failed("The export", e));
  }

  /** What the echo is made from; never written over. */
  private List<Path> inputs() {
    List<Path> all = new ArrayList<>(List.of(reference.get().path()));
    Optional.ofNullable(keeper.pathProperty().get()).ifPresent(all::add);
    history.present().sounds().samples().values().forEach(s -> all.add(Path.of(s.path())));
    return all;
  }

  /** A project that could not be opened, and what is kept of it; null for none. */
  public ReadOnlyObjectProperty<Keeper.LostException> lostProperty() {
    return lost.getReadOnlyProperty();
  }

  /** The folder in which the person's own things are kept. */
  public Path folder() {
    return ear.folder();
  }

  public Work work() {
    return work;
  }

  public Player player() {
    return player;
  }

  public Keeper keeper() {
    return keeper;
  }

  /** What was done, in words, in order. */
  public List<String> log() {
    return history == null ? List.of() : history.log();
  }

  /** What turns the echo into sound. */
  public EchoMaker maker() {
    return maker;
  }

  public Playback playback() {
    return playback;
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

  /** Index of the section at work, -1 for none. */
  public IntegerProperty sectionProperty() {
    return section;
  }

  /** The part at work; never null. */
  public ObjectProperty<Part> partProperty() {
    return part;
  }

  @Override
  public void close() {
    work.close();
    maker.close();
    keeper.close();
    playback.close();
    player.close();
  }
}
