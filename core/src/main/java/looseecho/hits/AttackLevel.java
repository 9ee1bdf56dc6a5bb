package looseecho.hits;

import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.dsp.Fft;

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
  private static final double LONGEST = 0.09; // seconds from there on
  private static final double SHORTER = 0.04; // where strokes follow closely
  private static final double LEAST = 0.1; // share of the power that is left at least
  private static final double FLOOR = 1e-10; // power, against the logarithm of nothing
  private static final double MOST_MASKED = 3;
  private static final double HIGHEST = 0.45; // of the sampling rate

  /**
   * A hit in its lane's bands, from low to high.
   *
   * @param level natural logarithm of the amplitude, against no particular scale
   * @param trust 0..1, less where the band was loud before the hit
   */
  record Attack(double[] level, double[] trust) {}

  /**
   * Where and how long a lane is measured, how much of what was there before is taken off, and how
   * much less a band counts where it was as loud before the hit.
   */
  private record Band(double lowHz, double highHz, double seconds, double taken, double masking) {
    static Band of(Lane lane) {
      return switch (lane.base()) {
        case KICK -> new Band(30, 600, LONGEST, 0, 4); // a bass mostly stops or starts with it
        case SNARE -> new Band(150, 16000, LONGEST, 0.5, 0); // too many bands would be masked
        case CLAP -> new Band(1000, 10000, LONGEST, 0.5, 4);
        case HAT_OPEN -> new Band(3000, 16000, LONGEST, 1, 4);
        case TOM -> new Band(70, 1000, LONGEST, 0.5, 4);
        case HAT_CLOSED -> new Band(8000, 16000, SHORTER, 1, 0);
        case CYMBAL -> new Band(7000, 16000, LONGEST, 0.5, 0);
        default -> new Band(300, 9000, SHORTER, 0.5, 4);
      };
    }
  }

  private final Audio audio;
  private final Band band;
  private final int bands;
  private final int size;
  private final int struckLength;
  private final int earlierLength;
  private final Fft struck;
  private final Fft earlier;

  AttackLevel(Audio audio, Lane lane) {
    this.audio = audio;
    this.band = Band.of(lane);
    int rate = audio.sampleRate();
    double octaves = Math.log(Math.min(band.highHz(), HIGHEST * rate) / band.lowHz()) / Math.log(2);
    this.bands = (int) Math.max(0, Math.round(PER_OCTAVE * octaves));
    this.size = 2 * Integer.highestOneBit((int) (LONGEST * rate));
    this.struckLength = (int) (band.seconds() * rate);
    this.earlierLength = (int) (EARLIER * rate);
    this.struck = new Fft(size, ofUnitPower(falling(struckLength, BEFORE * rate)));
    this.earlier = new Fft(size, ofUnitPower(Fft.hann(earlierLength)));
  }

  /** A quick rise, then the falling half of a Hann window. */
  private static float[] falling(int length, double rise) {
    float[] w = new float[length];
    for (int i = 0; i < length; i++) {
      w[i] = (float) (Math.min(1, i / rise) * (0.5 + 0.5 * Math.cos(Math.PI * i / length)));
    }
    return w;
  }

  /** So that windows of all lengths read the same power of a noise. */
  private static float[] ofUnitPower(float[] window) {
    double power = 0;
    for (float w : window) {
      power += w * w;
    }
    for (int i = 0; i < window.length; i++) {
      window[i] /= (float) Math.sqrt(power);
    }
    return window;
  }

  /** Number of bands that the recording reaches up to; may be none. */
  int bands() {
    return bands;
  }

  /** The hit at this time, in seconds; silence beyond the ends of the sound. */
  Attack at(double seconds) {
    int from = (int) Math.round((seconds - BEFORE) * audio.sampleRate());
    double[] during = power(struck, from, struckLength);
    double[] before = power(earlier, from - earlierLength, earlierLength);
    double[] level = new double[bands];
    double[] trust = new double[bands];
    for (int b = 0; b < bands; b++) {
      double left = Math.max(during[b] - band.taken() * before[b], LEAST * during[b]);
      level[b] = 0.5 * Math.log(FLOOR + left);
      double masked = Math.min(MOST_MASKED, before[b] / (FLOOR + during[b]));
      trust[b] = 1 / (1 + band.masking() * masked);
    }
    return new Attack(level, trust);
  }

  /** Mean power in each band. */
  private double[] power(Fft fft, int from, int length) {
    int start = Math.min(audio.length(), Math.max(0, from));
    int end = Math.max(start, Math.min(audio.length(), from + length));
    float[] magnitudes = new float[fft.bins()];
    fft.magnitudes(audio.mono(start, end), from - start + length / 2, magnitudes);
    double[] power = new double[bands];
    double binHz = (double) audio.sampleRate() / size;
    for (int b = 0; b < bands; b++) {
      int low = (int) Math.ceil(edge(b) / binHz);
      int high = Math.min(size / 2, Math.max(low + 1, (int) Math.ceil(edge(b + 1) / binHz)));
      for (int k = low; k < high; k++) {
        power[b] += magnitudes[k] * magnitudes[k] / (high - low);
      }
    }
    return power;
  }

  private double edge(int b) {
    return band.lowHz() * Math.pow(2, (double) b / PER_OCTAVE);
  }
}
