package looseecho.hits;

import java.util.Arrays;
import java.util.Optional;
import looseecho.audio.Audio;
import looseecho.dsp.Biquad;

/**
 * How loud each hit of one lane is, by a filter matched to the lane's own sound.
 *
 * <p>What sounds along with a drum changes from hit to hit, the drum itself does not: the mean of
 * all its hits, laid over one another to the sample, is the drum alone. What each hit has in common
 * with that mean is its loudness, whatever else sounds (matched filter: Turin, "An introduction to
 * matched filters", IRE Transactions on Information Theory 6, 1960). Sounds that differ from hit to
 * hit, such as played hats, have no such mean; lanes for which it helps were chosen on self-made
 * songs (docs/accuracy.md).
 */
final class MatchedStrikes {
  private static final double BEFORE = 0.003; // seconds ahead of the hit
  private static final double LENGTH = 0.09; // of a whole stroke
  private static final double LAG = 0.0025; // the hit may truly lie this far from its mark
  private static final double SETTLE = 0.05; // for the filters to swing in
  private static final double FADE = 0.0045;
  private static final double DECAY = 1.5; // the window falls by e to this power
  private static final double OVERSAMPLING = 8; // of the band's upper edge
  private static final int ROUNDS = 4;
  private static final int FEWEST = 6;
  private static final double FAINTEST = 0.02; // of the loudest

  private final Audio audio;
  private final double lowHz;
  private final double highHz;
  private final int step; // one sample in so many is kept
  private final int lag;
  private final int length;
  private final float[] window;

  /** For hits whose sound lies between {@code lowHz} and {@code highHz}. */
  MatchedStrikes(Audio audio, double lowHz, double highHz) {
    this(audio, lowHz, highHz, LENGTH);
  }

  /** The same for the first {@code seconds} of each hit. */
  MatchedStrikes(Audio audio, double lowHz, double highHz, double seconds) {
    this.audio = audio;
    this.lowHz = lowHz;
    this.highHz = Math.min(highHz, 0.45 * audio.sampleRate());
    this.step = (int) Math.max(1, audio.sampleRate() / (OVERSAMPLING * highHz));
    double rate = (double) audio.sampleRate() / step;
    this.lag = (int) Math.round(LAG * rate);
    this.length = (int) Math.round(seconds * rate);
    this.window = window(rate);
  }

  private float[] window(double rate) {
    float[] w = new float[length];
    int rise = (int) Math.max(1, BEFORE * rate / 2);
    int fall = (int) Math.max(1, FADE * rate);
    for (int i = 0; i < length; i++) {
      double edge = Math.min(Math.min(1, (double) i / rise), (double) (length - 1 - i) / fall);
      w[i] = (float) (Math.min(1, edge) * Math.exp(-DECAY * i / length));
    }
    return w;
  }

  /**
   * Natural logarithm of every hit's loudness, against no particular scale; the mean of the others
   * for a hit at the very edge of the sound. Empty when there are fewer than six hits, or when the
   * recording does not reach up to the band.
   */
  Optional<double[]> loudness(double[] times) {
    if (lowHz >= highHz) {
      return Optional.empty();
    }
    float[][] around = new float[times.length][];
    int heard = 0;
    for (int i = 0; i < times.length; i++) {
      around[i] = around(times[i]);
      heard += around[i] == null ? 0 : 1;
    }
    if (heard < FEWEST) {
      return Optional.empty();
    }
    int[] lags = new int[times.length];
    float[] drum = first(around);
    for (int round = 0; round < ROUNDS; round++) {
      float[] sought = windowed(drum, 0);
      float[] sum = new float[length];
      for (int i = 0; i < times.length; i++) {
        if (around[i] != null) {
          lags[i] = lag(around[i], sought);
          float[] cut = windowed(around[i], lags[i]);
          add(sum, cut, 1 / (1e-9 + Math.sqrt(dot(cut, cut))));
        }
      }
      drum = new float[length];
      add(drum, sum, 1 / (1e-12 + Math.sqrt(dot(sum, sum))));
    }
    double[] gain = new double[times.length];
    for (int i = 0; i < gain.length; i++) {
      gain[i] = around[i] == null ? Double.NaN : dot(windowed(around[i], lags[i]), drum);
    }
    return Optional.of(logarithms(gain));
  }

  private static double[] logarithms(double[] gain) {
    double loudest = Arrays.stream(gain).filter(g -> !Double.isNaN(g)).max().orElse(0);
    double floor = FAINTEST * Math.max(1e-9, loudest);
    double[] logs = Arrays.stream(gain).map(g -> Math.log(Math.max(floor, g))).toArray();
    double mean = Arrays.stream(logs).filter(g -> !Double.isNaN(g)).average().orElse(0);
    return Arrays.stream(logs).map(g -> Double.isNaN(g) ? mean : g).toArray();
  }

  /** The hit with room to shift it, filtered and thinned out; null where the sound ends before. */
  private float[] around(double time) {
    int from = (int) Math.round((time - BEFORE - LAG) * audio.sampleRate());
    int to = from + (length + 2 * lag) * step;
    int settle = (int) (SETTLE * audio.sampleRate());
    if (from < 0 || to > audio.length()) {
      return null;
    }
    int start = Math.max(0, from - settle);
    float[] x = audio.mono(start, to);
    Biquad.highPass(audio.sampleRate(), lowHz, Math.sqrt(0.5)).run(x);
    Biquad.lowPass(audio.sampleRate(), highHz, Math.sqrt(0.5)).run(x);
    float[] out = new float[length + 2 * lag];
    for (int i = 0; i < out.length; i++) {
      out[i] = x[from - start + i * step];
    }
    return out;
  }

  /** The hit whose energy three quarters of them do not reach. */
  private float[] first(float[][] around) {
    double[] energies =
        Arrays.stream(around).mapToDouble(a -> a == null ? -1 : energy(a)).toArray();
    double[] sorted = Arrays.stream(energies).filter(e -> e >= 0).sorted().toArray();
    double wanted = sorted[sorted.length * 3 / 4];
    int i = 0;
    while (energies[i] != wanted) {
      i++;
    }
    return windowed(around[i], lag);
  }

  private double energy(float[] around) {
    float[] cut = windowed(around, lag);
    return dot(cut, cut);
  }

  private float[] windowed(float[] x, int from) {
    float[] out = new float[length];
    for (int i = 0; i < length; i++) {
      out[i] = x[from + i] * window[i];
    }
    return out;
  }

  /** Where in the room around a hit it is most like the drum. */
  private int lag(float[] around, float[] drum) {
    float[] like = new float[2 * lag + 1];
    for (int i = 0; i < length; i++) {
      float d = drum[i];
      for (int k = 0; k < like.length; k++) {
        like[k] += d * around[i + k];
      }
    }
    int best = 0;
    for (int k = 1; k < like.length; k++) {
      best = like[k] > like[best] ? k : best;
    }
    return best;
  }

  private static void add(float[] sum, float[] x, double gain) {
    for (int i = 0; i < sum.length; i++) {
      sum[i] += (float) (gain * x[i]);
    }
  }

  private static double dot(float[] a, float[] b) {
    double sum = 0;
    for (int i = 0; i < a.length; i++) {
      sum += a[i] * b[i];
    }
    return sum;
  }
}
