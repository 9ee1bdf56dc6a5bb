package looseecho.hits;

import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import looseecho.activity.Lane;
import looseecho.reading.Ordered;

/**
 * Decides whether percussion plays at all: what is heard of it all the time, never clearly, hardly
 * ever by itself and from where the hats stand is what hats and other drums leave in its bands. A
 * shaker to the one side of hats to the other is none of that, however faint.
 */
public final class PercussionSense {
  private static final double OFTEN = 2; // strokes a second
  private static final double UNCLEAR = 0.55; // in confidence, in the middle
  private static final double CLEARER = 0.03; // for each of these strokes
  private static final double SELDOM_ALONE = 0.4; // of its clearer half
  private static final double TOGETHER = 0.03; // seconds
  private static final double CLEAN = 0.04; // seconds from any other drum
  private static final int FEWEST = 6; // strokes that tell where a sound stands
  private static final double APART = 0.2; // of pans, -1 to 1

  private static final Set<Lane> HATS = Set.of(Lane.HAT_CLOSED, Lane.HAT_OPEN);

  private final Strokes strokes;

  public PercussionSense(Strokes strokes) {
    this.strokes = strokes;
  }

  /**
   * The hits, without percussion where it is none.
   *
   * @param hits of all drums in order of time
   */
  public List<Hit> judge(List<Hit> hits) {
    List<Hit> own = hits.stream().filter(h -> h.lane() == Lane.PERCUSSION).toList();
    List<Hit> others = hits.stream().filter(h -> h.lane() != Lane.PERCUSSION).toList();
    if (others.isEmpty() || !isHidden(own, others) || standsApart(own, others)) {
      return hits;
    }
    return others;
  }

  private static boolean isHidden(List<Hit> own, List<Hit> others) {
    double seconds = others.get(others.size() - 1).time() - others.get(0).time();
    double[] sure = own.stream().mapToDouble(Hit::confidence).sorted().toArray();
    double often = sure.length / Math.max(1, seconds);
    if (often <= OFTEN || sure[sure.length / 2] >= UNCLEAR + CLEARER * often) {
      return false;
    }
    List<Hit> clear = own.stream().filter(h -> h.confidence() >= sure[sure.length / 2]).toList();
    return away(clear, others, TOGETHER).size() < SELDOM_ALONE * clear.size();
  }

  /** Whether it stands elsewhere than the hats, where neither is struck with another drum. */
  private boolean standsApart(List<Hit> own, List<Hit> others) {
    List<Hit> drums = others.stream().filter(h -> !HATS.contains(h.lane())).toList();
    List<Hit> hats = others.stream().filter(h -> HATS.contains(h.lane())).toList();
    List<VoiceFinder.Look> percussion = looks(away(own, drums, CLEAN));
    List<VoiceFinder.Look> hat = looks(away(away(hats, own, TOGETHER), drums, CLEAN));
    return percussion.size() >= FEWEST
        && hat.size() >= FEWEST
        && (apart(percussion, hat, VoiceFinder.Look::handPan)
            || apart(percussion, hat, VoiceFinder.Look::hatPan));
  }

  private List<VoiceFinder.Look> looks(List<Hit> hits) {
    return strokes.looks(hits.stream().mapToDouble(Hit::time).toArray());
  }

  private static boolean apart(
      List<VoiceFinder.Look> a, List<VoiceFinder.Look> b, ToDoubleFunction<VoiceFinder.Look> pan) {
    return Math.abs(median(a, pan) - median(b, pan)) > APART;
  }

  /** The hits with none of the others, which are in order, so near. */
  private static List<Hit> away(List<Hit> hits, List<Hit> others, double seconds) {
    return hits.stream()
        .filter(
            h ->
                Ordered.first(others, Hit::time, h.time() - seconds)
                    == Ordered.first(others, Hit::time, h.time() + seconds))
        .toList();
  }

  private static double median(
      List<VoiceFinder.Look> looks, ToDoubleFunction<VoiceFinder.Look> of) {
    double[] x = looks.stream().mapToDouble(of).toArray();
    Arrays.sort(x);
    return x[x.length / 2];
  }
}
