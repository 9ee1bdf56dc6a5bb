package looseecho.synth;

import java.util.SplittableRandom;
import looseecho.dsp.Bend;
import looseecho.dsp.Biquad;

/**
 * Renders one drum hit at full loudness: mono, the attack at sample 0, peak about 1. Deterministic.
 */
public final class DrumSynth {
  private static final double[] CLANG_RATIOS = {1, 1.342, 1.2312, 1.6532, 1.9523, 2.1523};
  private static final double CLANG_HZ = 410;
  private static final double BURST_SECONDS = 0.011;
  private static final double SILENCE = 1e-3;

  /** Renders a sound; {@code seed} picks the noise. */
  public float[] render(DrumSound s, int rate, long seed) {
    double tail =
        Math.max(s.toneHz() > 0 ? s.toneMs() : 0, s.noise() + s.clang() > 0 ? s.noiseMs() : 0)
            / 1000;
    int length =
        (int) (rate * (tail * Math.log(1 / SILENCE) + (s.bursts() - 1) * BURST_SECONDS + 0.01));
    double[] x = new double[length];
    if (s.toneHz() > 0) {
      tone(s, rate, x);
    }
    if (s.noise() + s.clang() > 0) {
      noise(s, rate, seed, x);
    }
    double peak = 1e-9;
    for (double v : x) {
      peak = Math.max(peak, Math.abs(v));
    }
    float[] out = new float[length];
    int fade = Math.min(length, rate / 200);
    for (int i = 0; i < length; i++) {
      double end = Math.min(1, (length - i) / (double) fade);
      out[i] = (float) (x[i] / peak * end);
    }
    return out;
  }

  private static void tone(DrumSound s, int rate, double[] x) {
    double phase = 0;
    for (int i = 0; i < x.length; i++) {
      double t = (double) i / rate;
      double hz = s.toneHz() * (1 + (s.sweep() - 1) * Math.exp(-1000 * t / s.sweepMs()));
      phase += 2 * Math.PI * hz / rate;
      double attack = Math.min(1, t / 0.0006);
      x[i] += Bend.tanh(1.6 * Math.sin(phase) * Math.exp(-1000 * t / s.toneMs())) * attack;
    }
  }

  private static void noise(DrumSound s, int rate, long seed, double[] x) {
    SplittableRandom random = new SplittableRandom(seed);
    Biquad high = Biquad.highPass(rate, s.lowHz(), 0.8);
    Biquad low = Biquad.lowPass(rate, s.highHz(), 0.7);
    for (int i = 0; i < x.length; i++) {
      double t = (double) i / rate;
      double clang = s.clang() > 0 ? s.clang() * clang(t) : 0;
      double y = low.next(high.next(s.noise() * (2 * random.nextDouble() - 1) + clang));
      int burst = Math.min(s.bursts() - 1, (int) (t / BURST_SECONDS));
      double since = t - burst * BURST_SECONDS;
      double ms = burst < s.bursts() - 1 ? 5 : s.noiseMs();
      x[i] += 1.4 * y * Math.min(1, since / 0.0004) * Math.exp(-1000 * since / ms);
    }
  }

  private static double clang(double t) {
    double sum = 0;
    for (double r : CLANG_RATIOS) {
      double cycles = CLANG_HZ * r * t;
      sum += cycles - Math.floor(cycles) < 0.5 ? 1 : -1;
    }
    return sum / CLANG_RATIOS.length;
  }
}
