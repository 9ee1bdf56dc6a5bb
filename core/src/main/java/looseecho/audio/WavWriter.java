package looseecho.audio;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;

/** Writes 24-bit stereo WAV, whole or not at all. Samples beyond full scale are clipped. */
public final class WavWriter {
  private static final int BYTES = 3;

  /**
   * Writes beside the target and moves into place, so that a failed write leaves the old file
   * alone.
   */
  public void write(Audio audio, Path path) throws IOException {
    ByteBuffer out = ByteBuffer.allocate(audio.length() * 2 * BYTES).order(ByteOrder.LITTLE_ENDIAN);
    for (int i = 0; i < audio.length(); i++) {
      put(out, audio.left(i));
      put(out, audio.right(i));
    }
    AudioFormat format = new AudioFormat(audio.sampleRate(), 8 * BYTES, 2, true, false);
    Path part = path.resolveSibling(path.getFileName() + ".part");
    try (AudioInputStream in =
        new AudioInputStream(new ByteArrayInputStream(out.array()), format, audio.length())) {
      AudioSystem.write(in, AudioFileFormat.Type.WAVE, part.toFile());
      Files.move(part, path, StandardCopyOption.REPLACE_EXISTING);
    } finally {
      Files.deleteIfExists(part);
    }
  }

  private static void put(ByteBuffer out, float x) {
    int v = Math.round(Math.max(-1f, Math.min(1f, x)) * 8388607f);
    out.put((byte) v).put((byte) (v >> 8)).put((byte) (v >> 16));
  }
}
