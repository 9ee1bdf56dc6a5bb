package looseecho.palette;

import java.util.Arrays;
import java.util.OptionalDouble;
import looseecho.dsp.Fft;
import looseecho.dsp.Yin;

/** Measures a sound's {@link Descriptors}. Holds work arrays: one per thread. */
public final class DescriptorFinder {
  private static final int RATE = 44100;
  private static final int STEP = 44; // a millisecond
  private static final int SMOOTH = 5; // milliseconds
  private static final int SIZE = 4096;
  private static final double LOW_HZ = 30;

  private final Fft fft = new Fft(SIZE, SIZE);
  private final float[] magnitudes = new float[fft.bins()];
  private static final int COARSE = 4;
  private final Yin high = new Yin(RATE, 70, 2000, 1400);
  private final Yin low = new Yin(RATE / COARSE, LOW_HZ, 400, 2900 / COARSE);

  /** Of a sound at 44.1 kHz; for mono both sides are the same array. */
  public Descriptors of(float[] left, float[] right) {
    float[] mono = new float[left.length];
    double side = 0;
    double middle = 0;
    for (int i = 0; i < mono.length; i++) {
      mono[i] = 0.5f * (left[i] + right[i]);
      double s = 0.5 * (left[i] - right[i]);
      middle += mono[i] * mono[i];
      side += s * s;
    }
    int start = ClassFeatures.attack(mono);
    float[] x = Arrays.copyOfRange(mono, start, mono.length);
    double[] loud = loudness(x);
    int top = 0;
    for (int k = 0; k < loud.length; k++) {
      top = loud[k] > loud[top] ? k : top;
    }
    double[] power = spectrum(x);
    double pitch = pitch(x, Math.min(x.length, (top + 60) * STEP)).orElse(0);
    double early = pitch(x, Math.min(x.length, 12 * STEP)).orElse(0);
    double fall = pitch > 0 && early > pitch ? 12 * Math.log(early / pitch) / Math.log(2) : 0;
    return new Descriptors(
        attack(loud, top),
        after(loud, top, 0.1),
        top + after(loud, top, 0.001),
        pitch,
        fall,
        centroid(power),
        flatness(power),
        pitch > 0 ? odd(power, pitch) : 0,
        side / (middle + side + 1e-15));
  }

  /** Root mean square by milliseconds, smoothed. */
  private static double[] loudness(float[] x) {
    double[] out = new double[Math.max(1, x.length / STEP)];
    for (int k = 0; k < out.length; k++) {
      double sum = 0;
      int n = 0;
      int half = SMOOTH * STEP / 2;
      for (int i = Math.max(0, k * STEP - half); i < Math.min(x.length, k * STEP + half); i++) {
        sum += x[i] * x[i];
        n++;
      }
      out[k] = Math.sqrt(sum / Math.max(1, n));
    }
    return out;
  }

  private static double attack(double[] loud, int top) {
    int from = 0;
    while (from < top && loud[from] < 0.1 * loud[top]) {
      from++;
    }
    int to = from;
    while (to < top && loud[to] < 0.9 * loud[top]) {
      to++;
    }
    return Math.max(0.5, to - from);
  }

  /** Milliseconds from the loudest moment until only a share of it is left for good. */
  private static double after(double[] loud, int top, double share) {
    int last = loud.length - 1;
    while (last > top && loud[last] < share * loud[top]) {
      last--;
    }
    return last - top;
  }

  private double[] spectrum(float[] x) {
    double[] out = new double[magnitudes.length];
    for (int at = 0; at < Math.min(x.length, RATE); at += SIZE / 2) {
      fft.magnitudes(x, at + SIZE / 4, magnitudes);
      for (int k = 0; k < out.length; k++) {
        out[k] += magnitudes[k] * magnitudes[k];
      }
    }
    return out;
  }

  private static double centroid(double[] power) {
    double sum = 0;
    double all = 1e-15;
    for (int k = 1; k < power.length; k++) {
      sum += power[k] * k * RATE / SIZE;
      all += power[k];
    }
    return sum / all;
  }

  /** Geometric over arithmetic mean of the power spectrum from 100 Hz to 16 kHz. */
  private static double flatness(double[] power) {
    double logs = 0;
    double sum = 0;
    int from = 100 * SIZE / RATE;
    int to = 16_000 * SIZE / RATE;
    for (int k = from; k < to; k++) {
      logs += Math.log(power[k] + 1e-15);
      sum += power[k] + 1e-15;
    }
    return Math.exp(logs / (to - from)) / (sum / (to - from));
  }

  private OptionalDouble pitch(float[] x, int near) {
    float[] padded = Arrays.copyOf(x, x.length + RATE / 8);
    OptionalDouble hz = high.hertz(padded, Math.max(1100, near));
    return hz.isPresent() ? hz : low.hertz(coarse(padded), Math.max(2300, near) / COARSE);
  }

  /** At a quarter of the rate, which is fine enough for low pitches and sixteen times as fast. */
  private static float[] coarse(float[] x) {
    float[] out = new float[x.length / COARSE];
    for (int i = 0; i < out.length; i++) {
      for (int k = 0; k < COARSE; k++) {
        out[i] += x[COARSE * i + k] / COARSE;
      }
    }
    return out;
  }

  private static double odd(double[] power, double pitch) {
    double odd = 0;
    double all = 1e-15;
    for (int h = 2; h <= 9; h++) {
      int k = (int) Math.round(h * pitch * SIZE / RATE);
      double p = 0;
      for (int i = Math.max(0, k - 2); i <= Math.min(power.length - 1, k + 2); i++) {
        p += power[i];
      }
      all += p;
      odd += h % 2 == 1 ? p : 0;
    }
    return odd / all;
  }
}
