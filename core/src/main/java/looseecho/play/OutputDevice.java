package looseecho.play;

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

  /** What the person is told about the device; empty for a usual sound card. */
  String remark();

  @Override
  void close();

  /** The default sound card, or a silent device with the same clock where there is none. */
  static OutputDevice open(int rate) {
    OutputDevice card = SoundCard.openOrNull(rate);
    return card != null ? card : new SilentDevice(rate);
  }
}
