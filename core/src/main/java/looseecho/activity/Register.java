package looseecho.activity;

import java.util.List;
import looseecho.dsp.FrameGrid;

/** Where a line of notes lies and how it is looked at. */
public enum Register {
  /** C1 to C4; in the shortest window quick repeats stand apart. */
  BASS(
      "bass-net.bin",
      5000,
      24,
      new Window(1280, 4096, 0.5, 1, 2, 3, 4, 5),
      new Window(400, 1024, 1, 2, 3),
      new Window(160, 512, 2, 4, 6)),
  /** E3 to E6. */
  RIFF(
      "riff-net.bin",
      16000,
      52,
      new Window(2048, 4096, 0.5, 1, 2, 3, 4, 5),
      new Window(640, 2048, 1, 2, 3));

  /**
   * A window through which each frame is looked at.
   *
   * @param length in samples
   * @param size of its transform
   * @param harmonics of a pitch that are read from it
   */
  record Window(int length, int size, double... harmonics) {}

  /** Pitches that a network tells apart. */
  public static final int PITCHES = 37;

  /** Frames of all registers. */
  public static final FrameGrid FRAMES = new FrameGrid(50);

  private final String weights;
  private final int rate;
  private final int lowest;
  private final List<Window> windows;

  Register(String weights, int rate, int lowest, Window... windows) {
    this.weights = weights;
    this.rate = rate;
    this.lowest = lowest;
    this.windows = List.of(windows);
  }

  String weights() {
    return weights;
  }

  /** Sampling rate of the input in hertz. */
  public int rate() {
    return rate;
  }

  /** Lowest pitch as a MIDI number. */
  public int lowest() {
    return lowest;
  }

  /** From the longest to the shortest. */
  List<Window> windows() {
    return windows;
  }

  /** Harmonics of all windows. */
  int channels() {
    return windows.stream().mapToInt(w -> w.harmonics().length).sum();
  }

  int hop() {
    return FRAMES.hop(rate);
  }
}
