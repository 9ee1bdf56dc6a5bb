package looseecho.hits;

import looseecho.activity.Lane;
import looseecho.audio.Audio;
import org.jtransforms.fft.FloatFFT_1D;

/**
 * How loud a hit's attack is in the band where its lane stands out.
 *
 * <p>The spectrum is taken from the hit on, to the sample: frames on a fixed grid would cut one hit
 * later than another and make even hits seem uneven. Hats and snares are measured in bands of a
 * quarter of an octave whose logarithms are averaged, so that a tone of another instrument moves
 * few of them; a kick, a tone itself, in one. Bands and lengths are those that followed the true
 * loudness best on self-made validation songs (docs/accuracy.md).
 */
final class AttackLevel {
  private static final int SIZE = 4096;
  private static final int PER_OCTAVE = 4;
  private static final double BEFORE = 0.002; // seconds ahead of the hit
  private static final double FLOOR = 1e-9; // power, against the logarithm of nothing

  /** Where and how long a lane is measured. */
  private record Band(double lowHz, double highHz, double seconds, int parts) {
    static Band split(double lowHz, double highHz, double seconds) {
      double octaves = Math.log(highHz / lowHz) / Math.log(2);
      return new Band(lowHz, highHz, seconds, (int) (PER_OCTAVE * octaves));
    }

    double edge(int part) {
      return lowHz * Math.pow(highHz / lowHz, (double) part / parts);
    }

    static Band of(Lane lane) {
      return switch (lane.base()) {
        case KICK -> new Band(30, 300, 0.09, 1);
        case SNARE -> split(1500, 16000, 0.04);
        case CLAP -> split(1000, 10000, 0.04);
        case HAT_OPEN -> split(7000, 16000, 0.09);
        case TOM -> split(70, 1000, 0.06);
        case HAT_CLOSED, CYMBAL -> split(7000, 16000, 0.04);
        default -> split(300, 9000, 0.06);
      };
    }
  }

  private final Audio audio;
  private final Band band;
  private final float[] window;
  private final FloatFFT_1D fft = new FloatFFT_1D(SIZE);

  AttackLevel(Audio audio, Lane lane) {
    this.audio = audio;
    this.band = Band.of(lane);
    this.window = window((int) Math.min(SIZE, band.seconds() * audio.sampleRate()));
  }

  /** A quick rise, then the falling half of a Hann window. */
  private float[] window(int length) {
    double rise = BEFORE * audio.sampleRate();
    float[] w = new float[length];
    for (int i = 0; i < length; i++) {
      w[i] = (float) (Math.min(1, i / rise) * (0.5 + 0.5 * Math.cos(Math.PI * i / length)));
    }
    return w;
  }

  /** Natural logarithm of the band's mean amplitude, against no particular scale. */
  double at(double seconds) {
    int from = (int) Math.round((seconds - BEFORE) * audio.sampleRate());
    float[] heard = audio.mono(Math.max(0, from), Math.min(audio.length(), from + window.length));
    float[] x = new float[SIZE];
    int lead = Math.max(0, -from);
    for (int i = 0; i < heard.length; i++) {
      x[i + lead] = heard[i] * window[i + lead];
    }
    fft.realForward(x);
    double binHz = (double) audio.sampleRate() / SIZE;
    double sum = 0;
    for (int part = 0; part < band.parts(); part++) {
      int low = (int) Math.ceil(band.edge(part) / binHz);
      int high = Math.min(SIZE / 2, (int) Math.ceil(band.edge(part + 1) / binHz));
      double power = 0;
      for (int k = low; k < high; k++) {
        power += x[2 * k] * x[2 * k] + x[2 * k + 1] * x[2 * k + 1];
      }
      sum += 0.5 * Math.log(FLOOR + power / Math.max(1, high - low));
    }
    return sum / band.parts();
  }
}
