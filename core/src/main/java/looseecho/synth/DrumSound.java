package looseecho.synth;

import looseecho.reading.Limits;

/**
 * The recipe of a synthesised drum: a swept tone, a band of noise, and a clang of square waves.
 *
 * @param toneHz pitch that the tone settles on; 0 leaves it out
 * @param sweep how many times higher it starts
 * @param sweepMs time constant of the sweep
 * @param toneMs time constant of the tone's decay
 * @param noise level of the noise, 0..1
 * @param lowHz lower edge of the noise band
 * @param highHz upper edge of the noise band
 * @param noiseMs time constant of the noise's decay
 * @param clang level of the clang, 0..1
 * @param bursts attacks in a row, 1 for all but claps
 */
public record DrumSound(
    double toneHz,
    double sweep,
    double sweepMs,
    double toneMs,
    double noise,
    double lowHz,
    double highHz,
    double noiseMs,
    double clang,
    int bursts)
    implements Source {
  private static final double LONGEST_MS = 10_000; // to 1/e: it rings for seven times as long

  public DrumSound {
    Limits.within("toneHz", toneHz, 0, Limits.HERTZ);
    Limits.within("sweep", sweep, 0, 100);
    Limits.within("sweepMs", sweepMs, 0.01, Limits.SOUND_MS);
    Limits.within("toneMs", toneMs, 0, LONGEST_MS);
    Limits.within("noise", noise, 0, 10);
    Limits.within("lowHz", lowHz, 1, Limits.HERTZ);
    Limits.within("highHz", highHz, lowHz, Limits.HERTZ);
    Limits.within("noiseMs", noiseMs, 0, LONGEST_MS);
    Limits.within("clang", clang, 0, 10);
    Limits.within("bursts", bursts, 1, Limits.BURSTS);
  }

  /** What a slider changes; bursts are whole. */
  public enum Dial {
    TONE,
    SWEEP,
    SWEEP_MS,
    TONE_MS,
    NOISE,
    LOW,
    HIGH,
    NOISE_MS,
    CLANG,
    BURSTS
  }

  /** The value of a dial. */
  public double get(Dial dial) {
    return values()[dial.ordinal()];
  }

  /** The same with one dial turned; the edges of the noise keep their order. */
  public DrumSound with(Dial dial, double value) {
    double[] v = values();
    v[dial.ordinal()] = value;
    v[Dial.HIGH.ordinal()] = Math.max(v[Dial.LOW.ordinal()] * 1.2, v[Dial.HIGH.ordinal()]);
    return new DrumSound(
        v[0], v[1], v[2], v[3], v[4], v[5], v[6], v[7], v[8], (int) Math.round(v[9]));
  }

  private double[] values() {
    return new double[] {
      toneHz, sweep, sweepMs, toneMs, noise, lowHz, highHz, noiseMs, clang, bursts
    };
  }

  /** The same with another pitch. */
  public DrumSound tuned(double hz) {
    return new DrumSound(hz, sweep, sweepMs, toneMs, noise, lowHz, highHz, noiseMs, clang, bursts);
  }

  /** The same ringing so many times as long. */
  public DrumSound longer(double times) {
    double tone = Math.min(LONGEST_MS, toneMs * times);
    double hiss = Math.min(LONGEST_MS, noiseMs * times);
    return new DrumSound(toneHz, sweep, sweepMs, tone, noise, lowHz, highHz, hiss, clang, bursts);
  }

  /** The same with another upper edge of its noise. */
  public DrumSound brighter(double hz) {
    double high = Math.max(lowHz * 1.2, hz);
    return new DrumSound(
        toneHz, sweep, sweepMs, toneMs, noise, lowHz, high, noiseMs, clang, bursts);
  }
}
