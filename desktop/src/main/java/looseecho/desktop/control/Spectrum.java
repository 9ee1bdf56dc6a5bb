package looseecho.desktop.control;

import java.util.Arrays;
import looseecho.dsp.Fft;
import looseecho.mix.EchoRenderer;

/** A sound's spectrum as charts draw it: decibels below its strongest bin, over octaves. */
public final class Spectrum {
  public static final Spectrum NONE = new Spectrum(new double[0]);
  private static final int RATE = EchoRenderer.RATE;
  private static final int SIZE = 8192;
  private static final double LOW_HZ = 30;
  private static final double HIGH_HZ = 16_000;
  private static final double SILENT_DB = -120;

  private final double[] decibels;

  private Spectrum(double[] decibels) {
    this.decibels = decibels;
  }

  /** Of a sound at the echo's rate: the loudest that each bin ever is. */
  public static Spectrum of(float[] x) {
    if (x.length == 0) {
      return NONE;
    }
    Fft fft = new Fft(SIZE, SIZE);
    float[] m = new float[fft.bins()];
    double[] most = new double[m.length];
    for (int at = SIZE / 4; at < Math.max(SIZE / 2, x.length); at += SIZE / 2) {
      fft.magnitudes(x, at, m);
      for (int k = 0; k < most.length; k++) {
        most[k] = Math.max(most[k], m[k]);
      }
    }
    double top = Arrays.stream(most).max().orElse(0) + 1e-9;
    return new Spectrum(Arrays.stream(most).map(v -> 20 * Math.log10(v / top + 1e-6)).toArray());
  }

  /** The strongest bin from a frequency to so many times it. */
  public double level(double hertz, double ratio) {
    int a = (int) Math.max(1, hertz * SIZE / RATE);
    int b = (int) Math.max(a + 1, hertz * ratio * SIZE / RATE);
    double db = SILENT_DB;
    for (int k = a; k < Math.min(b, decibels.length); k++) {
      db = Math.max(db, decibels[k]);
    }
    return db;
  }

  /** The frequency at a share of a chart's width. */
  public static double hertz(double share) {
    return LOW_HZ * Math.pow(HIGH_HZ / LOW_HZ, share);
  }

  /** The share of a chart's width at which a frequency stands. */
  public static double share(double hertz) {
    return Math.log(hertz / LOW_HZ) / Math.log(HIGH_HZ / LOW_HZ);
  }
}
