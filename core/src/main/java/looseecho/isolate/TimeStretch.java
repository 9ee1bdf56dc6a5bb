package looseecho.isolate;

import java.util.Arrays;
import looseecho.audio.Audio;
import looseecho.reading.Progress;
import org.jtransforms.fft.FloatFFT_1D;

/**
 * Slows sound down and keeps its pitch.
 *
 * <p>Phase vocoder with identity phase locking: Laroche and Dolson, "Improved phase vocoder
 * time-scale modification of audio", IEEE Transactions on Speech and Audio Processing 1999. Both
 * sides are turned by one angle, which keeps the stereo picture. Departure: around attacks the
 * sound is copied as it is (in the spirit of Roebel, "A new approach to transient processing in the
 * phase vocoder", DAFx 2003), so that drums neither smear nor flutter.
 */
public final class TimeStretch {
  private static final int SIZE = 2048;
  private static final int HOP = SIZE / 4;
  private static final float OVERLAP = 1.5f; // sum of squared Hann windows at this hop
  private static final int REPORT = 2000; // frames

  private final float[] window = new float[SIZE];
  private final FloatFFT_1D fft = new FloatFFT_1D(SIZE);

  public TimeStretch() {
    for (int i = 0; i < SIZE; i++) {
      window[i] = (float) (0.5 - 0.5 * Math.cos(2 * Math.PI * i / SIZE));
    }
  }

  /**
   * The sound at a slower speed.
   *
   * @param speed 0.25 to below 1
   * @param attacks seconds at which something is struck; may be empty
   */
  public Audio slow(Audio audio, double speed, double[] attacks, Progress progress) {
    if (!(speed >= 0.25 && speed < 1)) {
      throw new IllegalArgumentException("speed must be 0.25 to below 1 (was: " + speed + ")");
    }
    StretchMap map = new StretchMap(attacks, speed, audio.duration());
    int rate = audio.sampleRate();
    int length = (int) Math.round(audio.length() / speed);
    float[][] out = new float[2][length + 2 * SIZE];
    State s = new State();
    int frames = length / HOP + 2;
    for (int f = 0; f < frames; f++) {
      double middle = (double) f * HOP / rate; // frame f is centred here in the slowed sound
      int at = (int) Math.round(map.own(middle) * rate) - SIZE / 2;
      s.frame(audio, at, map.kept(middle) || f == 0);
      for (int i = 0; i < SIZE; i++) {
        out[0][f * HOP + i] += s.sound[2 * i] * window[i] / OVERLAP;
        out[1][f * HOP + i] += s.sound[2 * i + 1] * window[i] / OVERLAP;
      }
      if (f % REPORT == 0) {
        progress.step("Slowing down", (double) f / frames);
      }
    }
    return new Audio(
        Arrays.copyOfRange(out[0], SIZE / 2, SIZE / 2 + length),
        Arrays.copyOfRange(out[1], SIZE / 2, SIZE / 2 + length),
        rate);
  }

  /** The running phases. Left and right go through one complex transform as its two parts. */
  private final class State {
    private static final int BINS = SIZE / 2 + 1;
    private final float[] sound = new float[2 * SIZE];
    private final float[] before = new float[2 * SIZE];
    private final float[] magnitude = new float[BINS];
    private final float[] lastRe = new float[BINS]; // of the middle, as it was put out
    private final float[] lastIm = new float[BINS];
    private final float[] turnRe = new float[BINS];
    private final float[] turnIm = new float[BINS];

    /** Leaves the windowed sound of one frame in {@link #sound}. */
    void frame(Audio audio, int at, boolean copy) {
      load(audio, at, sound);
      if (copy) {
        Arrays.fill(turnRe, 1);
        Arrays.fill(turnIm, 0);
      } else {
        load(audio, at - HOP, before);
        measure();
        turns();
      }
      turn();
      fft.complexInverse(sound, true);
    }

    private void load(Audio audio, int at, float[] x) {
      audio.read(at, x, SIZE);
      for (int i = 0; i < SIZE; i++) {
        x[2 * i] *= window[i];
        x[2 * i + 1] *= window[i];
      }
      fft.complexForward(x);
    }

    /** Real part of the middle (left and right together) at a bin. */
    private float re(float[] x, int k) {
      int m = (SIZE - k) % SIZE;
      return 0.5f * (x[2 * k] + x[2 * m] + x[2 * k + 1] + x[2 * m + 1]);
    }

    private float im(float[] x, int k) {
      int m = (SIZE - k) % SIZE;
      return 0.5f * (x[2 * k + 1] - x[2 * m + 1] - x[2 * k] + x[2 * m]);
    }

    private void measure() {
      for (int k = 0; k < BINS; k++) {
        float a = re(sound, k);
        float b = im(sound, k);
        magnitude[k] = a * a + b * b;
      }
    }

    /** One angle per peak of the spectrum, shared by the bins around it. */
    private void turns() {
      int peak = -1;
      int from = 0;
      for (int k = 0; k < BINS; k++) {
        if (isPeak(k)) {
          if (peak >= 0) {
            int valley = valley(peak, k);
            spread(peak, from, valley);
            from = valley;
          }
          peak = k;
        }
      }
      spread(Math.max(0, peak), from, BINS);
    }

    private boolean isPeak(int k) {
      for (int d = 1; d <= 2; d++) {
        if (k >= d && magnitude[k - d] >= magnitude[k]
            || k + d < BINS && magnitude[k + d] > magnitude[k]) {
          return false;
        }
      }
      return true;
    }

    private int valley(int a, int b) {
      int least = a + 1;
      for (int k = a + 1; k < b; k++) {
        least = magnitude[k] < magnitude[least] ? k : least;
      }
      return least;
    }

    private void spread(int peak, int from, int to) {
      // The phase goes on from what was put out as it went on in the sound itself over one hop.
      double br = re(before, peak);
      double bi = im(before, peak);
      double yr = lastRe[peak] * br + lastIm[peak] * bi;
      double yi = lastIm[peak] * br - lastRe[peak] * bi;
      double length = Math.hypot(yr, yi);
      float r = length < 1e-12 ? 1 : (float) (yr / length);
      float i = length < 1e-12 ? 0 : (float) (yi / length);
      Arrays.fill(turnRe, from, to, r);
      Arrays.fill(turnIm, from, to, i);
    }

    /** Turns both sides by the same angle: bin k and its mirror the other way round. */
    private void turn() {
      for (int k = 0; k < BINS; k++) {
        int m = (SIZE - k) % SIZE;
        float lr = 0.5f * (sound[2 * k] + sound[2 * m]);
        float li = 0.5f * (sound[2 * k + 1] - sound[2 * m + 1]);
        float rr = 0.5f * (sound[2 * k + 1] + sound[2 * m + 1]);
        float ri = 0.5f * (sound[2 * m] - sound[2 * k]);
        float c = turnRe[k];
        float s = k == 0 || k == SIZE / 2 ? 0 : turnIm[k];
        float lre = lr * c - li * s;
        float lim = lr * s + li * c;
        float rre = rr * c - ri * s;
        float rim = rr * s + ri * c;
        lastRe[k] = lre + rre;
        lastIm[k] = lim + rim;
        sound[2 * k] = lre - rim;
        sound[2 * k + 1] = lim + rre;
        sound[2 * m] = lre + rim;
        sound[2 * m + 1] = rre - lim;
      }
    }
  }
}
