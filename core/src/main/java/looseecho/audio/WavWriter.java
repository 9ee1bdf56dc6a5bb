package looseecho.audio;

import java.io.IOException;
import java.nio.file.Path;
import looseecho.disk.WholeFile;

/** Writes 24-bit stereo WAV, whole or not at all. Samples beyond full scale are clipped. */
public final class WavWriter {
  private static final int BLOCK = 1 << 14;

  public void write(Audio audio, Path path) throws IOException {
    WholeFile.write(
        path,
        part -> {
          float[] pairs = new float[2 * BLOCK];
          try (WavStream out = new WavStream(part, audio.sampleRate())) {
            for (int at = 0; at < audio.length(); at += BLOCK) {
              audio.read(at, pairs, BLOCK);
              out.add(pairs, Math.min(BLOCK, audio.length() - at));
            }
            out.finish();
          }
        });
  }
}
