package looseecho.desktop.session;

import java.nio.file.Path;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.application.Platform;
import looseecho.demo.Demo;
import looseecho.project.Document;
import looseecho.project.Project;

/**
 * Opens tracks, the demo and projects: reads, hears and makes a document. The sound is handed over
 * early, so that it can be seen and played while it is heard. Belongs to the interface's thread.
 */
final class Opener {
  private final Work lane;
  private final Ear ear;
  private final Keeper keeper;
  private final Consumer<Reference> early;
  private final Consumer<Opened> opened;
  private final Consumer<Throwable> failed;
  private long opening;

  /**
   * What opening brings.
   *
   * @param project the file that the work belongs to; null for none
   * @param changed true when the work is not in that file
   * @param left the file of a killed window that it came from
   * @param note what the person should know; may be empty
   */
  record Opened(
      Document document, Path project, boolean changed, Optional<Path> left, String note) {
    /** A track by itself, nobody has worked on it yet. */
    boolean isFresh() {
      return project == null && !changed;
    }
  }

  Opener(
      Work opening,
      Ear ear,
      Keeper keeper,
      Consumer<Reference> early,
      Consumer<Opened> opened,
      Consumer<Throwable> failed) {
    this.lane = opening;
    this.ear = ear;
    this.keeper = keeper;
    this.early = early;
    this.opened = opened;
    this.failed = failed;
  }

  void demo() {
    track(p -> Demo.file(Demo.cache(), p), "Saltmarsh Radio: the tide tables (demo)");
  }

  void track(Path path) {
    track(p -> path, path.getFileName().toString());
  }

  private void track(Work.Job<Path> finder, String name) {
    long ticket = ++opening;
    lane.start(
        p -> {
          Ear.Heard h = ear.open(finder.run(p), name, Optional.empty(), early(ticket), p);
          Document d = Document.of(h.origin(false), h.heard(), h.corrections(), h.analysis());
          return new Opened(d, null, false, Optional.empty(), h.note());
        },
        opened,
        failed);
  }

  /** A project by its own file. */
  void project(Path file) {
    project(file, file, false);
  }

  /**
   * Work that lies elsewhere than in its project: left behind by a killed window, or kept.
   *
   * @param belongs the project that it is saved to; null for none
   */
  void aside(Path file, Path belongs) {
    project(file, belongs, true);
  }

  private void project(Path file, Path belongs, boolean changed) {
    long ticket = ++opening;
    lane.start(
        p -> {
          Keeper.Read read = keeper.read(file);
          Project project = read.project();
          Ear.Heard h =
              ear.open(
                  read.sound(),
                  project.reference().name(),
                  Optional.of(
                      new Ear.Known(
                          project.corrections(),
                          read.heard(),
                          read.ear(),
                          project.reference().fingerprint())),
                  early(ticket),
                  p);
          String other =
              h.reference().fingerprint().equals(project.reference().fingerprint())
                  ? ""
                  : "Another file lies where the reference was: "
                      + read.sound()
                      + ". What you hear may not be what the project was made from.";
          Document d =
              Document.of(
                  h.origin(project.reference().packed()),
                  h.heard(),
                  h.corrections(),
                  h.analysis(),
                  project);
          String note = String.join(" ", h.note(), read.note(), other).trim();
          boolean left = changed && belongs == null;
          return new Opened(d, belongs, changed, left ? Optional.of(file) : Optional.empty(), note);
        },
        opened,
        failed);
  }

  /** Hands a reference over unless something else is being opened by then. */
  private Consumer<Reference> early(long ticket) {
    return r ->
        Platform.runLater(
            () -> {
              if (ticket == opening) {
                early.accept(r);
              }
            });
  }
}
