package looseecho.play;

import java.util.Optional;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.LineUnavailableException;
import javax.sound.sampled.TargetDataLine;

/** The default input, 16 bit. */
final class SoundCardInput implements InputDevice {
  private final TargetDataLine line;
  private byte[] bytes = new byte[0];

  private SoundCardInput(TargetDataLine line) {
    this.line = line;
  }

  static Optional<InputDevice> open(int rate) {
    AudioFormat format = new AudioFormat(rate, 16, 2, true, false);
    try {
      TargetDataLine line = AudioSystem.getTargetDataLine(format);
      line.open(format);
      line.start();
      return Optional.of(new SoundCardInput(line));
    } catch (LineUnavailableException | IllegalArgumentException | SecurityException e) {
      return Optional.empty();
    }
  }

  @Override
  public int read(float[] out, int samples) {
    bytes = bytes.length < 4 * samples ? new byte[4 * samples] : bytes;
    int count = Math.max(0, line.read(bytes, 0, 4 * samples)) / 4;
    for (int i = 0; i < 2 * count; i++) {
      out[i] = (short) (bytes[2 * i] & 0xff | bytes[2 * i + 1] << 8) / 32768f;
    }
    return count;
  }

  @Override
  public void close() {
    line.stop();
    line.close();
  }
}
