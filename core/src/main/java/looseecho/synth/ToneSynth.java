package looseecho.synth;

import looseecho.dsp.Bend;

/** Renders one note: mono, attack at sample 0. Deterministic. */
public final class ToneSynth {
  private static final int CONTROL = 16; // samples between two settings of the filter
  private static final int TABLE = 4096;
  private static final double[] SINE = table();
  private static final double TAIL = 5; // time constants of release rendered

  /**
   * Renders a note.
   *
   * @param pitch MIDI number, fractions allowed
   * @param seconds how long the key is held
   * @param velocity 1..127; softer notes are darker too
   */
  public float[] render(ToneSound s, double pitch, double seconds, int velocity, int rate) {
    return render(s, pitch, seconds, velocity, 0, 0, rate);
  }

  /**
   * Renders a note that slides to its pitch.
   *
   * @param slide semitones away at which it begins
   * @param slideSeconds how long it slides, evenly in semitones
   */
  public float[] render(
      ToneSound s,
      double pitch,
      double seconds,
      int velocity,
      double slide,
      double slideSeconds,
      int rate) {
    double hz = 440 * Math.pow(2, (pitch - 69) / 12);
    int held = (int) (seconds * rate);
    int length = length(s, seconds, rate);
    float[] out = new float[length];
    double loud = Math.pow(velocity / 127.0, 1.4);
    double[] phase = new double[s.voices()];
    for (int v = 0; v < phase.length; v++) {
      phase[v] = v * 0.37 % 1;
    }
    double[] home = steps(s, hz, rate);
    double[] steps = home.clone();
    double g = 0;
    double below = 0;
    double atEnd = envelope(s, seconds);
    double[] state = new double[2];
    double fall = 1; // the decay, and from the end on the release, as steady factors
    double fallStep = Math.exp(-1000 / (s.decayMs() * rate));
    double release = atEnd;
    double releaseStep = Math.exp(-1000 / (s.releaseMs() * rate));
    for (int i = 0; i < length; i++) {
      double t = (double) i / rate;
      double level = i < held ? rise(s, t) * (s.sustain() + (1 - s.sustain()) * fall) : release;
      fall *= fallStep;
      release *= i < held ? 1 : releaseStep;
      if (i % CONTROL == 0) {
        double away = slide != 0 && t < slideSeconds ? slide * (1 - t / slideSeconds) : 0;
        for (int v = 0; v < steps.length; v++) {
          steps[v] = away == 0 ? home[v] : home[v] * Math.pow(2, away / 12);
        }
        double cutoff = s.cutoffHz() + s.openHz() * loud * Math.exp(-1000 * t / s.decayMs());
        g = 1 - Math.exp(-2 * Math.PI * Math.min(cutoff, rate * 0.4) / rate);
      }
      double x = oscillators(s, phase, steps);
      if (s.sub() > 0) {
        below += steps[0] / 2;
        below -= below >= 1 ? 1 : 0;
        x += s.sub() * sine(below);
      }
      state[0] += g * (x - state[0]);
      state[1] += g * (state[0] - state[1]);
      double y = state[1] * level;
      out[i] =
          (float)
              (loud * (s.drive() > 0 ? Bend.tanh(y * (1 + s.drive())) / (1 + 0.5 * s.drive()) : y));
    }
    return out;
  }

  /** Samples that a note held so long sounds for. */
  public static int length(ToneSound s, double seconds, int rate) {
    return (int) (seconds * rate) + (int) (TAIL * s.releaseMs() / 1000 * rate);
  }

  /** Cycles per sample of each voice. */
  private static double[] steps(ToneSound s, double hz, int rate) {
    double[] steps = new double[s.voices()];
    for (int v = 0; v < steps.length; v++) {
      double spread = steps.length == 1 ? 0 : 2.0 * v / (steps.length - 1) - 1;
      steps[v] = hz * Math.pow(2, spread * s.detuneCents() / 1200) / rate;
    }
    return steps;
  }

  private static double oscillators(ToneSound s, double[] phase, double[] steps) {
    double sum = 0;
    for (int v = 0; v < phase.length; v++) {
      phase[v] += steps[v];
      phase[v] -= phase[v] >= 1 ? 1 : 0;
      double saw = s.saw() > 0 ? 2 * phase[v] - 1 - polyBlep(phase[v], steps[v]) : 0;
      double sine = s.saw() < 1 ? sine(phase[v]) : 0;
      sum += s.saw() * saw + (1 - s.saw()) * sine;
    }
    return sum / Math.sqrt(phase.length);
  }

  /** Sine of a phase in cycles, 0..1, from a table; within 3e-7 of the exact one. */
  private static double sine(double phase) {
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

  private static double envelope(ToneSound s, double t) {
    return rise(s, t) * (s.sustain() + (1 - s.sustain()) * Math.exp(-1000 * t / s.decayMs()));
  }

  private static double rise(ToneSound s, double t) {
    return s.attackMs() <= 0 ? 1 : Math.min(1, 1000 * t / s.attackMs());
  }
}
