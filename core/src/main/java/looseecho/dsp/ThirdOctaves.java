package looseecho.dsp;

import java.util.Locale;

/**
 * Third octaves from 25 Hz to 20 kHz. Exact base-ten centres and edges of IEC 61260-1:2014: centres
 * 10^(k/10) times 1 kHz, edges a twentieth of a decade off.
 */
public final class ThirdOctaves {
  /** Number of bands. */
  public static final int COUNT = 30;

  private static final int FIRST = -16; // 10^-1.6 kHz: 25.1 Hz
  private static final double[] NOMINAL = {1, 1.25, 1.6, 2, 2.5, 3.15, 4, 5, 6.3, 8};

  private ThirdOctaves() {}

  /** The centre of a band in hertz. */
  public static double centre(int band) {
    return 1000 * Math.pow(10, (FIRST + band) / 10.0);
  }

  /** The lower edge of a band in hertz. */
  public static double low(int band) {
    return centre(band) * Math.pow(10, -0.05);
  }

  /** The upper edge of a band in hertz. */
  public static double high(int band) {
    return centre(band) * Math.pow(10, 0.05);
  }

  /** The band that a frequency lies in; -1 outside. */
  public static int band(double hz) {
    int k = (int) Math.round(10 * Math.log10(hz / 1000)) - FIRST;
    return k >= 0 && k < COUNT ? k : -1;
  }

  /** The rounded frequency by which a band's centre is called, in the same standard. */
  public static double nominal(double hz) {
    int k = (int) Math.round(10 * Math.log10(hz));
    return NOMINAL[Math.floorMod(k, 10)] * Math.pow(10, Math.floorDiv(k, 10));
  }

  /** From one band to another, as it is said in the studio. */
  public static String words(double lowHz, double highHz) {
    return String.format(Locale.ROOT, "%.0f to %.0f Hz", nominal(lowHz), nominal(highHz));
  }

  /**
   * What power at a frequency counts for the loudness: the response of the two filters of ITU-R
   * BS.1770-4, near enough for a comparison of two sounds.
   */
  public static double loudness(double hz) {
    double shelf = 4 / (1 + Math.pow(1680 / hz, 2)); // dB, up to 4 above 1.7 kHz
    double low = -10 * Math.log10(1 + Math.pow(38 / hz, 4)); // second order at 38 Hz
    return Math.pow(10, (shelf + low) / 10);
  }
}
