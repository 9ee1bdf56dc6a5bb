package looseecho.demo;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import looseecho.audio.WavWriter;
import looseecho.disk.Machine;
import looseecho.reading.Progress;

/**
 * The demo's sound file: rendered at first use into the user's cache folder, found there
 * afterwards.
 */
public final class Demo {
  private static final String FILE = "saltmarsh-radio-tide-tables-2.wav";

  private Demo() {}

  /** The user's cache folder for this program. */
  public static Path cache() {
    return Machine.here().cache();
  }

  /** The file, rendered into {@code folder} if it is not there yet. */
  public static Path file(Path folder, Progress progress) throws IOException {
    Path file = folder.resolve(FILE);
    if (!Files.exists(file)) {
      Files.createDirectories(folder);
      new WavWriter().write(new HarbourMix().render(HarbourTune.write(), progress), file);
    }
    return file;
  }
}
