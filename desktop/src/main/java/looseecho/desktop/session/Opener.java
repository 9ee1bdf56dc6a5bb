package looseecho.desktop.session;

import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.Function;
import javafx.application.Platform;
import looseecho.analysis.Analysis;
import looseecho.demo.Demo;
import looseecho.project.Document;
import looseecho.project.Project;
import looseecho.reading.Progress;

/**
 * Opens tracks, the demo and projects: reads, hears and makes a document. The sound is handed over
 * early, so that it can be seen and played while it is heard; beat and drums are shown while the
 * notes are heard, and are kept when the person stops there. Belongs to the interface's thread.
 */
final class Opener {
  /** What was opened is drawn first: on two cores that takes a third longer beside a reader. */
  private static final int DRAWN_MS = 400;

  private final Work lane;
  private final Work sounding;
  private final Ear ear;
  private final Keeper keeper;
  private final Taker taker;
  private long opening;
  private final Rehearsal rehearsal = new Rehearsal();
  private Opened half; // what there is if the person stops now; null for nothing
  private ComingSound coming; // that of the track on the desk; null when it was there at once

  /** Takes what is opened, on the interface's thread. */
  interface Taker {
    /** The sound of a track that is still being heard. */
    void sound(Reference r);

    /** Beat, bars and drums of it, to look at. */
    void half(Analysis a);

    void whole(Opened o);

    /** The sound of what was opened can't be read. */
    void silent(Throwable e);

    void failed(Throwable e);
  }

  /**
   * What opening brings.
   *
   * @param project the file that the work belongs to; null for none
   * @param changed true when the work is not in that file
   * @param left the file of a killed window that it came from
   * @param coming its sound where that has still to be read
   * @param note what the person should know; may be empty
   */
  record Opened(
      Document document,
      Path project,
      boolean changed,
      Optional<Path> left,
      Optional<ComingSound> coming,
      String note) {
    /** A track by itself, nobody has worked on it yet. */
    boolean isFresh() {
      return project == null && !changed;
    }

    private Opened stopped() {
      String words = "Stopped: bars and drums are here. Hear again, on Ground, brings the notes.";
      return new Opened(document, project, changed, left, coming, words);
    }
  }

  Opener(Work opening, Work sounding, Ear ear, Keeper keeper, Taker taker) {
    this.lane = opening;
    this.sounding = sounding;
    this.ear = ear;
    this.keeper = keeper;
    this.taker = taker;
  }

  /** Goes through opening a project without opening it, unless something was opened before. */
  void rehearse(Path project) {
    if (opening == 0) {
      rehearsal.begin(
          p -> {
            Keeper.Read read = keeper.read(project);
            Optional<Intake.Known> known = Optional.of(read.known());
            ear.intake()
                .begin(read.sound(), "", known, p)
                .kept(Optional.empty(), known)
                .ifPresent(h -> made(h, read, project, project, false));
          });
    }
  }

  /** Ends with the rehearsal: true when it went through. */
  CompletableFuture<Boolean> rehearsed() {
    return rehearsal.end();
  }

  void demo() {
    track(p -> Demo.file(Demo.cache(), p), "Saltmarsh Radio: the tide tables (demo)");
  }

  void track(Path path) {
    track(p -> path, path.getFileName().toString());
  }

  private void track(Work.Job<Path> finder, String name) {
    start(
        (ticket, p) -> {
          Function<Ear.Heard, Opened> made =
              h ->
                  new Opened(
                      Document.of(h.origin(false), h.heard(), h.corrections(), h.analysis()),
                      null,
                      false,
                      Optional.empty(),
                      h.coming(),
                      h.note());
          return made.apply(
              ear.open(finder.run(p), name, Optional.empty(), early(ticket, made), p));
        });
  }

  /** What reads and hears. */
  private interface Opening {
    Opened run(long ticket, Progress p) throws Exception;
  }

  private void start(Opening job) {
    long ticket = ++opening;
    rehearsal.stop();
    half = null;
    lane.start(
        p -> job.run(ticket, p),
        o -> {
          half = null;
          taker.whole(o);
          sound(o.coming());
        },
        this::notOpened);
  }

  /** Reads the sound of what lies on the desk now; that of what lay there before ends. */
  private void sound(Optional<ComingSound> now) {
    sounding.drop();
    if (coming != null) {
      coming.silent();
    }
    coming = now.orElse(null);
    now.ifPresent(
        c ->
            sounding.start(
                p -> {
                  Thread.sleep(DRAWN_MS);
                  c.read(p);
                  return c;
                },
                read -> {},
                e -> {
                  c.silent();
                  taker.silent(e);
                }));
  }

  /** Nobody waits for a sound any more. */
  void close() {
    sound(Optional.empty());
  }

  private void notOpened(Throwable e) {
    Opened kept = half;
    opening++; // nothing that is still on its way counts
    half = null;
    if (e instanceof Progress.CancelledException && kept != null) {
      taker.whole(kept.stopped());
    } else {
      taker.failed(e);
    }
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
    start(
        (ticket, p) -> {
          Keeper.Read read = keeper.read(file);
          Function<Ear.Heard, Opened> made = h -> made(h, read, file, belongs, changed);
          String name = read.project().reference().name();
          return made.apply(
              ear.open(read.sound(), name, Optional.of(read.known()), early(ticket, made), p));
        });
  }

  private static Opened made(
      Ear.Heard h, Keeper.Read read, Path file, Path belongs, boolean changed) {
    Project project = read.project();
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
    Optional<Path> aside = left ? Optional.of(file) : Optional.empty();
    return new Opened(d, belongs, changed, aside, h.coming(), note);
  }

  /** Hands over what comes early unless something else is being opened by then. */
  private Ear.Early early(long ticket, Function<Ear.Heard, Opened> made) {
    return new Ear.Early() {
      @Override
      public void sound(Reference r) {
        later(() -> taker.sound(r));
      }

      @Override
      public void half(Ear.Heard h) {
        Opened kept = made.apply(h);
        later(
            () -> {
              half = kept;
              taker.half(h.analysis());
            });
      }

      private void later(Runnable then) {
        Platform.runLater(
            () -> {
              if (ticket == opening) {
                then.run();
              }
            });
      }
    };
  }
}
