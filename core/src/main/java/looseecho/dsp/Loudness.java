package looseecho.dsp;

import java.util.OptionalDouble;
import java.util.concurrent.CompletableFuture;
import java.util.function.DoublePredicate;
import java.util.stream.IntStream;
import looseecho.audio.Audio;
import looseecho.reading.Together;

/**
 * Integrated loudness in LUFS: K-weighting, 400 ms blocks overlapping by three quarters, absolute
 * gate at -70 LUFS and relative gate 10 LU below.
 *
 * <p>Source: Recommendation ITU-R BS.1770-4 (2015), annex 1. The filters are given there for 48
 * kHz; here their analogue prototypes are designed anew for the sampling rate (as in the EBU R 128
 * reference implementations).
 */
public final class Loudness {
  private static final double ABSOLUTE_GATE = -70;
  private static final double RELATIVE_GATE = -10;
  private static final double RANGE_GATE = -20;
  private static final int BLOCK = 4; // tenths of a second
  private static final int SHORT_TERM = 30; // tenths of a second

  /** Loudness of the whole sound; empty for silence or less than 400 ms. */
  public OptionalDouble integrated(Audio audio) {
    double[] tenths = tenths(audio);
    if (tenths.length < BLOCK) {
      return OptionalDouble.empty();
    }
    double gated = gated(tenths);
    return gated == 0 ? OptionalDouble.empty() : OptionalDouble.of(-0.691 + 10 * Math.log10(gated));
  }

  /**
   * Mean of weighted powers, one in each tenth of a second, over the blocks that pass both gates; 0
   * where none does.
   */
  public static double gated(double[] tenths) {
    double[] blocks = blocks(tenths, Math.max(1, Math.min(BLOCK, tenths.length)));
    double least = power(ABSOLUTE_GATE);
    double gate = meanAbove(blocks, least).orElse(0) * Math.pow(10, RELATIVE_GATE / 10);
    return meanAbove(blocks, Math.max(least, gate)).orElse(0);
  }

  /** The same of a sound, over the tenths of a second whose middles, in seconds, count. */
  public static double gated(Audio audio, DoublePredicate counts) {
    double[] all = tenths(audio);
    return gated(
        IntStream.range(0, all.length)
            .filter(k -> counts.test((k + 0.5) / 10))
            .mapToDouble(k -> all[k])
            .toArray());
  }

  /**
   * Loudness range in LU: the spread from the tenth to the 95th hundredth of what is heard in 3 s;
   * 0 for silence or less than 3 s. Source: EBU Tech 3342 (2016).
   */
  public double range(Audio audio) {
    double[] energy = tenths(audio);
    if (energy.length < SHORT_TERM) {
      return 0;
    }
    double[] blocks = blocks(energy, SHORT_TERM);
    OptionalDouble ungated = meanAbove(blocks, power(ABSOLUTE_GATE));
    if (ungated.isEmpty()) {
      return 0;
    }
    double gate =
        Math.max(power(ABSOLUTE_GATE), ungated.getAsDouble() * Math.pow(10, RANGE_GATE / 10));
    double[] heard = java.util.Arrays.stream(blocks).filter(b -> b > gate).sorted().toArray();
    double low = heard[(int) Math.round(0.10 * (heard.length - 1))];
    double high = heard[(int) Math.round(0.95 * (heard.length - 1))];
    return 10 * Math.log10(high / low);
  }

  /** Weighted energy of both sides in each tenth of a second. */
  private static double[] tenths(Audio audio) {
    int tenth = audio.sampleRate() / 10;
    int tenths = audio.length() / tenth;
    CompletableFuture<double[]> right = Together.beside(() -> energy(audio, 1, tenths, tenth));
    double[] energy = energy(audio, 0, tenths, tenth);
    double[] other = Together.joined(right);
    for (int i = 0; i < tenths; i++) {
      energy[i] += other[i];
    }
    return energy;
  }

  /** Means over so many tenths, one begun in each. */
  private static double[] blocks(double[] energy, int length) {
    double[] out = new double[energy.length - length + 1];
    for (int i = 0; i < out.length; i++) {
      double sum = 0;
      for (int k = 0; k < length; k++) {
        sum += energy[i + k];
      }
      out[i] = sum / length;
    }
    return out;
  }

  /** Mean square of the weighted side in each tenth of a second. */
  private static double[] energy(Audio audio, int side, int tenths, int tenth) {
    Biquad shelf = shelf(audio.sampleRate());
    Biquad high = high(audio.sampleRate());
    double[] out = new double[tenths];
    for (int k = 0; k < tenths; k++) {
      float[] x = audio.channel(side, k * tenth, tenth);
      shelf.run(x);
      high.run(x);
      double sum = 0;
      for (float y : x) {
        sum += (double) y * y;
      }
      out[k] = sum / tenth;
    }
    return out;
  }

  private static OptionalDouble meanAbove(double[] blocks, double gate) {
    return java.util.Arrays.stream(blocks).filter(b -> b > gate).average();
  }

  private static double power(double lufs) {
    return Math.pow(10, (lufs + 0.691) / 10);
  }

  /** First stage: the head's high shelf, about +4 dB above 1.5 kHz. */
  private static Biquad shelf(double rate) {
    double k = Math.tan(Math.PI * 1681.974450955533 / rate);
    double q = 0.7071752369554196;
    double vh = Math.pow(10, 3.999843853973347 / 20);
    double vb = Math.pow(vh, 0.4996667741545416);
    double a0 = 1 + k / q + k * k;
    return new Biquad(
        (vh + vb * k / q + k * k) / a0,
        2 * (k * k - vh) / a0,
        (vh - vb * k / q + k * k) / a0,
        2 * (k * k - 1) / a0,
        (1 - k / q + k * k) / a0);
  }

  /** Second stage: high-pass around 38 Hz. */
  private static Biquad high(double rate) {
    double k = Math.tan(Math.PI * 38.13547087602444 / rate);
    double q = 0.5003270373238773;
    double a0 = 1 + k / q + k * k;
    return new Biquad(1, -2, 1, 2 * (k * k - 1) / a0, (1 - k / q + k * k) / a0);
  }
}
