package looseecho.hits;

import java.util.Arrays;
import java.util.Collections;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.reading.Ordered;
import looseecho.reading.Together;

/**
 * Hears several sounds within one lane: hats and percussion that stand on two sides, percussion of
 * two heights, kicks with and without a low end. Two sounds count only when they lie far apart for
 * their width ({@link TwoMeans}), both are struck often, and heights and bodies keep to their
 * places in the bar. Sides are read where a lane plays alone, since whatever else is struck pulls
 * it to its own side; the other hits follow those on their place of the bar. Thresholds were chosen
 * on songs of our own making (docs/accuracy.md).
 */
final class VoiceFinder {
  private static final int FEWEST = 12; // hits of a voice
  private static final double LEAST_SHARE = 0.2;
  private static final double SEPARATION = 16;
  private static final double PURE = 0.85;
  private static final double NEAR = 0.05; // seconds
  private static final double SIDES_APART = 0.3; // of pans, -1 to 1
  private static final double CENTRAL = 0.12;
  private static final double HEIGHTS_APART = 0.6; // octaves
  private static final double BODIES_APART = 9; // dB

  private static final double[] HATS = {6000, 16000};
  private static final double[] HAND = {300, 9000};
  private static final double[] BODY = {35, 110};
  private static final double[] THUMP = {160, 800};

  private final Strokes strokes;

  /**
   * What tells the voices of a stroke apart.
   *
   * @param bodyDb its low end against its thump
   * @param hatPan of the band of hats, -1 left .. 1 right
   * @param handPan of the band of percussion
   * @param handHeight mean frequency of that band, in octaves
   */
  record Look(double bodyDb, double hatPan, double handPan, double handHeight) {
    static Look of(StruckSpectrum.Sides s) {
      double[] low = s.between(BODY[0], BODY[1]);
      double[] high = s.between(THUMP[0], THUMP[1]);
      return new Look(
          10 * Math.log10((low[0] + low[1] + 1e-12) / (high[0] + high[1] + 1e-12)),
          s.pan(HATS[0], HATS[1]),
          s.pan(HAND[0], HAND[1]),
          s.centroid(HAND[0], HAND[1]));
    }
  }

  private static final List<Lane> VOICED =
      List.of(Lane.KICK, Lane.HAT_CLOSED, Lane.HAT_OPEN, Lane.RIDE, Lane.PERCUSSION);

  VoiceFinder(Strokes strokes) {
    this.strokes = strokes;
  }

  /** The same hits in the same order, some of them with a voice. */
  List<Hit> find(List<Hit> hits) {
    Hit[] out = hits.toArray(new Hit[0]);
    Together.each(VOICED, lane -> find(hits, lane, out)); // each has its own places
    return List.of(out);
  }

  private void find(List<Hit> hits, Lane lane, Hit[] out) {
    int[] at = IntStream.range(0, out.length).filter(i -> hits.get(i).lane() == lane).toArray();
    if (at.length < 2 * FEWEST) {
      return;
    }
    List<Look> looks =
        strokes.looks(Arrays.stream(at).mapToDouble(i -> hits.get(i).time()).toArray());
    voices(hits, lane, at, looks)
        .ifPresent(
            voices -> {
              for (int k = 0; k < at.length; k++) {
                out[at[k]] = hits.get(at[k]).withVoice(voices[k]);
              }
            });
  }

  private Optional<Voice[]> voices(List<Hit> hits, Lane lane, int[] at, List<Look> looks) {
    if (lane == Lane.KICK) {
      double[] body = values(looks, Look::bodyDb);
      return apart(body, BODIES_APART)
          .filter(two -> VoiceSorter.purity(hits, at, two.groups()) >= PURE)
          .map(two -> named(two, Voice.THIN, Voice.BODY));
    }
    Optional<Voice[]> sides =
        sides(hits, at, values(looks, lane == Lane.PERCUSSION ? Look::handPan : Look::hatPan));
    if (sides.isPresent() || lane != Lane.PERCUSSION) {
      return sides;
    }
    return apart(values(looks, Look::handHeight), HEIGHTS_APART)
        .filter(two -> VoiceSorter.purity(hits, at, two.groups()) >= PURE)
        .map(two -> named(two, Voice.LOW, Voice.HIGH));
  }

  private static Optional<Voice[]> sides(List<Hit> hits, int[] at, double[] pans) {
    int[] alone = IntStream.range(0, at.length).filter(k -> isAlone(hits, at[k])).toArray();
    if (alone.length < 2 * FEWEST) {
      return Optional.empty();
    }
    return apart(Arrays.stream(alone).mapToDouble(k -> pans[k]).toArray(), SIDES_APART)
        .map(two -> follow(hits, at, alone, sides(two)));
  }

  /** No other drum within 50 ms. */
  private static boolean isAlone(List<Hit> hits, int i) {
    Hit h = hits.get(i);
    int k = Ordered.first(hits, Hit::time, h.time() - NEAR);
    while (k < hits.size() && hits.get(k).time() <= h.time() + NEAR) {
      if (hits.get(k).lane() != h.lane()) {
        return false;
      }
      k++;
    }
    return true;
  }

  /** All hits: those that play alone as they are, the others as most on their place of the bar. */
  private static Voice[] follow(List<Hit> hits, int[] at, int[] alone, Voice[] sides) {
    Map<Integer, Map<Voice, Integer>> places = new HashMap<>();
    Map<Voice, Integer> all = new EnumMap<>(Voice.class);
    for (int k = 0; k < alone.length; k++) {
      int tick = hits.get(at[alone[k]]).tick();
      places
          .computeIfAbsent(tick, t -> new EnumMap<>(Voice.class))
          .merge(sides[k], 1, Integer::sum);
      all.merge(sides[k], 1, Integer::sum);
    }
    Voice[] out = new Voice[at.length];
    for (int k = 0; k < at.length; k++) {
      out[k] = most(places.getOrDefault(hits.get(at[k]).tick(), all));
    }
    for (int k = 0; k < alone.length; k++) {
      out[alone[k]] = sides[k];
    }
    return out;
  }

  private static Voice most(Map<Voice, Integer> counts) {
    return Collections.max(counts.entrySet(), Map.Entry.comparingByValue()).getKey();
  }

  private static double[] values(List<Look> looks, ToDoubleFunction<Look> measure) {
    return looks.stream().mapToDouble(measure).toArray();
  }

  private static Optional<TwoMeans> apart(double[] values, double least) {
    TwoMeans two = TwoMeans.of(values);
    boolean often = two.fewer() >= Math.max(FEWEST, LEAST_SHARE * values.length);
    double distance = Math.abs(two.centre(0)[0] - two.centre(1)[0]);
    return often && distance >= least && two.separation() >= SEPARATION
        ? Optional.of(two)
        : Optional.empty();
  }

  private static Voice[] sides(TwoMeans two) {
    double low = Math.min(two.centre(0)[0], two.centre(1)[0]);
    double high = Math.max(two.centre(0)[0], two.centre(1)[0]);
    // Two sounds on one side are still the one further out and the one nearer to the middle.
    Voice left = low < -CENTRAL ? Voice.LEFT : Voice.MIDDLE;
    Voice right = high > CENTRAL ? Voice.RIGHT : Voice.MIDDLE;
    return named(two, left, right);
  }

  private static Voice[] named(TwoMeans two, Voice low, Voice high) {
    int lower = two.centre(0)[0] < two.centre(1)[0] ? 0 : 1;
    return Arrays.stream(two.groups()).mapToObj(g -> g == lower ? low : high).toArray(Voice[]::new);
  }
}
