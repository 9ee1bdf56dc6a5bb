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
 * often enough, over the length of each; where it stands by what was parted from the mix, unless
 * the separator took most of it for something else.
 */
final class StrokeMeter {
  private static final int MOST_LOOKS = 60; // strokes that are looked at
  private static final int ALONE = 6; // strokes that play by themselves, to do without the others
  private static final double NEAR = 0.05;
  private static final double BEGINNING = 0.046; // seconds
  private static final double EDGE = 0.003; // before the next stroke
  private static final double FOUND = 0.25; // of a layer's power in its group
  private static final double SHORTEST = 0.03;
  private static final double LONGEST = 0.4;
  private static final double LONGEST_CYMBAL = 2.5;

  /** Of strokes that always have others beside them the louder ones tell of those. */
  private static final double TYPICAL = 0.4;

  /** Percussion is softer than what is struck with it, and struck often. */
  private static final double SOFTEST = 0.2;

  private final Audio audio;
  private final StemMeter meter;
  private final List<Hit> all;

  /** With all strokes, in order of time. */
  StrokeMeter(Audio audio, StemMeter meter, List<Hit> all) {
    this.audio = audio;
    this.meter = meter;
    this.all = List.copyOf(all);
  }

  /** Of a lane's strokes, at least one, in the stretches in which it plays. */
  LayerFinder.Measures measure(Lane lane, List<Hit> hits, List<HeardLayer.Span> active) {
    List<Hit> bare = hits.stream().filter(h -> isAlone(h, o -> true)).toList();
    boolean alone = bare.size() >= ALONE;
    List<Hit> looked = some(alone ? bare : hits);
    boolean hats = alone && lane.family().equals("hats"); // which are softer where they are alone
    double louder = hats ? square(hits) / square(bare) : 1;
    double mixed = louder * loudness(lane, looked, alone);
    BandPowers apart = apart(lane, hits);
    boolean found = apart.loudness() > FOUND * mixed;
    double one = found && !alone && isPartedWell(lane) ? apart.loudness() : mixed;
    LevelCourse course = new LevelCourse(audio.duration());
    hits.forEach(h -> course.stroke(h.time(), length(lane, h), one));
    return new LayerFinder.Measures(found ? apart : beginnings(lane, looked), course.gated(active));
  }

  /**
   * What plays at the ends of the spectrum is parted nearer than the mix beside others tells it.
   */
  private static boolean isPartedWell(Lane lane) {
    return Stem.of(lane) == Stem.KICK || Stem.of(lane) == Stem.HATS;
  }

  /** Typical powers of strokes' first moments. */
  private BandPowers beginnings(Lane lane, List<Hit> hits) {
    SoundProbe probe = new SoundProbe(audio, BEGINNING);
    return BandPowers.typical(hits.stream().map(h -> stroke(probe, lane, h)).toList(), TYPICAL);
  }

  private static BandPowers stroke(SoundProbe probe, Lane lane, Hit h) {
    BandPowers out = new BandPowers();
    probe.stroke(h.time(), lowest(lane), highest(lane), out);
    return out;
  }

  /**
   * Loudness times seconds of a stroke: the mean of those that play alone; quiet lanes by what is
   * typical of each band.
   */
  private double loudness(Lane lane, List<Hit> hits, boolean alone) {
    List<BandPowers> each = hits.stream().map(h -> energy(lane, h)).toList();
    if (lane.base() == Lane.PERCUSSION || lane.base() == Lane.CYMBAL) {
      return BandPowers.typical(each, lane == Lane.PERCUSSION ? SOFTEST : TYPICAL).loudness();
    }
    double[] loud = each.stream().mapToDouble(BandPowers::loudness).sorted().toArray();
    return alone ? Arrays.stream(loud).average().orElse(0) : loud[(int) (TYPICAL * loud.length)];
  }

  /** Power times seconds; what lies beyond the next stroke as if it died away evenly. */
  private BandPowers energy(Lane lane, Hit h) {
    double full = length(lane, h);
    int next = Ordered.first(all, Hit::time, h.time() + NEAR);
    double room = next < all.size() ? all.get(next).time() - h.time() - EDGE : full;
    double heard = Math.min(full, Math.max(SHORTEST, room));
    return stroke(SoundProbe.even(audio, heard), lane, h)
        .times(heard * LevelCourse.gone(1) / LevelCourse.gone(heard / full));
  }

  /** Mean square of strokes' velocities, on whose scale power goes. */
  private static double square(List<Hit> hits) {
    return hits.stream().mapToDouble(h -> h.velocity() * h.velocity()).average().orElse(1);
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
      meter.stroke(stem, h.time(), Math.min(h.time() + length(lane, h), next - NEAR), out);
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

  /** Seconds of a stroke until it is 20 dB down, within bounds. */
  private static double length(Lane lane, Hit h) {
    double longest = lane.base() == Lane.CYMBAL ? LONGEST_CYMBAL : LONGEST;
    return Math.max(SHORTEST, Math.min(longest, h.lengthMs() / 1000));
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
