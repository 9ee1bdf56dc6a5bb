package looseecho.play;

import java.util.Optional;
import java.util.function.DoubleSupplier;

/** Where strokes come from besides the keyboard: a pad, a drum, or a simulated one. */
public interface StrokeInput extends AutoCloseable {
  /** Hears of strokes. */
  interface Listener {
    /**
     * A stroke.
     *
     * @param drum its General MIDI drum note, 0 where the input knows but one drum
     * @param velocity 1..127
     */
    void struck(int drum, int velocity);
  }

  /**
   * Tells every stroke as it comes, on a thread of the input's own.
   *
   * @throws IllegalStateException when it can't be opened
   */
  void listen(Listener to);

  /**
   * The input of a name; empty for one that is not plugged in, such as the keyboard.
   *
   * @param heard the second that reaches the ear, which the simulated player plays along with
   * @param gapSeconds between the strokes of the simulated player
   */
  static Optional<StrokeInput> named(String name, DoubleSupplier heard, double gapSeconds) {
    return name.equals(SimulatedInput.NAME)
        ? Optional.of(new SimulatedInput(heard, gapSeconds, 3))
        : MidiInput.connected().stream().filter(i -> i.name().equals(name)).findFirst();
  }

  /** The input's name for the person. */
  String name();

  @Override
  void close();
}
