package looseecho.desktop.session;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import looseecho.analysis.Analysis;
import looseecho.analysis.Analyzer;
import looseecho.analysis.Corrections;
import looseecho.audio.Audio;
import looseecho.audio.AudioReader;
import looseecho.audio.Embedded;
import looseecho.audio.Resampler;
import looseecho.echo.Words;
import looseecho.mix.EchoRenderer;
import looseecho.mix.LoudnessMatch;
import looseecho.project.CorrectionStore;
import looseecho.project.Document;
import looseecho.project.Fingerprints;
import looseecho.project.HeardStore;
import looseecho.reading.Progress;
import looseecho.reading.Together;

/**
 * The slow side of a session: reads files, hears them and keeps the corrections. Works on the
 * working thread, one job at a time.
 */
final class Ear {
  private static final double AGREES = 0.005; // of a tempo with the one that is told

  private final CorrectionStore store;
  private final HeardStore heardBefore;
  private final Fingerprints fingerprints;
  private final Hearings hearings;
  private Analyzer analyzer; // made when it is needed first: its networks take a moment to load

  Ear(CorrectionStore store, Hearings hearings) {
    this.store = store;
    this.hearings = hearings;
    Path cache = store.folder().resolveSibling("heard");
    this.heardBefore = new HeardStore(cache);
    this.fingerprints = new Fingerprints(cache.resolve("fingerprints.properties"));
  }

  /** What was kept of a project's reference. */
  record Known(Corrections corrections, Optional<Analysis> analysis, int ear, String fingerprint) {}

  /**
   * What opening a file brings.
   *
   * @param heard empty where its readings were kept and it was not open shortly before
   */
  record Heard(
      Reference reference,
      Optional<looseecho.analysis.Heard> heard,
      Corrections corrections,
      Analysis analysis,
      String note) {
    Document.Origin origin(boolean packed) {
      return new Document.Origin(
          reference.name(), reference.path(), reference.fingerprint(), packed);
    }
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
  Heard open(Path path, String name, Optional<Known> known, Early early, Progress p)
      throws IOException {
    Begun begun = begin(path, name, known, p);
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
    remember(r.fingerprint(), all.corrections(), all.analysis());
    return all;
  }

  /** A file that was read and measured, and what is known of it. */
  record Begun(
      AudioReader.Recording recording, Reference reference, CompletableFuture<Before> before) {
    private List<String> notes() {
      List<String> notes = new ArrayList<>(recording.notes());
      notes.add(Together.joined(before).stored().note());
      return notes;
    }

    /** What opening brings where the readings were kept; empty where it must be heard. */
    Optional<Heard> kept(Optional<looseecho.analysis.Heard> heard, Optional<Known> known) {
      List<String> notes = notes();
      if (known.flatMap(Known::analysis).isPresent() && known.get().ear() != Analyzer.EAR) {
        notes.add("The ear has grown since this was heard: Hear again, on Ground.");
      }
      Before b = Together.joined(before);
      return b.analysis()
          .map(a -> new Heard(reference, heard, b.stored().corrections(), a, said(notes)));
    }
  }

  /** Reads and measures a file; nothing is heard yet. */
  Begun begin(Path path, String name, Optional<Known> known, Progress p) throws IOException {
    CompletableFuture<String> fingerprint = Together.beside(() -> fingerprint(path));
    // Kept readings are unpacked while the sound is read: on a second start half a second.
    CompletableFuture<Before> before = fingerprint.thenApply(f -> before(f, known));
    AudioReader.Recording recording = new AudioReader().read(path, p);
    p.step("Measuring the loudness", 0);
    Audio audio = new Resampler().resample(recording.audio(), EchoRenderer.RATE);
    CompletableFuture<Peaks> peaks = Together.beside(() -> new Peaks(audio));
    double gain = LoudnessMatch.gain(audio);
    Reference r =
        new Reference(name, path, audio, Together.joined(peaks), gain, known(fingerprint));
    return new Begun(recording, r, before);
  }

  /** What is known of a track before it is heard. */
  record Before(CorrectionStore.Stored stored, Optional<Analysis> analysis) {}

  private Before before(String fingerprint, Optional<Known> known) {
    CorrectionStore.Stored stored =
        known
            .map(k -> new CorrectionStore.Stored(k.corrections(), ""))
            .orElseGet(() -> store.load(fingerprint));
    Optional<Analysis> kept =
        known
            .filter(k -> k.fingerprint().equals(fingerprint))
            .flatMap(Known::analysis)
            .or(() -> heardBefore.load(fingerprint, stored.corrections()));
    return new Before(stored, kept);
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
    return new Heard(r, Optional.of(heard), c, a, said(notes));
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

  private String fingerprint(Path path) {
    try {
      return fingerprints.of(path);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static String known(CompletableFuture<String> fingerprint) throws IOException {
    try {
      return Together.joined(fingerprint);
    } catch (UncheckedIOException e) {
      throw e.getCause();
    }
  }

  private static String said(List<String> notes) {
    return String.join(" ", notes.stream().filter(n -> !n.isEmpty()).toList());
  }

  private synchronized Analyzer analyzer() {
    if (analyzer == null) {
      analyzer = new Analyzer();
    }
    return analyzer;
  }

  /** A cache that can't be written costs time at the next start, and nothing else. */
  private void remember(String fingerprint, Corrections c, Analysis a) {
    try {
      heardBefore.save(fingerprint, c, a);
    } catch (IOException e) {
      System.getLogger(Ear.class.getName())
          .log(System.Logger.Level.WARNING, "what was heard can't be kept", e);
    }
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
      remember(origin.fingerprint(), now, a);
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
