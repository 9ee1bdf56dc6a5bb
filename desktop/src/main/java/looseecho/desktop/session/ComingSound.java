package looseecho.desktop.session;

import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.CompletableFuture;
import looseecho.audio.Audio;
import looseecho.audio.AudioReadException;
import looseecho.audio.AudioReader;
import looseecho.audio.Resampler;
import looseecho.mix.EchoRenderer;
import looseecho.project.KnownFiles;
import looseecho.reading.Progress;

/**
 * The sound of a track whose readings are kept and whose file lies there as it did when it was
 * measured: the track is on the desk at once, its sound follows. Whoever needs it before waits for
 * it, on a thread of their own.
 */
final class ComingSound {
  private final Path path;
  private final KnownFiles.Sound known;
  private final CompletableFuture<Audio> audio = new CompletableFuture<>();
  private final Peaks peaks;

  ComingSound(Path path, KnownFiles.Sound known) {
    this.path = path;
    this.known = known;
    this.peaks = new Peaks(known.length(), EchoRenderer.RATE);
  }

  Reference reference(String name, String fingerprint) {
    Audio later = Audio.coming(known.length(), EchoRenderer.RATE, audio);
    return new Reference(name, path, later, peaks, known.gain(), fingerprint);
  }

  /** Reads it. */
  void read(Progress p) throws IOException {
    AudioReader.Recording whole = new AudioReader().read(path, p);
    Audio all = new Resampler().resample(whole.audio(), EchoRenderer.RATE);
    if (all.length() != known.length() || !whole.notes().isEmpty()) {
      throw new AudioReadException(path, "The file was changed just now. Open it again.", null);
    }
    audio.complete(all);
    peaks.measure(all);
  }

  /** Nothing will come: who waits gets silence. Does nothing once it is there. */
  void silent() {
    if (!audio.isDone()) {
      float[] none = new float[known.length()];
      audio.complete(new Audio(none, none, EchoRenderer.RATE));
    }
  }
}
