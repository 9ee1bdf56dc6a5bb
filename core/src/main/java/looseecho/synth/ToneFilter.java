package looseecho.synth;

import looseecho.dsp.Biquad;
import looseecho.dsp.StateFilter;

/** The filter of one note, which its envelope and its wobble move. Belongs to one rendering. */
final class ToneFilter {
  private static final double VOWEL_Q = 9; // formants are some 80 to 100 Hz wide (handbooks)
  private static final double[] FORMANT_LEVELS = {1, 0.5, 0.25};
  private static final double LOWEST_HZ = 20;

  private final ToneSound s;
  private final Timbre timbre;
  private final ToneSynth.Played note;
  private final int rate;
  private final StateFilter state;
  private final Biquad[] formants;
  private double g;
  private double first;
  private double second;

  ToneFilter(ToneSound s, ToneSynth.Played note, int rate) {
    this.s = s;
    this.timbre = s.timbre();
    this.note = note;
    this.rate = rate;
    this.state = new StateFilter(rate);
    double[] hertz = timbre.vowel().hertz();
    formants = new Biquad[timbre.filter() == Timbre.Filter.VOWEL ? hertz.length : 0];
    for (int k = 0; k < formants.length; k++) {
      formants[k] = Biquad.bandPass(rate, hertz[k], VOWEL_Q);
    }
  }

  /** Sets the edge for a time since the attack; louder notes open further. */
  void move(double t, double loud) {
    double hz = s.cutoffHz() + s.openHz() * loud * Math.exp(-1000 * t / s.decayMs());
    if (timbre.wobbleBeats() > 0) {
      double cycle = t / (timbre.wobbleBeats() * note.beatSeconds());
      hz *= Math.pow(2, timbre.wobbleOctaves() * Oscillators.sine(cycle - Math.floor(cycle)));
    }
    if (timbre.filter() == Timbre.Filter.SOFT) {
      g = 1 - Math.exp(-2 * Math.PI * Math.min(hz, rate * 0.4) / rate);
    } else {
      state.set(Math.max(LOWEST_HZ, hz), timbre.resonance());
    }
  }

  double next(double x) {
    return switch (timbre.filter()) {
      case SOFT -> soft(x);
      case LOW -> {
        state.next(x);
        yield state.low();
      }
      case HIGH -> {
        state.next(x);
        yield state.high();
      }
      case BAND -> {
        state.next(x);
        yield state.band();
      }
      case VOWEL -> {
        double y = 0;
        for (int k = 0; k < formants.length; k++) {
          y += FORMANT_LEVELS[k] * formants[k].next(x);
        }
        yield 2 * y;
      }
    };
  }

  private double soft(double x) {
    first += g * (x - first);
    second += g * (first - second);
    return second;
  }
}
