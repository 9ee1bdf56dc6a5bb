package looseecho.desktop.session;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import looseecho.analysis.Analysis;
import looseecho.analysis.Heard;
import looseecho.disk.Outputs;
import looseecho.echo.Template;
import looseecho.exchange.StemNames;
import looseecho.exchange.TemplateExport;
import looseecho.project.Document;
import looseecho.project.Project;

/**
 * Files that are opened, saved and exported, each in its own lane. Belongs to the interface's
 * thread.
 */
public final class Papers {
  private final Work saving;
  private final Work exporting;
  private final Desk desk;
  private final EchoMaker maker;
  private final Keeper keeper;
  private final Notice notice;
  private final Consumer<Document> fresh;
  private final Opener opener;
  private final ReadOnlyObjectWrapper<Keeper.LostException> lost = new ReadOnlyObjectWrapper<>();

  Papers(
      Lanes lanes,
      Ear ear,
      Desk desk,
      EchoMaker maker,
      Keeper keeper,
      Notice notice,
      Consumer<Document> fresh) {
    this.saving = lanes.saving();
    this.exporting = lanes.exporting();
    this.desk = desk;
    this.maker = maker;
    this.keeper = keeper;
    this.notice = notice;
    this.fresh = fresh;
    opener = new Opener(lanes.opening(), lanes.sounding(), ear, keeper, new Opening());
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

  /** Makes the first opening quicker: to be called while a fresh window rests. */
  public void rehearse() {
    keeper.recent().stream().findFirst().ifPresent(opener::rehearse);
  }

  CompletableFuture<Boolean> rehearsed() {
    return opener.rehearsed();
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

  /** Lays what is opened on the desk. */
  private final class Opening implements Opener.Taker {
    @Override
    public void sound(Reference r) {
      desk.put(r);
      own(null);
      notice.say("");
    }

    @Override
    public void half(Analysis a) {
      desk.half(a);
    }

    @Override
    public void whole(Opener.Opened o) {
      take(o);
    }

    @Override
    public void silent(Throwable e) {
      String words = "You see what was heard before; nothing sounds.";
      notice.failed("Reading the sound", e, words);
      if (e instanceof IOException) {
        notice.say(e.getMessage() + " " + words);
      }
    }

    @Override
    public void failed(Throwable e) {
      notOpened(e);
    }
  }

  void close() {
    opener.close();
  }

  private void take(Opener.Opened o) {
    String words = o.changed() ? "Your work is back. Save it to keep it." : o.note();
    notice.say(words);
    desk.put(o.document());
    own(o.project());
    if (o.changed()) {
      o.document().unsaved();
      keep(o.document());
      o.left().ifPresent(keeper::takenUp);
    }
    if (o.isFresh()) {
      fresh.accept(o.document());
    }
    List<String> heard = o.document().state().analysis().notes();
    if (!heard.isEmpty()) {
      notice.say((String.join(" ", heard) + " " + words).trim());
    }
  }

  private void notOpened(Throwable e) {
    if (e instanceof Keeper.LostException found) {
      lost.set(found);
    }
    boolean halfWay = desk.document().isEmpty() && desk.referenceProperty().get() != null;
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
    Document d = desk.document().orElse(null);
    Optional<Project> now = d == null ? Optional.empty() : d.project();
    if (now.isEmpty()) {
      notice.say("There is nothing to save yet.");
      return;
    }
    long revision = d.revision();
    boolean whole = pack || d.origin().packed();
    // Half of a hearing that was stopped is not kept: the project hears the whole when it is
    // opened.
    Optional<Analysis> heard =
        Optional.of(d.state().analysis()).filter(a -> d.heard().map(Heard::isWhole).orElse(true));
    Optional<Path> sound = whole ? Optional.of(d.origin().path()) : Optional.empty();
    saving.start(
        p -> {
          p.step("Saving", 0);
          return keeper.write(now.get(), sound, heard, to);
        },
        words -> {
          d.saved(revision);
          if (desk.document().filter(x -> x == d).isPresent()) {
            if (!to.equals(keeper.pathProperty().get())) {
              own(to);
            }
            keep(d);
          }
          notice.say(words);
        },
        e -> notice.failed("Saving", e, "The file is as it was before."));
  }

  /** Has what is not in the project file written aside. */
  void keep(Document d) {
    if (d.isSaved()) {
      keeper.saved();
    } else {
      d.project().ifPresent(keeper::changed);
    }
  }

  /** Writes MIDI, mix and stems into a folder. */
  public void export(Path folder) {
    Document d = desk.document().orElse(null);
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
                    StemNames.of(name + " echo"),
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
    d.state().sounds().samples().forEach(s -> all.add(Path.of(s.path())));
    d.state().template().ifPresent(t -> t.recordings().forEach(r -> all.add(Path.of(r))));
    return all;
  }

  public Keeper keeper() {
    return keeper;
  }

  /** A project that could not be opened, and what is kept of it; null for none. */
  public ReadOnlyObjectProperty<Keeper.LostException> lostProperty() {
    return lost.getReadOnlyProperty();
  }
}
