package looseecho.pulse;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import looseecho.activity.Activities;
import looseecho.activity.Lane;
import looseecho.reading.Reading;
import looseecho.reading.Reading.Alternative;
import looseecho.reading.Reading.Settled;

/**
 * Decides how many beats make a bar, and whether a beat falls into twos or threes.
 *
 * <p>The number of beats is that under which the bar-pointer model explains the activity best. A
 * beat falls into threes when hits lie on both its thirds and hardly any on its half and quarters;
 * hits on the second third alone are swung eighths (common practice).
 */
final class MeterFinder {
  private static final double SHARPNESS = 60; // log likelihood per frame to confidence
  private static final double TWO_OVER_FOUR = 0.01; // two beats must explain so much more than four
  private static final double NEAR = 0.07; // of a beat
  private static final double HIT = 0.4;
  private static final int FEWEST = 12;
  private static final int FEWEST_BEATS = 9;
  private static final double BOTH_THIRDS = 0.3;
  private static final double THREES_OVER_TWOS = 2;

  private MeterFinder() {}

  /** The meter and the path through the bars that belongs to it. */
  record Found(Reading<Meter> meter, BarTracker.Path path) {}

  /** Weighs the meters at the tempo of the tracker; empty paths give 4/4. */
  static Found find(Activities activity, BarTracker tracker) {
    BarTracker.Path four = tracker.decode(4);
    BarTracker.Path three = tracker.decode(3);
    boolean waltz =
        three.score() > four.score()
            && three.times().length >= FEWEST_BEATS; // else too few to tell
    BarTracker.Path best = waltz ? three : four;
    int beats = waltz ? 3 : 4;
    boolean compound = compound(activity, best.times());
    if (compound && !waltz) {
      BarTracker.Path two = tracker.decode(2);
      if (two.score() > four.score() + TWO_OVER_FOUR) {
        best = two;
        beats = 2;
      }
    }
    double odds = SHARPNESS * Math.abs(three.score() - four.score());
    double confidence = 1 / (1 + Math.exp(-odds));
    Meter meter = new Meter(beats, compound);
    List<Alternative<Meter>> others = new ArrayList<>();
    for (Meter m :
        List.of(Meter.FOUR_FOUR, Meter.THREE_FOUR, Meter.SIX_EIGHT, Meter.TWELVE_EIGHT)) {
      if (!m.equals(meter)) {
        others.add(
            new Alternative<>(
                m, m.compound() == compound ? 1 - confidence : (1 - confidence) / 2, reason(m)));
      }
    }
    others.sort((a, b) -> Double.compare(b.confidence(), a.confidence()));
    return new Found(
        new Reading<>(meter, confidence, reason(meter), others, Settled.MEASURED), best);
  }

  private static String reason(Meter m) {
    String strong = "every " + new String[] {"", "", "second", "third", "fourth"}[m.beats()];
    return strong + " beat is strong" + (m.compound() ? ", beats fall into threes" : "");
  }

  /** True when the beats fall into three equal parts. */
  static boolean compound(Activities a, double[] beats) {
    int[] near = new int[12]; // hits by twelfths of the beat
    for (int k = 0; k + 1 < beats.length; k++) {
      double length = beats[k + 1] - beats[k];
      int to = Math.min(a.frames() - 2, Activities.FRAMES.nearest(beats[k + 1]) - 2);
      for (int n = Math.max(1, Activities.FRAMES.nearest(beats[k]) + 2); n < to; n++) {
        double place = (Activities.FRAMES.seconds(n) - beats[k]) / length * 12;
        int twelfth = (int) Math.rint(place);
        if (twelfth < 12 && Math.abs(place - twelfth) < NEAR * 12 && hit(a, n)) {
          near[twelfth]++;
        }
      }
    }
    int thirds = near[4] + near[8];
    int twos = IntStream.of(3, 6, 9).map(i -> near[i]).sum();
    return thirds >= FEWEST
        && Math.min(near[4], near[8]) > BOTH_THIRDS * Math.max(near[4], near[8])
        && thirds > THREES_OVER_TWOS * twos;
  }

  private static boolean hit(Activities a, int n) {
    for (Lane lane : Lane.HEARD) {
      float v = a.lane(lane, n);
      if (v > HIT && v >= a.lane(lane, n - 1) && v > a.lane(lane, n + 1)) {
        return true;
      }
    }
    return false;
  }
}
