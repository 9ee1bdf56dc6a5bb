package looseecho.separate;

/**
 * The bands of the separator: single bins of a transform of {@link #WINDOW} up to 1 kHz, then bands
 * that widen evenly. Kept alike with {@code training/separator_features.py}.
 */
public final class SpectrumBands {
  public static final int RATE = 44100;
  public static final int WINDOW = 2048;
  public static final int HOP = 512;
  private static final int SINGLE = 48;
  private static final int WIDE = 64;
  public static final int COUNT = SINGLE + WIDE;
  private static final int[] EDGES = edges();

  private SpectrumBands() {}

  private static int[] edges() {
    int[] out = new int[COUNT + 1];
    for (int k = 0; k < SINGLE; k++) {
      out[k] = k;
    }
    double bins = WINDOW / 2 + 1;
    for (int k = 0; k <= WIDE; k++) {
      out[SINGLE + k] = (int) Math.rint(SINGLE * Math.pow(bins / SINGLE, (double) k / WIDE));
    }
    return out;
  }

  /** First bin of a band. */
  static int from(int band) {
    return EDGES[band];
  }

  /** Bin behind the last one of a band. */
  static int to(int band) {
    return EDGES[band + 1];
  }

  /** Lower edge of a band in hertz. */
  public static double lowHz(int band) {
    return Math.max(0, (EDGES[band] - 0.5) * RATE / WINDOW);
  }

  /** Upper edge of a band in hertz. */
  public static double highHz(int band) {
    return (EDGES[band + 1] - 0.5) * RATE / WINDOW;
  }
}
