package looseecho.desktop.session;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import java.util.function.Consumer;
import looseecho.analysis.Analysis;
import looseecho.analysis.Analyzer;
import looseecho.analysis.Corrections;
import looseecho.audio.Audio;
import looseecho.audio.AudioReader;
import looseecho.audio.Resampler;
import looseecho.project.CorrectionStore;
import looseecho.reading.Progress;
import looseecho.sound.EchoRenderer;
import looseecho.sound.LoudnessMatch;

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

  /** What opening brings. */
  record Opened(Analyzer.Heard heard, Corrections corrections, Analysis analysis, String note) {}

  /**
   * Opens a file; the sound itself is handed over early, so that it can be seen and played.
   *
   * @param corrections those of a project; empty to take the stored ones
   */
  Opened open(
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
    Corrections c = corrections.orElseGet(() -> store.load(r.fingerprint()));
    Analysis a = analyzer.read(heard, c, p);
    return new Opened(heard, c, a, String.join(" ", recording.notes()));
  }

  /** Keeps the corrections and draws the readings anew. */
  Analysis read(Analyzer.Heard heard, String fingerprint, Corrections now, Progress p)
      throws IOException {
    store.save(fingerprint, now);
    return analyzer.read(heard, now, p);
  }

  void keep(String fingerprint, Corrections now) throws IOException {
    store.save(fingerprint, now);
  }

  Path folder() {
    return store.folder();
  }
}
