package looseecho.drawer;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import looseecho.palette.DescriptorFinder;
import looseecho.palette.Descriptors;
import looseecho.palette.HeardSound;
import looseecho.reading.Progress;

/**
 * Kick and snare chosen as a pair (common practice): each near its own, and both together as far
 * apart in brightness and length as the track's two; those that lie in one folder were made to go
 * together.
 */
public final class PairMatcher {
  private static final int OF_EACH = 12;
  private static final double BRIGHT_DB = 1.2; // per octave that the contrast is off
  private static final double LENGTH_DB = 0.8;
  private static final double TOGETHER_DB = 0.75;

  /**
   * Two samples.
   *
   * @param distance mean of both and what their contrast is off, in decibels
   * @param together true when they lie in one folder
   */
  public record Pair(Match kick, Match snare, double distance, boolean together) {}

  /** The best pairs, the best first; none where one of the two finds nothing. */
  public List<Pair> match(
      HeardSound kick, HeardSound snare, List<Entry> drawer, int most, Progress progress) {
    List<Match> kicks = new Matcher().match(kick, drawer, OF_EACH, progress);
    List<Match> snares = new Matcher().match(snare, drawer, OF_EACH, progress);
    Descriptors low = new DescriptorFinder().of(kick.sound(), kick.sound());
    Descriptors high = new DescriptorFinder().of(snare.sound(), snare.sound());
    List<Pair> all = new ArrayList<>();
    for (Match k : kicks) {
      for (Match s : snares) {
        if (!k.entry().file().equals(s.entry().file())) {
          all.add(pair(k, s, low, high));
        }
      }
    }
    return all.stream().sorted(Comparator.comparingDouble(Pair::distance)).limit(most).toList();
  }

  private static Pair pair(Match k, Match s, Descriptors low, Descriptors high) {
    Descriptors a = k.entry().like();
    Descriptors b = s.entry().like();
    double bright = octaves(low.centroidHz(), high.centroidHz());
    double length = octaves(low.decayMs(), high.decayMs());
    double off =
        BRIGHT_DB * Math.abs(octaves(a.centroidHz(), b.centroidHz()) - bright)
            + LENGTH_DB * Math.abs(octaves(a.decayMs(), b.decayMs()) - length);
    boolean together = k.entry().file().getParent().equals(s.entry().file().getParent());
    double both = (k.distance() + s.distance()) / 2 + off - (together ? TOGETHER_DB : 0);
    return new Pair(k, s, both, together);
  }

  private static double octaves(double from, double to) {
    return Math.log((to + 10) / (from + 10)) / Math.log(2);
  }
}
