package looseecho.synth;

import java.util.SplittableRandom;

/**
 * The oscillators of one note: detuned copies of a wave against a sine, the octave below, noise.
 * Deterministic; belongs to one rendering.
 */
final class Oscillators {
  private static final int TABLE = 4096;
  private static final double[] SINE = table();

  private final ToneSound s;
  private final Timbre timbre;
  private final double[] phase;
  private final double[] home;
  private final double[] steps;
  private final double share;
  private final SplittableRandom random;
  private final double decayMs;
  private double below;
  private double modulator;

  Oscillators(ToneSound s, double hz, int rate) {
    this.s = s;
    this.timbre = s.timbre();
    this.decayMs = s.decayMs();
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

  double next(double t) {
    double sum = 0;
    double bent = timbre.fmIndex() > 0 ? modulation(t) : 0;
    for (int v = 0; v < phase.length; v++) {
      phase[v] += steps[v];
      phase[v] -= phase[v] >= 1 ? 1 : 0;
      double wave = s.saw() > 0 ? wave(phase[v], steps[v]) : 0;
      double at = phase[v] + bent;
      double sine = s.saw() < 1 ? sine(bent == 0 ? at : at - Math.floor(at)) : 0;
      sum += s.saw() * wave + (1 - s.saw()) * sine;
    }
    double x = sum * share;
    if (s.sub() > 0) {
      below += steps[0] / 2;
      below -= below >= 1 ? 1 : 0;
      x += s.sub() * sine(below);
    }
    return timbre.noise() > 0 ? x + timbre.noise() * noise() : x;
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
