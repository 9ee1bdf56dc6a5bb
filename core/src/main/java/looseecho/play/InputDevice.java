package looseecho.play;

import java.util.Optional;

/** Where live sound comes from. {@link #read} blocks until there is some. */
public interface InputDevice extends AutoCloseable {
  /**
   * Takes a block.
   *
   * @param interleaved written: left, right, left, ...; -1..1
   * @param samples most per channel
   * @return samples per channel that were taken; 0 when no more will come
   */
  int read(float[] interleaved, int samples);

  @Override
  void close();

  /** The default input of the sound card; empty when there is none that can be used. */
  static Optional<InputDevice> open(int rate) {
    return SoundCardInput.open(rate);
  }
}
