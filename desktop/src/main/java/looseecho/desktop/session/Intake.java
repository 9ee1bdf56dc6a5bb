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
import looseecho.analysis.Heard;
import looseecho.audio.Audio;
import looseecho.audio.AudioReader;
import looseecho.audio.Resampler;
import looseecho.mix.EchoRenderer;
import looseecho.mix.LoudnessMatch;
import looseecho.project.CorrectionStore;
import looseecho.project.HeardStore;
import looseecho.project.KnownFiles;
import looseecho.reading.Progress;
import looseecho.reading.Together;

/**
 * Takes files in: reads and measures their sound and finds what is kept of them. Nothing is heard
 * here. Any thread.
 */
final class Intake {
  private final CorrectionStore store;
  private final HeardStore heardBefore;
  private final KnownFiles files;
  private final Hearings hearings;

  Intake(CorrectionStore store, Hearings hearings) {
    this.store = store;
    this.hearings = hearings;
    Path cache = store.folder().resolveSibling("heard");
    this.heardBefore = new HeardStore(cache);
    this.files = new KnownFiles(cache.resolve("files.properties"));
  }

  /** What was kept of a project's reference. */
  record Known(Corrections corrections, Optional<Analysis> analysis, int ear, String fingerprint) {}

  /** A track that was read before and whose readings are kept: its sound follows. */
  Optional<Ear.Heard> atOnce(Path path, String name, Optional<Known> known) {
    Optional<KnownFiles.Known> file = files.recall(path).filter(f -> f.sound().isPresent());
    if (file.isEmpty()) {
      return Optional.empty();
    }
    String fingerprint = file.get().fingerprint();
    ComingSound coming = new ComingSound(path, file.get().sound().get());
    Reference r = coming.reference(name, fingerprint);
    return before(fingerprint, known)
        .shown(r, Optional.of(coming), hearings.of(fingerprint), List.of(), known);
  }

  /** A file that was read and measured, and what is known of it. */
  record Begun(
      AudioReader.Recording recording, Reference reference, CompletableFuture<Before> before) {
    List<String> notes() {
      List<String> notes = new ArrayList<>(recording.notes());
      notes.add(Together.joined(before).stored().note());
      return notes;
    }

    /** What opening brings where the readings were kept; empty where it must be heard. */
    Optional<Ear.Heard> kept(Optional<Heard> heard, Optional<Known> known) {
      return Together.joined(before)
          .shown(reference, Optional.empty(), heard, recording.notes(), known);
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
    if (recording.notes().isEmpty()) {
      files.measured(path, r.fingerprint(), new KnownFiles.Sound(audio.length(), gain));
    }
    return new Begun(recording, r, before);
  }

  /** What is known of a track before it is heard. */
  record Before(CorrectionStore.Stored stored, Optional<Analysis> analysis) {
    /** What opening brings where the readings were kept. */
    private Optional<Ear.Heard> shown(
        Reference r,
        Optional<ComingSound> coming,
        Optional<Heard> heard,
        List<String> about,
        Optional<Known> known) {
      List<String> notes = new ArrayList<>(about);
      notes.add(stored.note());
      if (known.flatMap(Known::analysis).isPresent() && known.get().ear() != Analyzer.EAR) {
        notes.add("The ear has grown since this was heard: Hear again, on Ground.");
      }
      return analysis.map(
          a -> new Ear.Heard(r, coming, heard, stored.corrections(), a, said(notes)));
    }
  }

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

  private String fingerprint(Path path) {
    try {
      return files.fingerprint(path);
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

  /** A cache that can't be written costs time at the next start, and nothing else. */
  void remember(String fingerprint, Corrections c, Analysis a) {
    try {
      heardBefore.save(fingerprint, c, a);
    } catch (IOException e) {
      System.getLogger(Ear.class.getName())
          .log(System.Logger.Level.WARNING, "what was heard can't be kept", e);
    }
  }

  static String said(List<String> notes) {
    return String.join(" ", notes.stream().filter(n -> !n.isEmpty()).toList());
  }
}
