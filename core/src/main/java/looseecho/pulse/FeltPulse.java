package looseecho.pulse;

import java.util.ArrayList;
import java.util.List;
import looseecho.activity.Activities;
import looseecho.activity.Lane;

/**
 * What the drums do around a row of beats, and what that says about the felt pulse. The rules are
 * common practice: the snare or clap answers on two and four, a kick on every beat carries dance
 * music, hats move in eighths or sixteenths of the felt beat.
 */
final class FeltPulse {
  private static final int NEAR = 3; // frames around a beat
  private static final double HIT = 0.4;
  private static final double CLEAR = 0.3; // of -1..1: the snare tells these beats from those
  private static final double MOST = 0.7; // of the beats
  private static final int FEWEST_HATS = 8;

  private final Activities activity;
  private final BarTracker.Path path;
  private final int meter;

  FeltPulse(Activities activity, BarTracker.Path path, int meter) {
    this.activity = activity;
    this.path = path;
    this.meter = meter;
  }

  /**
   * How much more the snare or clap sounds on the beats 2 and 4 than on 1 and 3, -1..1; 0 outside
   * four beats to a bar.
   */
  double backbeat() {
    double[] sum = new double[2];
    for (int k = 0; meter == 4 && k < path.times().length; k++) {
      sum[path.positions()[k] % 2] += near(path.times()[k], Lane.SNARE, Lane.CLAP);
    }
    double all = sum[0] + sum[1];
    return all < 2 ? 0 : (sum[0] - sum[1]) / all;
  }

  /** Why the pulse may be felt here, in words. */
  String reason() {
    List<String> words = new ArrayList<>();
    double[] snare = perPosition(Lane.SNARE, Lane.CLAP);
    double[] kick = perPosition(Lane.KICK);
    if (backbeat() > CLEAR) {
      words.add("the snare falls on every second beat");
    } else if (meter == 4 && snare[3] > 0.5 && snare[2] + snare[4] < snare[3]) {
      words.add("the snare falls on beat 3, as in half-time");
    }
    if (mean(kick) > MOST) {
      words.add("a kick on every beat");
    }
    String hats = hats();
    if (!hats.isEmpty()) {
      words.add(hats);
    }
    return words.isEmpty() ? "the beats are strongest here" : String.join(", ", words);
  }

  /** Share of the beats of each place in the bar, from 1, on which one of the lanes is hit. */
  private double[] perPosition(Lane... lanes) {
    double[] hit = new double[meter + 1];
    int[] count = new int[meter + 1];
    for (int k = 0; k < path.times().length; k++) {
      int place = Math.min(meter, path.positions()[k]);
      count[place]++;
      hit[place] += near(path.times()[k], lanes) > HIT ? 1 : 0;
    }
    for (int p = 1; p <= meter; p++) {
      hit[p] /= Math.max(1, count[p]);
    }
    return hit;
  }

  private static double mean(double[] fromOne) {
    double sum = 0;
    for (int p = 1; p < fromOne.length; p++) {
      sum += fromOne[p] / (fromOne.length - 1);
    }
    return sum;
  }

  /** "hats in eighths" and so on, by the usual gap between neighbouring hats, in beats. */
  private String hats() {
    List<Double> gaps = new ArrayList<>();
    double last = -1;
    int k = 0;
    for (int n = 1; n < activity.frames() - 1; n++) {
      double v = hat(n);
      if (!(v > HIT && v >= hat(n - 1) && v > hat(n + 1))) {
        continue;
      }
      while (k + 2 < path.times().length && path.times()[k + 1] < Activities.FRAMES.seconds(n)) {
        k++;
      }
      double beats =
          (Activities.FRAMES.seconds(n) - last) / (path.times()[k + 1] - path.times()[k]);
      if (last >= 0 && beats < 1.2) {
        gaps.add(beats);
      }
      last = Activities.FRAMES.seconds(n);
    }
    if (gaps.size() < FEWEST_HATS) {
      return "";
    }
    gaps.sort(null);
    double usual = gaps.get(gaps.size() / 3); // a hat left out here and there does not count
    return usual > 0.7
        ? "hats on the quarters"
        : usual > 0.41
            ? "hats in eighths"
            : usual > 0.29
                ? "hats in triplets"
                : usual > 0.2
                    ? "hats in sixteenths"
                    : usual > 0.145 ? "hats in sixteenth triplets" : "hats in thirty-seconds";
  }

  private double hat(int n) {
    return Math.max(activity.lane(Lane.HAT_CLOSED, n), activity.lane(Lane.HAT_OPEN, n));
  }

  private double near(double time, Lane... lanes) {
    int at = Activities.FRAMES.nearest(time);
    double hit = 0;
    for (int n = Math.max(0, at - NEAR); n <= Math.min(activity.frames() - 1, at + NEAR); n++) {
      for (Lane lane : lanes) {
        hit = Math.max(hit, activity.lane(lane, n));
      }
    }
    return hit;
  }
}
