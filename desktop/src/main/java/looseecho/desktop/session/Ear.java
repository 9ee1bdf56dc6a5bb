package looseecho.desktop.session;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import looseecho.analysis.Analysis;
import looseecho.analysis.Analyzer;
import looseecho.analysis.Corrections;
import looseecho.audio.Audio;
import looseecho.audio.AudioReader;
import looseecho.audio.Resampler;
import looseecho.mix.EchoRenderer;
import looseecho.mix.LoudnessMatch;
import looseecho.project.CorrectionStore;
import looseecho.project.Document;
import looseecho.reading.Progress;

/**
 * The slow side of a session: reads files, hears them and keeps the corrections. Works on the
 * working thread, one job at a time.
 */
final class Ear {
  private final CorrectionStore store;
  private Analyzer analyzer;

  Ear(CorrectionStore store) {
    this.store = store;
  }

  /** What hearing a file brings. */
  record Heard(
      Reference reference,
      Analyzer.Heard heard,
      Corrections corrections,
      Analysis analysis,
      String note) {
    Document.Origin origin(boolean packed) {
      return new Document.Origin(
          reference.name(), reference.path(), reference.fingerprint(), packed);
    }
  }

  /**
   * Opens a file; the sound itself is handed over early, so that it can be seen and played.
   *
   * @param corrections those of a project; empty to take the stored ones
   */
  Heard open(
      Path path,
      String name,
      Optional<Corrections> corrections,
      Consumer<Reference> early,
      Progress p)
      throws IOException {
    AudioReader.Recording recording = new AudioReader().read(path, p);
    p.step("Measuring the loudness", 0);
    Audio audio = new Resampler().resample(recording.audio(), EchoRenderer.RATE);
    Reference r =
        new Reference(
            name,
            path,
            audio,
            new Peaks(audio),
            LoudnessMatch.gain(audio),
            CorrectionStore.fingerprint(path));
    early.accept(r);
    if (analyzer == null) {
      analyzer = new Analyzer();
    }
    Analyzer.Heard heard = analyzer.listen(recording.audio(), p);
    CorrectionStore.Stored stored =
        corrections
            .map(c -> new CorrectionStore.Stored(c, ""))
            .orElseGet(() -> store.load(r.fingerprint()));
    List<String> notes = new ArrayList<>(recording.notes());
    notes.add(stored.note());
    Corrections c = stored.corrections();
    Analysis a;
    try {
      a = analyzer.read(heard, c, p);
    } catch (IllegalArgumentException | IllegalStateException e) {
      System.getLogger(Ear.class.getName())
          .log(System.Logger.Level.WARNING, "corrections that fail", e);
      c = Corrections.NONE;
      a = analyzer.read(heard, c, p);
      notes.add("Its corrections could not be used: it is shown as it was heard.");
    }
    notes.removeIf(String::isEmpty);
    return new Heard(r, heard, c, a, String.join(" ", notes));
  }

  /** Draws the readings anew and keeps the corrections. */
  Analysis read(Analyzer.Heard heard, String fingerprint, Corrections now, Progress p)
      throws IOException {
    Analysis a = analyzer.read(heard, now, p);
    store.save(fingerprint, now); // only what has been heard without a fault
    return a;
  }

  void keep(String fingerprint, Corrections now) throws IOException {
    store.save(fingerprint, now);
  }

  Path folder() {
    return store.folder();
  }
}
