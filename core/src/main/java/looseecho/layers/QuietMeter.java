package looseecho.layers;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.DoubleStream;
import looseecho.audio.Audio;
import looseecho.dsp.ThirdOctaves;

/**
 * Measures noise that is heard between all else: the mix at quiet moments. Below 4 kHz held notes
 * fill those, so there noise is taken to be at most as dense as it is at 4 and 5 kHz.
 */
final class QuietMeter {
  private static final double MOMENT = 0.0232; // seconds
  private static final double LOWEST = 100; // hertz
  private static final double CLEAR = 3500; // hertz, from where on it is taken as it is
  private static final double TYPICAL = 0.4; // of the moments stay below: strokes end in some
  private static final int SHARE = 5; // the quietest fifth

  private final SoundProbe probe;

  QuietMeter(Audio audio) {
    this.probe = new SoundProbe(audio, MOMENT);
  }

  /** What is typical, band by band, at moments that are known to be quiet, in seconds. */
  BandPowers at(double... moments) {
    return capped(BandPowers.typical(Arrays.stream(moments).mapToObj(this::at).toList(), TYPICAL));
  }

  /** Mean powers of the quietest moments of a stretch. */
  BandPowers within(double start, double end) {
    List<BandPowers> moments =
        DoubleStream.iterate(start, t -> t + MOMENT < end, t -> t + MOMENT)
            .mapToObj(this::at)
            .sorted(Comparator.comparingDouble(p -> p.between(BandPowers.MIDDLE, CLEAR, 1e6)))
            .toList();
    BandPowers sum = new BandPowers();
    moments.stream().limit(Math.max(1, moments.size() / SHARE)).forEach(sum::add);
    return capped(sum);
  }

  private BandPowers at(double time) {
    BandPowers one = new BandPowers();
    probe.moment(time, LOWEST, 20_000, one);
    return one;
  }

  private static BandPowers capped(BandPowers heard) {
    BandPowers out = new BandPowers();
    int clear = ThirdOctaves.band(4000);
    for (int view = 0; view < 4; view++) {
      double density =
          (heard.mean(view, clear) + heard.mean(view, clear + 1)) / (wide(clear) + wide(clear + 1));
      for (int b = 0; b < BandPowers.BANDS; b++) {
        boolean below = ThirdOctaves.centre(b) < CLEAR;
        double power = heard.mean(view, b);
        out.add(view, b, below ? Math.min(power, density * wide(b)) : power);
      }
    }
    out.count(1);
    return out;
  }

  private static double wide(int band) {
    return ThirdOctaves.high(band) - ThirdOctaves.low(band);
  }
}
