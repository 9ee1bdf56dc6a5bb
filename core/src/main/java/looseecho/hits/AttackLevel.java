package looseecho.hits;

import looseecho.activity.Lane;
import looseecho.audio.Audio;
import org.jtransforms.fft.FloatFFT_1D;

/**
 * How loud a hit's attack is in each band where its lane may stand out.
 *
 * <p>The spectrum is taken from the hit on, to the sample: frames on a fixed grid would cut one hit
 * later than another and make even hits seem uneven. Bands are a quarter of an octave wide. What
 * sounded in a band before the hit mostly sounds on, so a part of its power is taken off (spectral
 * subtraction: Boll, "Suppression of acoustic noise in speech using spectral subtraction", IEEE
 * Transactions on Acoustics, Speech and Signal Processing 27, 1979). Bands, lengths and parts are
 * those that followed the true loudness best on self-made validation songs (docs/accuracy.md).
 */
final class AttackLevel {
  private static final int PER_OCTAVE = 4;
  private static final double BEFORE = 0.002; // seconds ahead of the hit
  private static final double EARLIER = 0.04; // seconds before that, of what sounds on
  private static final double LONGEST = 0.09;
  private static final double LEAST = 0.1; // share of the power that is left at least
  private static final double FLOOR = 1e-10; // power, against the logarithm of nothing
  private static final double MOST_MASKED = 3;
  private static final double HIGHEST = 0.45; // of the sampling rate

  /**
   * A hit in its lane's bands, from low to high.
   *
   * @param level natural logarithm of the amplitude, against no particular scale
   * @param masked power just before the hit as a share of the power in it, up to 3
   */
  record Attack(double[] level, double[] masked) {}

  /** Where and how long a lane is measured, and how much of what was there before is taken off. */
  private record Band(double lowHz, double highHz, double seconds, double taken) {
    static Band of(Lane lane) {
      return switch (lane.base()) {
        case KICK -> new Band(30, 600, LONGEST, 0); // a bass mostly stops or starts with it
        case SNARE -> new Band(150, 16000, LONGEST, 0.5);
        case CLAP -> new Band(1000, 10000, LONGEST, 0.5);
        case HAT_OPEN -> new Band(3000, 16000, LONGEST, 1);
        case TOM -> new Band(70, 1000, LONGEST, 0.5);
        case HAT_CLOSED -> new Band(8000, 16000, 0.04, 1);
        case CYMBAL -> new Band(7000, 16000, LONGEST, 0.5);
        default -> new Band(300, 9000, 0.04, 0.5);
      };
    }
  }

  private final Audio audio;
  private final Band band;
  private final int bands;
  private final int size;
  private final float[] after;
  private final float[] before;
  private final FloatFFT_1D fft;

  AttackLevel(Audio audio, Lane lane) {
    this.audio = audio;
    this.band = Band.of(lane);
    double top = Math.min(band.highHz(), HIGHEST * audio.sampleRate());
    this.bands =
        (int) Math.max(0, Math.round(PER_OCTAVE * Math.log(top / band.lowHz()) / Math.log(2)));
    this.after = falling((int) (band.seconds() * audio.sampleRate()));
    this.before = hann((int) (EARLIER * audio.sampleRate()));
    this.size = 2 * Integer.highestOneBit((int) (LONGEST * audio.sampleRate()));
    this.fft = new FloatFFT_1D(size);
  }

  /** A quick rise, then the falling half of a Hann window. */
  private float[] falling(int length) {
    double rise = BEFORE * audio.sampleRate();
    float[] w = new float[length];
    for (int i = 0; i < length; i++) {
      w[i] = (float) (Math.min(1, i / rise) * (0.5 + 0.5 * Math.cos(Math.PI * i / length)));
    }
    return w;
  }

  private static float[] hann(int length) {
    float[] w = new float[length];
    for (int i = 0; i < length; i++) {
      w[i] = (float) (0.5 - 0.5 * Math.cos(2 * Math.PI * i / length));
    }
    return w;
  }

  /** Number of bands that the recording reaches up to; may be none. */
  int bands() {
    return bands;
  }

  /** The hit at this time, in seconds; silence beyond the ends of the sound. */
  Attack at(double seconds) {
    int from = (int) Math.round((seconds - BEFORE) * audio.sampleRate());
    double[] struck = power(from, after);
    double[] earlier = power(from - before.length, before);
    double[] level = new double[bands];
    double[] masked = new double[bands];
    for (int b = 0; b < bands; b++) {
      double left = Math.max(struck[b] - band.taken() * earlier[b], LEAST * struck[b]);
      level[b] = 0.5 * Math.log(FLOOR + left);
      masked[b] = Math.min(MOST_MASKED, earlier[b] / (FLOOR + struck[b]));
    }
    return new Attack(level, masked);
  }

  /** Mean power of the windowed sound in each band. */
  private double[] power(int from, float[] window) {
    int start = Math.min(audio.length(), Math.max(0, from));
    float[] heard =
        audio.mono(start, Math.max(start, Math.min(audio.length(), from + window.length)));
    float[] x = new float[size];
    double weight = 0;
    for (int i = 0; i < heard.length; i++) {
      x[i] = heard[i] * window[start - from + i];
    }
    for (float w : window) {
      weight += w * w;
    }
    fft.realForward(x);
    double[] power = new double[bands];
    double binHz = (double) audio.sampleRate() / size;
    for (int b = 0; b < bands; b++) {
      int low = (int) Math.ceil(edge(b) / binHz);
      int high = Math.min(size / 2, Math.max(low + 1, (int) Math.ceil(edge(b + 1) / binHz)));
      for (int k = low; k < high; k++) {
        power[b] += x[2 * k] * x[2 * k] + x[2 * k + 1] * x[2 * k + 1];
      }
      power[b] /= weight * (high - low);
    }
    return power;
  }

  private double edge(int b) {
    return band.lowHz() * Math.pow(2, (double) b / PER_OCTAVE);
  }
}
