package looseecho.activity;

import looseecho.dsp.FrameGrid;

/** Where a line of notes lies and how it is looked at. */
public enum Register {
  /** C1 to C4. */
  BASS("bass-net.bin", 5000, 24, new int[] {1280, 400}, new int[] {4096, 1024}),
  /** E3 to E6. */
  RIFF("riff-net.bin", 16000, 52, new int[] {2048, 640}, new int[] {4096, 2048});

  /** Pitches that a network tells apart. */
  public static final int PITCHES = 37;

  /** Frames of all registers. */
  public static final FrameGrid FRAMES = new FrameGrid(50);

  private final String weights;
  private final int rate;
  private final int lowest;
  private final int[] windows;
  private final int[] sizes;

  Register(String weights, int rate, int lowest, int[] windows, int[] sizes) {
    this.weights = weights;
    this.rate = rate;
    this.lowest = lowest;
    this.windows = windows;
    this.sizes = sizes;
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

  /** Lengths of the long and the short window in samples. */
  int[] windows() {
    return windows.clone();
  }

  /** Lengths of their transforms. */
  int[] sizes() {
    return sizes.clone();
  }

  int hop() {
    return FRAMES.hop(rate);
  }
}
