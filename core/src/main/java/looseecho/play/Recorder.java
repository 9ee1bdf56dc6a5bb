package looseecho.play;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.function.BooleanSupplier;
import looseecho.audio.WavStream;
import looseecho.disk.WholeFile;
import looseecho.reading.Progress;

/** Writes what an input hears into a file, block after block, until it is told to stop. */
public final class Recorder {
  public static final int RATE = 44100;
  private static final int BLOCK = 2048;
  private static final int LONGEST_SECONDS = 300;
  private static final float SILENCE = 1e-4f; // -80 dB

  /**
   * Records; the file appears when it is complete.
   *
   * @param going false ends it
   * @throws IOException with a sentence when nothing was heard, or it can't be written
   */
  public void record(InputDevice input, Path file, BooleanSupplier going, Progress progress)
      throws IOException {
    Files.createDirectories(file.toAbsolutePath().getParent());
    WholeFile.write(file, part -> write(input, part, going, progress));
  }

  private static void write(InputDevice input, Path part, BooleanSupplier going, Progress progress)
      throws IOException {
    float[] block = new float[2 * BLOCK];
    long most = (long) LONGEST_SECONDS * RATE;
    long done = 0;
    float peak = 0;
    try (WavStream out = new WavStream(part, RATE)) {
      while (done < most && going.getAsBoolean()) {
        int count = input.read(block, BLOCK);
        if (count == 0) {
          break;
        }
        for (int i = 0; i < 2 * count; i++) {
          peak = Math.max(peak, Math.abs(block[i]));
        }
        out.add(block, count);
        done += count;
        progress.at("Recording", -1); // the person says when it is done
      }
      out.finish();
    }
    if (peak < SILENCE) {
      throw new IOException("Nothing was heard at the input. Is something plugged in and loud?");
    }
  }
}
