package looseecho.layers;

import java.util.ArrayList;
import java.util.List;

/** Tells which part of the range nobody fills while a track is at its fullest; common practice. */
public final class GapFinder {
  private static final double FULL = 0.75; // of the most layers at once
  private static final double STEP = 0.5; // seconds

  private enum Range {
    SUB(30, 60, "no sub below 60 Hz", "an octave below the bass, plain, in the middle"),
    BODY(80, 160, "no body around 100 Hz", "the kick or a bass with overtones"),
    WARMTH(250, 500, "nothing between 250 and 500 Hz", "a low chord or a tom"),
    MIDDLE(700, 1800, "no middle around 1 kHz", "a chord, a riff or a voice"),
    PRESENCE(2500, 5000, "no presence around 3 kHz", "an attack on top of the snare"),
    AIR(8000, 12_000, "no air above 8 kHz", "a quiet hat or a bed of noise");

    private final double low;
    private final double high;
    private final String what;
    private final String remedy;

    Range(double low, double high, String what, String remedy) {
      this.low = low;
      this.high = high;
      this.what = what;
      this.remedy = remedy;
    }
  }

  private GapFinder() {}

  /** Sentences, from the low end up; none where all is filled or there are no layers. */
  public static List<String> find(List<HeardLayer> layers) {
    double end =
        layers.stream()
            .flatMap(l -> l.active().stream())
            .mapToDouble(HeardLayer.Span::end)
            .max()
            .orElse(0);
    int most = 0;
    for (double t = 0; t < end; t += STEP) {
      most = Math.max(most, at(layers, t).size());
    }
    List<String> out = new ArrayList<>();
    for (Range r : Range.values()) {
      int full = 0;
      int filled = 0;
      for (double t = 0; t < end; t += STEP) {
        List<HeardLayer> now = at(layers, t);
        if (now.size() >= FULL * most) {
          full++;
          filled += now.stream().anyMatch(l -> l.lowHz() <= r.high && l.highHz() >= r.low) ? 1 : 0;
        }
      }
      if (full > 0 && filled < full / 2.0) {
        out.add(r.what + ": room for " + r.remedy);
      }
    }
    return out;
  }

  private static List<HeardLayer> at(List<HeardLayer> layers, double time) {
    return layers.stream().filter(l -> l.sounds(time)).toList();
  }
}
