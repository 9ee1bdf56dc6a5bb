package looseecho.synth;

import java.util.Arrays;
import java.util.SplittableRandom;

/**
 * The oscillators of one note: detuned copies of a wave against a sine, the octave below, noise.
 * Deterministic; belongs to one rendering.
 */
final class Oscillators {
  /** The most samples made at once, in which the pitch stands still. */
  static final int BLOCK = 16;

  private static final int TABLE = 4096;
  private static final double[] SINE = table();

  private final ToneSound s;
  private final Timbre timbre;
  private final double[] phase;
  private final double[] home;
  private final double[] steps;
  private final double[] bent = new double[BLOCK];
  private final double share;
  private final int rate;
  private final SplittableRandom random;
  private final double decayMs;
  private double below;
  private double modulator;

  Oscillators(ToneSound s, double hz, int rate) {
    this.s = s;
    this.timbre = s.timbre();
    this.decayMs = s.decayMs();
    this.rate = rate;
    phase = new double[s.voices()];
    home = new double[s.voices()];
    for (int v = 0; v < phase.length; v++) {
      phase[v] = v * 0.37 % 1;
      double spread = phase.length == 1 ? 0 : 2.0 * v / (phase.length - 1) - 1;
      home[v] = hz * Math.pow(2, spread * s.detuneCents() / 1200) / rate;
    }
    steps = home.clone();
    share = 1 / Math.sqrt(phase.length);
    random = new SplittableRandom(Math.round(1000 * hz));
  }

  /** Moves all of them by so many semitones from their pitch. */
  void bend(double semitones) {
    for (int v = 0; v < steps.length; v++) {
      steps[v] = semitones == 0 ? home[v] : home[v] * Math.pow(2, semitones / 12);
    }
  }

  /**
   * The next samples.
   *
   * @param out gets them, from its beginning on
   * @param n how many, at most {@link #BLOCK}
   * @param t seconds from the attack to the first
   */
  void fill(double[] out, int n, double t) {
    Arrays.fill(out, 0, n, 0);
    boolean modulated = timbre.fmIndex() > 0;
    for (int i = 0; modulated && i < n; i++) {
      bent[i] = modulation(t + (double) i / rate);
    }
    for (int v = 0; v < phase.length; v++) {
      if (s.saw() < 1) {
        sines(out, n, v, (1 - s.saw()) * share, modulated);
      }
      phase[v] = s.saw() > 0 ? waves(out, n, v, s.saw() * share) : advanced(phase[v], steps[v], n);
    }
    for (int i = 0; s.sub() > 0 && i < n; i++) {
      below = advanced(below, steps[0] / 2, 1);
      out[i] += s.sub() * sine(below);
    }
    for (int i = 0; timbre.noise() > 0 && i < n; i++) {
      out[i] += timbre.noise() * noise();
    }
  }

  private void sines(double[] out, int n, int v, double level, boolean modulated) {
    double p = phase[v];
    double step = steps[v];
    for (int i = 0; i < n; i++) {
      p += step;
      p -= p >= 1 ? 1 : 0;
      double at = p;
      if (modulated) {
        at += bent[i];
        at -= Math.floor(at);
      }
      out[i] += level * sine(at);
    }
  }

  /** Adds one copy of the wave and says where its phase is then. */
  private double waves(double[] out, int n, int v, double level) {
    double p = phase[v];
    double step = steps[v];
    for (int i = 0; i < n; i++) {
      p += step;
      p -= p >= 1 ? 1 : 0;
      out[i] += level * wave(p, step);
    }
    return p;
  }

  private static double advanced(double phase, double step, int n) {
    double p = phase;
    for (int i = 0; i < n; i++) {
      p += step;
      p -= p >= 1 ? 1 : 0;
    }
    return p;
  }

  /**
   * Cycles by which a modulating sine moves the phase (Chowning, "The synthesis of complex audio
   * spectra by means of frequency modulation", JAES 21, 1973); its depth falls with the tone.
   */
  private double modulation(double t) {
    modulator += timbre.fmRatio() * steps[0];
    modulator -= Math.floor(modulator);
    double depth = timbre.fmIndex() * Math.exp(-1000 * t / decayMs);
    return depth * sine(modulator) / (2 * Math.PI);
  }

  private double wave(double p, double step) {
    return switch (timbre.wave()) {
      case SAW -> 2 * p - 1 - polyBlep(p, step);
      case PULSE -> pulse(p, step);
      case TRIANGLE -> 4 * Math.abs(p - 0.5) - 1;
      case NOISE -> noise();
    };
  }

  /** Two saws against each other; its mean is taken off. */
  private double pulse(double p, double step) {
    double q = p + 1 - timbre.pulse();
    q -= q >= 1 ? 1 : 0;
    double up = p < timbre.pulse() ? 1 : -1;
    return up + polyBlep(p, step) - polyBlep(q, step) - (2 * timbre.pulse() - 1);
  }

  private double noise() {
    return 2 * random.nextDouble() - 1;
  }

  /** Sine of a phase in cycles, 0..1, from a table; within 3e-7 of the exact one. */
  static double sine(double phase) {
    double at = phase * TABLE;
    int k = (int) at;
    return SINE[k] + (at - k) * (SINE[k + 1] - SINE[k]);
  }

  private static double[] table() {
    double[] t = new double[TABLE + 2];
    for (int k = 0; k < t.length; k++) {
      t[k] = Math.sin(2 * Math.PI * k / TABLE);
    }
    return t;
  }

  /** Rounds the saw's step so that it does not alias (Valimaki and Huovilainen 2007). */
  private static double polyBlep(double p, double step) {
    if (p < step) {
      double t = p / step;
      return t + t - t * t - 1;
    }
    if (p > 1 - step) {
      double t = (p - 1) / step;
      return t * t + t + t + 1;
    }
    return 0;
  }
}
