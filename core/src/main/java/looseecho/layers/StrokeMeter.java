package looseecho.layers;

import java.util.Arrays;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.hits.Hit;
import looseecho.reading.Ordered;
import looseecho.separate.Stem;

/**
 * Measures a layer of strokes: how loud by the mix, where nothing else is struck if that happens
 * often enough; where it stands by what was parted from the mix, unless the separator took most of
 * it for something else.
 */
final class StrokeMeter {
  private static final int MOST_LOOKS = 60; // strokes that are looked at
  private static final int ALONE = 6; // strokes that play by themselves, to do without the others
  private static final double NEAR = 0.05;
  private static final double STROKE_SECONDS = 0.046;
  private static final double DECAY = 4.6; // of 20 dB in time constants of power
  private static final double FOUND = 0.25; // of a layer's power in its group
  private static final double SHORTEST = 0.03;
  private static final double LONGEST = 0.4;

  /** Of strokes that always have others beside them the louder ones tell of those. */
  private static final double TYPICAL = 0.4;

  private final Audio audio;
  private final StemMeter meter;
  private final List<Hit> all;

  /** With all strokes, in order of time. */
  StrokeMeter(Audio audio, StemMeter meter, List<Hit> all) {
    this.audio = audio;
    this.meter = meter;
    this.all = List.copyOf(all);
  }

  /** Of a lane's strokes, at least one, which sound within so many seconds. */
  LayerFinder.Measures measure(Lane lane, List<Hit> hits, double seconds) {
    SoundProbe probe = new SoundProbe(audio, STROKE_SECONDS);
    List<Hit> bare = hits.stream().filter(h -> isAlone(h, o -> true)).toList();
    List<BandPowers> each =
        some(bare.size() >= ALONE ? bare : hits).stream()
            .map(
                h -> {
                  BandPowers one = new BandPowers();
                  probe.stroke(h.time(), lowest(lane), highest(lane), one);
                  return one;
                })
            .toList();
    BandPowers mixed = BandPowers.typical(each, TYPICAL);
    double mean = loudness(lane, each, bare.size() >= ALONE, mixed) * sounding(hits) / seconds;
    BandPowers apart = apart(lane, hits);
    boolean found = apart.loudness() * hits.size() / seconds > FOUND * mean;
    return new LayerFinder.Measures(found ? apart : mixed, mean);
  }

  /**
   * Of a stroke: the mean of those that play alone; quiet lanes by what is typical of each band.
   */
  private static double loudness(
      Lane lane, List<BandPowers> each, boolean alone, BandPowers typical) {
    if (lane.base() == Lane.PERCUSSION || lane.base() == Lane.CYMBAL) {
      return typical.loudness();
    }
    double[] loud = each.stream().mapToDouble(BandPowers::loudness).sorted().toArray();
    return alone ? Arrays.stream(loud).average().orElse(0) : loud[(int) (TYPICAL * loud.length)];
  }

  private BandPowers apart(Lane lane, List<Hit> hits) {
    Stem stem = Stem.of(lane);
    double[] struck =
        all.stream().filter(h -> Stem.of(h.lane()) == stem).mapToDouble(Hit::time).toArray();
    List<Hit> alone =
        hits.stream().filter(h -> isAlone(h, o -> Stem.of(o.lane()) == stem)).toList();
    BandPowers out = new BandPowers();
    for (Hit h : some(alone.size() >= ALONE ? alone : hits)) {
      double next = Arrays.stream(struck).filter(t -> t > h.time() + NEAR).findFirst().orElse(1e9);
      meter.stroke(stem, h.time(), Math.min(h.time() + length(h, 1), next - NEAR), out);
    }
    return out;
  }

  /** Not struck together with another lane's stroke among some. */
  private boolean isAlone(Hit h, Predicate<Hit> among) {
    int from = Ordered.first(all, Hit::time, h.time() - NEAR);
    return all.subList(from, Ordered.first(all, Hit::time, h.time() + NEAR)).stream()
        .noneMatch(o -> o.lane() != h.lane() && among.test(o));
  }

  private static List<Hit> some(List<Hit> hits) {
    int step = Math.max(1, hits.size() / MOST_LOOKS);
    return IntStream.iterate(0, k -> k < hits.size(), k -> k + step).mapToObj(hits::get).toList();
  }

  private static double sounding(List<Hit> hits) {
    return hits.stream().mapToDouble(h -> length(h, DECAY)).sum();
  }

  /** Seconds of a stroke, or of a part of it, within bounds. */
  private static double length(Hit h, double part) {
    return Math.max(SHORTEST, Math.min(LONGEST, h.lengthMs() / 1000 / part));
  }

  /** Where a lane has something to say: below lies what others play. */
  private static double lowest(Lane lane) {
    return switch (lane.base()) {
      case KICK -> 30;
      case SNARE -> 100;
      case CLAP -> 400;
      case HAT_CLOSED, HAT_OPEN -> 3000;
      case TOM -> 60;
      case CYMBAL -> 2000;
      default -> 180;
    };
  }

  private static double highest(Lane lane) {
    return lane == Lane.KICK || lane.base() == Lane.TOM ? 5000 : 20_000;
  }
}
