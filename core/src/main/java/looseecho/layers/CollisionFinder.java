package looseecho.layers;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import looseecho.dsp.ThirdOctaves;

/**
 * Finds layers that get in each other's way, by what is common practice: kick and bass near 100 Hz,
 * the kick's body under clap or snare, a low end that is wide, two layers with one job in one band.
 */
public final class CollisionFinder {
  private static final double LEAST_SECONDS = 4;
  private static final double LEAST_OCTAVES = 0.6;
  private static final double WIDE_LOW = 0.08;
  private static final double NEAR_DB = 8; // of two layers that fight for one place
  private static final Set<String> HELD = Set.of("chords", "riff", "voice", "noise");

  private CollisionFinder() {}

  /** All collisions, the longest first. */
  public static List<Collision> find(List<HeardLayer> layers) {
    List<Collision> out = new ArrayList<>();
    for (int i = 0; i < layers.size(); i++) {
      wide(layers.get(i), out);
      for (int k = i + 1; k < layers.size(); k++) {
        pair(layers.get(i), layers.get(k), out);
      }
    }
    out.sort(Comparator.comparingDouble(c -> -c.seconds()));
    return out;
  }

  private static void wide(HeardLayer a, List<Collision> out) {
    if (a.lowHz() < 110 && a.image().low() > WIDE_LOW) {
      String what = "The " + a.name() + " is wide below 120 Hz";
      out.add(
          new Collision(
              a,
              a,
              a.lowHz(),
              120,
              a.seconds(),
              what,
              "Most keep it mono below 100 to 120 Hz; some let the middle be wide over mono lows."));
    }
  }

  private static void pair(HeardLayer a, HeardLayer b, List<Collision> out) {
    double low = Math.max(a.lowHz(), b.lowHz());
    double high = Math.min(a.highHz(), b.highHz());
    double together = together(a, b);
    double octaves = high > low ? Math.log(high / low) / Math.log(2) : 0;
    if (together < LEAST_SECONDS || octaves < LEAST_OCTAVES) {
      return;
    }
    String band = ThirdOctaves.words(low, high);
    String both = "The " + a.name() + " and the " + b.name();
    if (is(a, b, "kick", "bass")) {
      boolean ducked = a.duck().isPresent() || b.duck().isPresent();
      if (!ducked) {
        out.add(
            new Collision(
                a,
                b,
                low,
                high,
                together,
                both + " share " + band,
                "Some duck the bass under the kick, some give each its own place: one below, one"
                    + " above 70 Hz, or bass notes between the kicks."));
      }
    } else if (is(a, b, "kick", "clap") || is(a, b, "kick", "snare")) {
      out.add(
          new Collision(
              a,
              b,
              low,
              high,
              together,
              both + " share " + band,
              "Cut the lows of the one on top, or shorten the kick's body."));
    } else if (HELD.contains(a.family())
        && HELD.contains(b.family())
        && a.job().equals(b.job())
        && Math.abs(a.levelDb() - b.levelDb()) < NEAR_DB) {
      out.add(
          new Collision(
              a,
              b,
              low,
              high,
              together,
              both + " have one job (" + a.job() + ") at " + band,
              "Cut one of them there, set them to two sides, or keep one."));
    }
  }

  private static boolean is(HeardLayer a, HeardLayer b, String one, String other) {
    return a.family().equals(one) && b.family().equals(other)
        || a.family().equals(other) && b.family().equals(one);
  }

  /** Seconds in which both play. */
  private static double together(HeardLayer a, HeardLayer b) {
    double sum = 0;
    for (HeardLayer.Span x : a.active()) {
      for (HeardLayer.Span y : b.active()) {
        sum += Math.max(0, Math.min(x.end(), y.end()) - Math.max(x.start(), y.start()));
      }
    }
    return sum;
  }
}
