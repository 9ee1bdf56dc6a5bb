package looseecho.desktop.session;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import looseecho.analysis.Analysis;
import looseecho.analysis.Analyzer;
import looseecho.analysis.Corrections;
import looseecho.audio.AudioReader;
import looseecho.audio.Embedded;
import looseecho.echo.Words;
import looseecho.project.CorrectionStore;
import looseecho.project.Document;
import looseecho.reading.Progress;
import looseecho.reading.Together;

/**
 * The slow side of a session: reads files, hears them and keeps the corrections. Works on the
 * working thread, one job at a time.
 */
final class Ear {
  private static final double AGREES = 0.005; // of a tempo with the one that is told

  private final CorrectionStore store;
  private final Intake intake;
  private final Hearings hearings;
  private Analyzer analyzer; // made when it is needed first: its networks take a moment to load

  Ear(CorrectionStore store, Hearings hearings) {
    this.store = store;
    this.hearings = hearings;
    this.intake = new Intake(store, hearings);
  }

  /**
   * What opening a file brings.
   *
   * @param coming where the sound has still to be read
   * @param heard empty where its readings were kept and it was not open shortly before
   */
  record Heard(
      Reference reference,
      Optional<ComingSound> coming,
      Optional<looseecho.analysis.Heard> heard,
      Corrections corrections,
      Analysis analysis,
      String note) {
    Document.Origin origin(boolean packed) {
      return new Document.Origin(
          reference.name(), reference.path(), reference.fingerprint(), packed);
    }
  }

  Intake intake() {
    return intake;
  }

  /** Takes what is there before the whole is; on the hearing's thread. */
  interface Early {
    /** The sound can be seen and played. */
    void sound(Reference r);

    /** Beat, bars and drums are there, the notes are still to come. */
    void half(Heard h);

    /** Waits for the whole. */
    Early NONE =
        new Early() {
          @Override
          public void sound(Reference r) {}

          @Override
          public void half(Heard h) {}
        };
  }

  /**
   * Opens a file.
   *
   * @param known what a project knows of it; empty to take the stored corrections
   */
  Heard open(Path path, String name, Optional<Intake.Known> known, Early early, Progress p)
      throws IOException {
    Optional<Heard> shown = intake.atOnce(path, name, known);
    if (shown.isPresent()) {
      early.sound(shown.get().reference());
      return shown.get();
    }
    Intake.Begun begun = intake.begin(path, name, known, p);
    Reference r = begun.reference();
    early.sound(r);
    Optional<Heard> kept = begun.kept(hearings.of(r.fingerprint()), known);
    if (kept.isPresent()) {
      return kept.get();
    }
    AudioReader.Recording recording = begun.recording();
    CorrectionStore.Stored stored = Together.joined(begun.before()).stored();
    List<String> notes = begun.notes();
    looseecho.analysis.Heard heard =
        hearings
            .of(r.fingerprint())
            .orElseGet(
                () ->
                    analyzer()
                        .listen(
                            recording.audio(),
                            half -> early.half(read(r, half, stored.corrections(), notes, p)),
                            p));
    hearings.keep(r.fingerprint(), heard);
    Heard all = read(r, heard, stored.corrections(), notes, p);
    intake.remember(r.fingerprint(), all.corrections(), all.analysis());
    return all;
  }

  /** Draws the readings; corrections that fail are left out, and it is said. */
  private Heard read(
      Reference r,
      looseecho.analysis.Heard heard,
      Corrections stored,
      List<String> before,
      Progress p) {
    List<String> notes = new ArrayList<>(before);
    Corrections c = stored;
    Analysis a;
    try {
      a = analyzer().read(heard, c, p);
    } catch (IllegalArgumentException | IllegalStateException e) {
      System.getLogger(Ear.class.getName())
          .log(System.Logger.Level.WARNING, "corrections that fail", e);
      c = Corrections.NONE;
      a = analyzer().read(heard, c, p);
      notes.add("Its corrections could not be used: it is shown as it was heard.");
    }
    notes.add(told(r.path(), a));
    return new Heard(r, Optional.empty(), Optional.of(heard), c, a, Intake.said(notes));
  }

  /** What the file says of its tempo, beside what is heard. */
  private static String told(Path path, Analysis a) {
    double says = Embedded.of(path).bpm().orElse(0);
    if (says == 0 || a.pulse().isEmpty()) {
      return "";
    }
    double heard = a.pulse().get().tempo().value();
    return "The file says "
        + Words.bpm(says)
        + (Math.abs(heard / says - 1) < AGREES ? ", too." : ": settle it on Ground.");
  }

  private synchronized Analyzer analyzer() {
    if (analyzer == null) {
      analyzer = new Analyzer();
    }
    return analyzer;
  }

  /** Readings under other corrections, with what they were drawn from. */
  record Corrected(looseecho.analysis.Heard heard, Analysis analysis) {}

  /**
   * Draws the readings anew and keeps the corrections; hears the track first where only its
   * readings were kept.
   */
  Corrected read(
      Optional<looseecho.analysis.Heard> known, Document.Origin origin, Corrections now, Progress p)
      throws IOException {
    Optional<looseecho.analysis.Heard> before = known.or(() -> hearings.of(origin.fingerprint()));
    looseecho.analysis.Heard heard = before.isPresent() ? before.get() : listen(origin.path(), p);
    hearings.keep(origin.fingerprint(), heard);
    Analysis a = analyzer().read(heard, now, p);
    store.save(origin.fingerprint(), now); // only what has been heard without a fault
    if (heard.isWhole()) {
      intake.remember(origin.fingerprint(), now, a);
    }
    return new Corrected(heard, a);
  }

  private looseecho.analysis.Heard listen(Path path, Progress p) throws IOException {
    return analyzer().listen(new AudioReader().read(path, p).audio(), p);
  }

  void keep(String fingerprint, Corrections now) throws IOException {
    store.save(fingerprint, now);
  }
}
