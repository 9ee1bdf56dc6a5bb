package looseecho.play;

import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.LineUnavailableException;
import javax.sound.sampled.SourceDataLine;

/** The default sound card, 16 bit. */
final class SoundCard implements OutputDevice {
  private static final int BUFFER_MS = 80;
  private final SourceDataLine line;
  private byte[] bytes = new byte[0];

  private SoundCard(SourceDataLine line) {
    this.line = line;
  }

  /** Null when there is no card that takes the rate; the JDK says so in two ways. */
  static OutputDevice openOrNull(int rate) {
    AudioFormat format = new AudioFormat(rate, 16, 2, true, false);
    try {
      SourceDataLine line = AudioSystem.getSourceDataLine(format);
      line.open(format, rate * BUFFER_MS / 1000 * 4);
      line.start();
      return new SoundCard(line);
    } catch (LineUnavailableException | IllegalArgumentException | SecurityException e) {
      return null;
    }
  }

  @Override
  public void write(float[] x, int samples) {
    if (bytes.length < samples * 4) {
      bytes = new byte[samples * 4];
    }
    for (int i = 0; i < samples * 2; i++) {
      int v = Math.round(Math.max(-1f, Math.min(1f, x[i])) * 32767);
      bytes[2 * i] = (byte) v;
      bytes[2 * i + 1] = (byte) (v >> 8);
    }
    line.write(bytes, 0, samples * 4);
  }

  @Override
  public String remark() {
    return "";
  }

  @Override
  public void close() {
    line.stop();
    line.close();
  }
}
