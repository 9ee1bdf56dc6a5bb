package looseecho.play;

import java.util.function.IntConsumer;

/** Where strokes come from besides the keyboard: a pad, a drum, or a simulated one. */
public interface StrokeInput extends AutoCloseable {
  /**
   * Tells every stroke's velocity, 1..127, as it comes, on a thread of the input's own.
   *
   * @throws IllegalStateException when it can't be opened
   */
  void listen(IntConsumer stroke);

  /** The input's name for the person. */
  String name();

  @Override
  void close();
}
