package looseecho.palette;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import looseecho.dsp.Fft;

/**
 * A sound from its attack on as levels over time and frequency: 40 even bands of the logarithm of
 * frequency from 40 Hz to 18 kHz, first every 6 ms, later every 23 ms, up to 0.6 s. Bands below 600
 * Hz come from a longer window than those above. Immutable.
 */
public final class Picture {
  static final int RATE = 44100;
  static final int BANDS = 40;
  private static final int FINE = 24;
  private static final int COARSE = 20;
  static final int FRAMES = FINE + COARSE;
  private static final int HOP = 256;
  private static final int COARSE_HOP = 1024;
  private static final double LOW_HZ = 40;
  private static final double HIGH_HZ = 18_000;
  private static final double CROSS_HZ = 600;
  private static final double FAINTEST = -90;

  private static final double STANDS_OUT = 4; // decibels over what sounded before
  private static final double AGREE = 7; // decibels between the strokes' quarters
  private static final double LOUDEST = 20; // of what was not seen at all
  private static final int AHEAD = 700; // samples that a frame looks ahead
  private static final int FIRST = 2; // frames of the attack, which differ by where it is cut

  /** Edges of the bands in hertz. */
  private static final double[] EDGES =
      IntStream.rangeClosed(0, BANDS).mapToDouble(Picture::hertz).toArray();

  private final float[][] db; // [frame][band]
  private final boolean[][] sure; // null where all are

  private Picture(float[][] db, boolean[][] sure) {
    this.db = db;
    this.sure = sure;
  }

  /** Sample at which a frame is centred, from the attack. */
  private static int centre(int frame) {
    return frame < FINE ? frame * HOP : FINE * HOP + (frame - FINE) * COARSE_HOP;
  }

  /** Seconds from the attack to a frame. */
  static double time(int frame) {
    return (double) centre(frame) / RATE;
  }

  static double hertz(double band) {
    return LOW_HZ * Math.pow(HIGH_HZ / LOW_HZ, band / BANDS);
  }

  /** Of a mono sound at 44.1 kHz from a sample on. */
  public static Picture of(float[] x, int attack) {
    float[][] db = new float[FRAMES][];
    Probe probe = new Probe();
    for (int n = 0; n < FRAMES; n++) {
      db[n] = probe.frame(x, attack + centre(n));
    }
    return new Picture(db, null);
  }

  /** Looks at one moment. Holds work arrays. */
  private static final class Probe {
    private final Fft low = new Fft(4096, 2048);
    private final Fft high = new Fft(1024, 512);
    private final float[] a = new float[low.bins()];
    private final float[] b = new float[high.bins()];

    float[] frame(float[] x, int at) {
      low.magnitudes(x, at + 512, a); // a long window looks ahead, so that the attack is not lost
      high.magnitudes(x, at + 64, b);
      float[] out = new float[BANDS];
      for (int k = 0; k < BANDS; k++) {
        boolean below = EDGES[k] < CROSS_HZ;
        double bin = (double) RATE / (below ? 4096 : 1024);
        double from = EDGES[k] / bin;
        double to = EDGES[k + 1] / bin;
        // a Hann window spreads a tone over 1.5 of its own bins, here of half the width
        double power = mean(below ? a : b, from, to) * Math.max(1, to - from) / 3;
        out[k] = (float) Math.max(FAINTEST, 10 * Math.log10(power + 1e-12));
      }
      return out;
    }
  }

  /** Mean power between two bins, parts of bins counted as such. */
  private static double mean(float[] m, double from, double to) {
    double sum = 0;
    double width = 0;
    for (int k = (int) Math.rint(from); k <= Math.min(m.length - 1, (int) Math.rint(to)); k++) {
      double share = Math.min(k + 0.5, to) - Math.max(k - 0.5, from);
      if (share > 0) {
        sum += share * m[k] * m[k];
        width += share;
      }
    }
    return width == 0 ? 0 : sum / width;
  }

