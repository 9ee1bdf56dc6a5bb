package looseecho.compare;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import looseecho.audio.Audio;
import looseecho.compare.Finding.Kind;
import looseecho.dsp.Loudness;
import looseecho.dsp.ThirdOctaves;
import looseecho.form.BandLevels;

/**
 * Holds two mixes against each other at one loudness: octaves from the low end up, width, range.
 */
final class MixCompare {
  private static final int[] OCTAVES = {31, 63, 125, 250, 500, 1000, 2000, 4000, 8000, 16_000};
  private static final double STEP_DB = 2;
  private static final double STEP_WIDTH = 0.05;
  private static final double STEP_LU = 2;
  private static final double FAINT_DB = -45; // below the loudest octave: nobody hears it
  private static final double LEAST = 0.1; // steps that are rounding
  private static final double OF_PARTS = 0.6; // what parts do is told there first

  private MixCompare() {}

  /** What a mix is like. */
  private record Measured(
      double[] octaves, double[] width, double loudness, double range, double crest) {
    static Measured of(Audio audio) {
      double[] means = BandLevels.of(audio).means();
      double[] octaves = new double[OCTAVES.length];
      double[] width = new double[OCTAVES.length];
      for (int o = 0; o < OCTAVES.length; o++) {
        double middle = 1e-14;
        double side = 0;
        for (int b = 0; b < ThirdOctaves.COUNT; b++) {
          double ratio = ThirdOctaves.centre(b) / OCTAVES[o];
          if (ratio > Math.sqrt(0.5) && ratio <= Math.sqrt(2)) {
            middle += means[b];
            side += means[ThirdOctaves.COUNT + b];
          }
        }
        octaves[o] = 10 * Math.log10(middle + side);
        width[o] = side / (middle + side);
      }
      Loudness meter = new Loudness();
      return new Measured(
          octaves, width, meter.integrated(audio).orElse(-70), meter.range(audio), crest(audio));
    }

    private static double crest(Audio audio) {
      return 20 * Math.log10(Math.max(1e-6, audio.peak()))
          - 10 * Math.log10(Math.max(1e-20, audio.power()));
    }
  }

  /** All octaves, their widths, range and crest. */
  static List<Finding> find(Audio reference, Audio echo) {
    Measured want = Measured.of(reference);
    Measured have = Measured.of(echo);
    double lift = want.loudness() - have.loudness();
    List<Finding> out = new ArrayList<>();
    double top = Double.NEGATIVE_INFINITY;
    for (double o : want.octaves()) {
      top = Math.max(top, o);
    }
    for (int o = 0; o < OCTAVES.length; o++) {
      boolean faint =
          want.octaves()[o] < top + FAINT_DB && have.octaves()[o] + lift < top + FAINT_DB;
      if (!faint) {
        out.add(band(o, have.octaves()[o] + lift - want.octaves()[o]));
        out.add(width(o, want.width()[o], have.width()[o]));
      }
    }
    out.add(
        dynamics(
            have.range() - want.range(),
            "The echo's loudness moves %.1f LU more than the track's.",
            "The echo's loudness moves %.1f LU less than the track's: build it up further."));
    out.add(
        dynamics(
            have.crest() - want.crest(),
            "The echo's peaks stand %.1f dB further out: press it more, or soften its attacks.",
            "The echo is pressed %.1f dB more than the track."));
    return out;
  }

  private static Finding band(int octave, double db) {
    String words =
        String.format(
            Locale.ROOT,
            "%.1f dB too %s around %s.",
            Math.abs(db),
            db > 0 ? "much" : "little",
            hertz(octave));
    return finding(Kind.BAND, Math.abs(db) / STEP_DB, words);
  }

  private static Finding width(int octave, double want, double have) {
    String words =
        String.format(
            Locale.ROOT,
            "Around %s the echo is %s: %.0f %% at the sides, %.0f %% in the track.",
            hertz(octave),
            have > want ? "wider" : "narrower",
            100 * have,
            100 * want);
    return finding(Kind.WIDTH, Math.abs(have - want) / STEP_WIDTH, words);
  }

  private static Finding dynamics(double more, String above, String below) {
    String words = String.format(Locale.ROOT, more > 0 ? above : below, Math.abs(more));
    return finding(Kind.DYNAMICS, Math.abs(more) / STEP_LU, words);
  }

  private static Finding finding(Kind kind, double steps, String words) {
    double noticed = steps < LEAST ? 0 : OF_PARTS * steps;
    return Finding.of(kind, Finding.MIX, noticed, words);
  }

  private static String hertz(int octave) {
    return OCTAVES[octave] < 1000 ? OCTAVES[octave] + " Hz" : OCTAVES[octave] / 1000 + " kHz";
  }
}
