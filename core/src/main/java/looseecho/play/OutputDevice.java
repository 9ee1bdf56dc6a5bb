package looseecho.play;

import java.util.List;

/**
 * Where live sound goes. {@link #write} blocks for about as long as the sound lasts, which is what
 * keeps time.
 */
public interface OutputDevice extends AutoCloseable {
  /**
   * Plays a block.
   *
   * @param interleaved left, right, left, ...; -1..1
   * @param samples per channel
   */
  void write(float[] interleaved, int samples);

  /** Samples that were taken and are not heard yet. From any thread. */
  long waiting();

  /** What the person is told about the device; empty for a usual sound card. */
  String remark();

  @Override
  void close();

  /** The sound cards that could be chosen. */
  static List<String> names(int rate) {
    return SoundCard.names(rate);
  }

  /**
   * The chosen sound card; the system's own where that one is gone, and a silent device with the
   * same clock where there is none.
   */
  static OutputDevice open(OutputChoice choice, int rate) {
    return SoundCard.open(choice, rate)
        .or(() -> SoundCard.open(new OutputChoice("", choice.bufferMs()), rate))
        .orElseGet(() -> new SilentDevice(rate));
  }

  /** The system's own sound card, or a silent device. */
  static OutputDevice open(int rate) {
    return open(OutputChoice.USUAL, rate);
  }
}
