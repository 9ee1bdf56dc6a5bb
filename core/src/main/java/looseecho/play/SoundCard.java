package looseecho.play;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.DataLine;
import javax.sound.sampled.LineUnavailableException;
import javax.sound.sampled.Mixer;
import javax.sound.sampled.SourceDataLine;

/** A sound card, 16 bit. */
final class SoundCard implements OutputDevice {
  private final SourceDataLine line;
  private byte[] bytes = new byte[0];
  private volatile long written; // by the sounding thread alone

  private SoundCard(SourceDataLine line) {
    this.line = line;
  }

  private static AudioFormat format(int rate) {
    return new AudioFormat(rate, 16, 2, true, false);
  }

  /** The cards that take the rate, in the system's order. */
  static List<String> names(int rate) {
    DataLine.Info wanted = new DataLine.Info(SourceDataLine.class, format(rate));
    List<String> names = new ArrayList<>();
    for (Mixer.Info info : AudioSystem.getMixerInfo()) {
      try {
        if (AudioSystem.getMixer(info).isLineSupported(wanted)) {
          names.add(info.getName());
        }
      } catch (IllegalArgumentException | SecurityException e) {
        System.getLogger(SoundCard.class.getName())
            .log(System.Logger.Level.INFO, "not available: " + info.getName(), e);
      }
    }
    return List.copyOf(names);
  }

  /** Empty when no such card takes the rate now; the JDK says so in two ways. */
  static Optional<OutputDevice> open(OutputChoice choice, int rate) {
    AudioFormat format = format(rate);
    try {
      SourceDataLine line =
          choice.name().isEmpty()
              ? AudioSystem.getSourceDataLine(format)
              : AudioSystem.getSourceDataLine(format, info(choice.name()));
      line.open(format, rate * choice.bufferMs() / 1000 * format.getFrameSize());
      line.start();
      return Optional.of(new SoundCard(line));
    } catch (LineUnavailableException | IllegalArgumentException | SecurityException e) {
      System.getLogger(SoundCard.class.getName())
          .log(System.Logger.Level.DEBUG, () -> "can't be opened: " + choice, e);
      return Optional.empty();
    }
  }

  private static Mixer.Info info(String name) {
    for (Mixer.Info info : AudioSystem.getMixerInfo()) {
      if (info.getName().equals(name)) {
        return info;
      }
    }
    throw new IllegalArgumentException("no card called " + name);
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
    written = written + samples;
    line.write(bytes, 0, samples * 4);
  }

  @Override
  public long waiting() {
    return Math.max(0, written - line.getLongFramePosition());
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