  /**
   * The picture of a sound that is heard several times among others: what sounded just before each
   * stroke is taken off; a cell in which most strokes stand out is sure, in the others is told how
   * loud the sound can be at most.
   *
   * @param attacks samples at which the strokes begin
   * @param ends samples at which something else is struck
   */
  static Picture heard(float[] x, List<Integer> attacks, List<Integer> ends) {
    List<Picture> all = attacks.stream().map(a -> of(x, a)).toList();
    List<float[]> before = attacks.stream().map(a -> before(x, a)).toList();
    float[][] out = new float[FRAMES][BANDS];
    boolean[][] sure = new boolean[FRAMES][BANDS];
    double[] own = new double[all.size() + 1];
    double[] bound = new double[all.size()];
    for (int n = 0; n < FRAMES; n++) {
      for (int k = 0; k < BANDS; k++) {
        int standing = 0;
        int seen = 0;
        for (int i = 0; i < all.size(); i++) {
          if (n >= FIRST && attacks.get(i) + centre(n) + AHEAD > ends.get(i)) {
            continue; // the next stroke is in view
          }
          double now = all.get(i).db[n][k];
          bound[seen++] = now;
          if (now > before.get(i)[k] + STANDS_OUT) {
            double rest = Math.pow(10, now / 10) - Math.pow(10, before.get(i)[k] / 10);
            own[standing++] = 10 * Math.log10(rest);
          }
        }
        Arrays.sort(own, 0, standing);
        Arrays.sort(bound, 0, seen);
        // what plays along only adds: the lower quarter is nearest to the sound itself
        boolean agree = own[3 * standing / 4] - own[standing / 4] < AGREE || n < FIRST;
        sure[n][k] = standing > 0 && 2 * standing > seen && agree;
        double most = seen == 0 ? LOUDEST : bound[seen / 4];
        out[n][k] = (float) (sure[n][k] ? own[standing / 4] : most);
      }
    }
    return new Picture(out, sure);
  }

  /** Levels of the bands in the moments before an attack. */
  private static float[] before(float[] x, int attack) {
    float[] out = new float[BANDS];
    Arrays.fill(out, (float) FAINTEST);
    Probe probe = new Probe();
    for (int back : new int[] {2600, 3600, 4600}) {
      float[] row = probe.frame(x, attack - back);
      for (int k = 0; k < BANDS; k++) {
        out[k] = Math.max(out[k], row[k]);
      }
    }
    return out;
  }

  /** The loudest sure cell. */
  double top() {
    double top = FAINTEST;
    for (int n = 0; n < FRAMES; n++) {
      for (int k = 0; k < BANDS; k++) {
        top = isSure(n, k) ? Math.max(top, db[n][k]) : top;
      }
    }
    return top;
  }

  /** False where a cell tells only how loud the sound can be at most. */
  boolean isSure(int frame, int band) {
    return sure == null || sure[frame][band];
  }

  /** Decibels of a cell. */
  float at(int frame, int band) {
    return db[frame][band];
  }

  /** The whole bands nearest to an interval. */
  public static int bands(int semitones) {
    double octave = BANDS / (Math.log(HIGH_HZ / LOW_HZ) / Math.log(2));
    return (int) Math.round(semitones / 12.0 * octave);
  }

  /** The same moved up by whole bands; the lowest go on as they are. */
  public Picture moved(int bands) {
    float[][] out = new float[FRAMES][BANDS];
    for (int n = 0; n < FRAMES; n++) {
      for (int k = 0; k < BANDS; k++) {
        out[n][k] = db[n][Math.max(0, Math.min(BANDS - 1, k - bands))];
      }
    }
    return new Picture(out, null);
  }

  /** The sample at which a sound begins. */
  public static int attack(float[] x) {
    return ClassFeatures.attack(x);
  }

  /** Levels as bytes, half a decibel each, against the loudest cell. */
  public byte[] bytes() {
    byte[] out = new byte[FRAMES * BANDS];
    double top = top();
    for (int n = 0; n < FRAMES; n++) {
      for (int k = 0; k < BANDS; k++) {
        out[n * BANDS + k] = (byte) Math.max(-127, Math.round(2 * (db[n][k] - top)));
      }
    }
    return out;
  }

  /** The picture that was kept as bytes. */
  public static Picture of(byte[] bytes) {
    float[][] db = new float[FRAMES][BANDS];
    for (int n = 0; n < FRAMES; n++) {
      for (int k = 0; k < BANDS; k++) {
        db[n][k] = bytes[n * BANDS + k] / 2f;
      }
    }
    return new Picture(db, null);
  }
}
