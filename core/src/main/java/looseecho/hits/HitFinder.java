package looseecho.hits;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import looseecho.activity.Activities;
import looseecho.activity.Lane;
import looseecho.dsp.Parabola;
import looseecho.pulse.Pulse;
import looseecho.reading.Ordered;
import looseecho.reading.Progress;

/**
 * Picks hits from the network's activity curves.
 *
 * <p>A local maximum is a hit when it passes the lane's threshold; the threshold falls where the
 * same step is hit in the neighbouring bars (a hit that the pattern expects and that is half-seen
 * is a hit) and rises where it never is. It also goes with how sure the network is of the lane in
 * this song: where its best peaks are faint, as with an unusual clap, fainter ones count too; where
 * they are clear, faint ones are likely something else. Peak picking after Boeck, Krebs and Schedl,
 * "Evaluating the online capabilities of onset detection methods", ISMIR 2012; time within the
 * frame by a log-parabola.
 */
public final class HitFinder {
  private static final int GRID = 4; // slots per sixteenth for the memory of the pattern
  private static final int NEIGHBOURS = 4; // bars looked at to each side
  private static final int APART = 3; // frames between two hits of one lane
  private static final double FAINTEST = 0.12; // no hit below this

  /** By how much a kick must be clearer: where every beat usually has one, it is often imagined. */
  private static final double KICK_CAUTION = 0.11;

  /**
   * And once more where a snare is clearer at the same moment: the body of a bare snare passes for
   * a kick.
   */
  private static final double SNARE_CAUTION = 0.12;

  /** By how much fainter drums may be that two networks rarely agree on. */
  private static final double EASE = 0.05;

  /** The same for open hats, which few other sounds are taken for. */
  private static final double OPEN_EASE = 0.1;

  /**
   * A crash opens a bar, mostly the first of a section (common practice): on a bar's first beat a
   * cymbal may be fainter, elsewhere it must be clearer, unless a ride's pattern explains it.
   */
  private static final double CRASH_EASE = 0.1;

  private static final double CRASH_CAUTION = 0.3;
  private static final double RIDE_BARS = 3;

  private static final double DOUBTFUL = 0.5; // peaks that say nothing about the pattern
  private static final double CLEAR = 0.85; // and those that fully do
  private static final double SEEN_FROM = 0.2; // peaks from which the lane's best are taken
  private static final double BEST = 0.25; // share of the peaks that are its best

  /**
   * Thresholds, 0..1.
   *
   * @param base activity that makes a hit anywhere
   * @param expected activity that suffices where every neighbouring bar has the hit
   * @param usual mean of a lane's best peaks for which these two hold
   * @param slope by how much both move with that mean
   */
  public record Settings(double base, double expected, double usual, double slope) {
    /** Chosen on self-made songs (docs/accuracy.md). */
    public static final Settings DEFAULTS = new Settings(0.5, 0.2, 0.85, 1);
  }

  private final Settings settings;

  public HitFinder(Settings settings) {
    this.settings = settings;
  }

  private record Peak(double time, double height, double velocity, int bar, int slot) {}

  /** A peak, and what it must reach to be a hit. */
  private record Seen(Peak peak, double threshold) {}

  /** All hits in order of time. */
  public List<Hit> find(Activities activity, Pulse pulse, Progress progress) {
    List<Hit> hits = new ArrayList<>();
    Places places = new Places(pulse);
    for (Lane lane : Lane.HEARD) {
      progress.step("Picking the hits", (double) lane.ordinal() / Lane.HEARD.size());
      for (Seen peak : seen(activity, lane, pulse)) {
        if (peak.peak().height() >= peak.threshold()) {
          hits.add(hit(lane, peak.peak(), places, peak.threshold()));
        }
      }
    }
    hits.sort(Comparator.comparingDouble(Hit::time));
    return LaneDecision.decide(hits);
  }

  /** Moments at which a lane is half-seen, in order of time: too faint for hits. */
  public List<Hit> faint(Activities activity, Lane lane, Pulse pulse) {
    Places places = new Places(pulse);
    return seen(activity, lane, pulse).stream()
        .filter(s -> s.peak().height() < s.threshold())
        .map(s -> hit(lane, s.peak(), places, s.threshold()))
        .toList();
  }

  private List<Seen> seen(Activities activity, Lane lane, Pulse pulse) {
    List<Peak> peaks = peaks(activity, lane, pulse);
    double surer = sureness(peaks) - settings.usual();
    double shift = Math.max(-lowering(lane), settings.slope() * surer);
    return peaks.stream()
        .map(
            p -> {
              double expected =
                  settings.base() + (settings.expected() - settings.base()) * habit(peaks, p);
              double threshold = expected + shift + caution(activity, lane, p, peaks);
              return new Seen(p, Math.max(FAINTEST, Math.min(0.9, threshold)));
            })
        .toList();
  }

