package looseecho.layers;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.IntStream;
import looseecho.audio.Audio;
import looseecho.dsp.ThirdOctaves;
import looseecho.hits.Hit;
import looseecho.hits.TwoMeans;

/**
 * Hears a clap that joins the snare in some of the sections: it is struck together with the snare
 * and so is told by no stroke of its own, but from there on the same snare has more at the sides
 * and in the middle above its body. Our own rule.
 */
final class JoinedStrokes {
  private static final double STROKE_SECONDS = 0.046;
  private static final double LONG_SECONDS = 0.12; // its room, too
  private static final double BODY_HZ = 150;
  private static final double BODY_TOP_HZ = 400;
  private static final double NOISE_HZ = 1000;
  private static final double AIR_HZ = 4000;
  private static final double AIR_TOP_HZ = 9000;
  private static final double ROLL = 0.2; // seconds between two strokes
  private static final int FEWEST = 4; // strokes with it, and without
  private static final int MOST_TURNS = 4; // it plays by section and not by stroke
  private static final double SIDES_DB = 4; // more at the sides in the air
  private static final double NOISE_DB = 2; // and in the middle below
  private static final double SAME_DB = 2.5; // the snare's body is as loud
  private static final double SEPARATION = 9; // of the two groups, as TwoMeans has it
  private static final double LOWEST_HZ = 400; // of a clap

  private final Audio audio;

  JoinedStrokes(Audio audio) {
    this.audio = audio;
  }

  /**
   * What joins in.
   *
   * @param hits the strokes with it, in order
   * @param powers of what is more in them, for one stroke
   */
  record Joined(List<Hit> hits, BandPowers powers) {
    /** In the stretches in which they are struck, of a sound of so many seconds. */
    LayerFinder.Measures measures(double seconds, List<HeardLayer.Span> active) {
      LevelCourse course = new LevelCourse(seconds);
      double one = powers.loudness() * LONG_SECONDS;
      hits.forEach(h -> course.stroke(h.time(), LONG_SECONDS, one));
      return new LayerFinder.Measures(powers, course.gated(active));
    }
  }

  /** Among the strokes of a snare, in order of time; those of rolls lie in each other's tails. */
  Optional<Joined> find(List<Hit> all) {
    List<Hit> snares =
        IntStream.range(0, all.size())
            .filter(k -> k == 0 || all.get(k).time() - all.get(k - 1).time() > ROLL)
            .mapToObj(all::get)
            .toList();
    SoundProbe probe = new SoundProbe(audio, STROKE_SECONDS);
    SoundProbe longer = new SoundProbe(audio, LONG_SECONDS);
    List<Stroke> strokes = new ArrayList<>();
    for (Hit h : snares) {
      BandPowers powers = new BandPowers();
      probe.stroke(h.time(), 0, 20_000, powers);
      BandPowers longest = new BandPowers();
      longer.moment(h.time(), 0, 20_000, longest);
      strokes.add(new Stroke(h, powers, longest));
    }
    return among(strokes);
  }

  /** What a stroke brings in its beginning, and over most of its length. */
  private record Stroke(Hit hit, BandPowers powers, BandPowers all) {}

  /** Other things join in, too: what parts the louder strokes once more counts first. */
  private static Optional<Joined> among(List<Stroke> strokes) {
    if (strokes.size() < 2 * FEWEST) {
      return Optional.empty();
    }
    TwoMeans two =
        TwoMeans.of(
            strokes.stream()
                .mapToDouble(s -> level(s.powers(), BandPowers.SIDE, AIR_HZ, AIR_TOP_HZ))
                .toArray());
    int more = two.centre(0)[0] > two.centre(1)[0] ? 0 : 1;
    int[] groups = two.groups();
    List<Stroke> upper = group(strokes, groups, more);
    List<Stroke> lower = group(strokes, groups, 1 - more);
    long turns = IntStream.range(1, groups.length).filter(k -> groups[k] != groups[k - 1]).count();
    boolean parted =
        two.fewer() >= FEWEST
            && two.centre(more)[0] - two.centre(1 - more)[0] >= SIDES_DB
            && two.separation() >= SEPARATION
            && turns <= MOST_TURNS;
    return parted ? among(upper).or(() -> joined(upper, lower)) : Optional.empty();
  }

  private static List<Stroke> group(List<Stroke> all, int[] groups, int group) {
    return IntStream.range(0, groups.length)
        .filter(k -> groups[k] == group)
        .mapToObj(all::get)
        .toList();
  }

  private static Optional<Joined> joined(List<Stroke> upper, List<Stroke> lower) {
    BandPowers with = mean(upper, Stroke::powers);
    BandPowers without = mean(lower, Stroke::powers);
    boolean joined =
        gain(with, without, BandPowers.MIDDLE, NOISE_HZ, AIR_HZ) > NOISE_DB
            && gain(with, without, BandPowers.SIDE, NOISE_HZ, AIR_HZ) > NOISE_DB
            && Math.abs(gain(with, without, BandPowers.MIDDLE, BODY_HZ, BODY_TOP_HZ)) < SAME_DB;
    return joined
        ? Optional.of(
            new Joined(
                upper.stream().map(Stroke::hit).toList(),
                rest(mean(upper, Stroke::all), mean(lower, Stroke::all))))
        : Optional.empty();
  }

  private static double level(BandPowers p, int view, double lowHz, double highHz) {
    return 10 * Math.log10(p.between(view, lowHz, highHz) + 1e-12);
  }

  private static double gain(BandPowers a, BandPowers b, int view, double lowHz, double highHz) {
    return level(a, view, lowHz, highHz) - level(b, view, lowHz, highHz);
  }

  private static BandPowers mean(List<Stroke> strokes, Function<Stroke, BandPowers> of) {
    BandPowers out = new BandPowers();
    strokes.forEach(s -> out.add(of.apply(s)));
    return out;
  }

  /** What one has more than the other, where a clap sounds. */
  private static BandPowers rest(BandPowers with, BandPowers without) {
    BandPowers out = new BandPowers();
    for (int v = 0; v < 4; v++) {
      for (int b = 0; b < BandPowers.BANDS; b++) {
        double more = with.mean(v, b) - without.mean(v, b);
        out.add(v, b, ThirdOctaves.centre(b) < LOWEST_HZ ? 0 : Math.max(0, more));
      }
    }
    out.count(1);
    return out;
  }
}