  /**
   * By how much more, or less, a peak must be seen for its place and for what is struck with it.
   */
  private static double caution(Activities activity, Lane lane, Peak p, List<Peak> peaks) {
    return switch (lane) {
      case KICK -> KICK_CAUTION + (isUnderSnare(activity, p) ? SNARE_CAUTION : 0);
      case CLAP, HAT_CLOSED, PERCUSSION -> -EASE;
      case HAT_OPEN -> -OPEN_EASE;
      case CYMBAL ->
          p.slot() <= 1 ? -CRASH_EASE : CRASH_CAUTION * (1 - Math.min(1, ride(peaks, p)));
      default -> 0;
    };
  }

  private static boolean isUnderSnare(Activities a, Peak p) {
    int n = Activities.FRAMES.nearest(p.time(), a.frames());
    for (int k = Math.max(0, n - APART); k < Math.min(a.frames(), n + APART); k++) {
      if (a.lane(Lane.SNARE, k) > p.height()) {
        return true;
      }
    }
    return false;
  }

  /**
   * How much a ride's pattern explains a peak: fully where a third of the bars have one like it.
   */
  private static double ride(List<Peak> peaks, Peak p) {
    return RIDE_BARS
        * around(peaks, p).values().stream().filter(h -> h >= p.height() / 2).count()
        / (2 * NEIGHBOURS);
  }

  private List<Peak> peaks(Activities a, Lane lane, Pulse pulse) {
    List<Peak> out = new ArrayList<>();
    for (int n = 1; n < a.frames() - 1; n++) {
      float v = a.lane(lane, n);
      if (v < FAINTEST || v < a.lane(lane, n - 1) || v <= a.lane(lane, n + 1)) {
        continue;
      }
      double between = Parabola.offset(a.lane(lane, n - 1), v, a.lane(lane, n + 1));
      double time = Activities.FRAMES.seconds(n + between);
      double beats = pulse.beatsAt(time);
      int beat = (int) Math.floor(beats + 0.5 / (GRID * pulse.stepsPerBeat()));
      int inBeat = (int) Math.round((beats - beat) * GRID * pulse.stepsPerBeat());
      var at = pulse.beats().get(Math.min(Math.max(0, beat), pulse.beats().size() - 1));
      Peak peak =
          new Peak(
              time,
              v,
              a.velocity(lane, n),
              at.bar(),
              (at.position() - 1) * GRID * pulse.stepsPerBeat() + inBeat);
      int last = out.size() - 1;
      if (last >= 0 && peak.time() - out.get(last).time() < Activities.FRAMES.seconds(APART)) {
        if (peak.height() > out.get(last).height()) {
          out.set(last, peak);
        }
      } else {
        out.add(peak);
      }
    }
    return out;
  }

  /**
   * How far a lane's thresholds may fall where it is faint: less for the lanes that other sounds
   * are easily taken for.
   */
  private static double lowering(Lane lane) {
    return switch (lane) {
      case PERCUSSION -> 0.15;
      case CLAP, HAT_OPEN, TOM -> 0.2;
      default -> 0.3;
    };
  }

  /** Mean height of the lane's best peaks; the usual one where there are none. */
  private double sureness(List<Peak> peaks) {
    double[] seen =
        peaks.stream().mapToDouble(Peak::height).filter(h -> h > SEEN_FROM).sorted().toArray();
    int best = Math.max(1, (int) (seen.length * BEST));
    return seen.length == 0
        ? settings.usual()
        : java.util.Arrays.stream(seen).skip(seen.length - best).average().orElseThrow();
  }

  /**
   * How clearly the lane is hit on the same slot in the neighbouring bars, 0..1. Doubtful peaks do
   * not count: what is half-seen in every bar is more likely another sound.
   */
  private static double habit(List<Peak> peaks, Peak p) {
    double sum = 0;
    for (double height : around(peaks, p).values()) {
      sum += Math.max(0, Math.min(1, (height - DOUBTFUL) / (CLEAR - DOUBTFUL)));
    }
    return sum / (2 * NEIGHBOURS);
  }

  /**
   * Heights of the peaks on the same slot in the neighbouring bars, by bar: the highest of each.
   */
  private static Map<Integer, Double> around(List<Peak> peaks, Peak p) {
    Map<Integer, Double> heights = new HashMap<>();
    for (int i = Ordered.first(peaks, Peak::bar, p.bar() - NEIGHBOURS); i < peaks.size(); i++) {
      Peak q = peaks.get(i);
      if (q.bar() > p.bar() + NEIGHBOURS) {
        break;
      }
      if (q.bar() != p.bar() && Math.abs(q.slot() - p.slot()) <= 1) {
        heights.merge(q.bar(), q.height(), Math::max);
      }
    }
    return heights;
  }

  private static Hit hit(Lane lane, Peak p, Places places, double threshold) {
    int velocity = (int) Math.round(Math.max(1, Math.min(127, 127 * p.velocity())));
    Place place = places.at(p.time());
    double over = 0.5 * (p.height() - threshold) / (1 - threshold);
    double confidence = Math.max(0, Math.min(1, 0.5 + over));
    return new Hit(
        lane, p.time(), velocity, place.bar(), place.step(), place.offsetMs(), confidence);
  }
}
