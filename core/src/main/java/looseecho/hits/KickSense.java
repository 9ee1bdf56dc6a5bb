package looseecho.hits;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicReference;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.reading.Together;

/**
 * Judges kicks once more by their own sound: where most of a song's kicks sound alike, a faint one
 * that holds their wave is a kick, and one that holds next to nothing of it is something else. A
 * matched filter (North, "An analysis of the factors which determine signal/noise discrimination in
 * pulsed-carrier systems", 1943) for the low end of the mean stroke.
 *
 * <p>The wave is the one of the kicks heard first; what was measured of a stroke is kept by its
 * time. For any thread.
 */
public final class KickSense {
  private static final int FEWEST = 16; // kicks that tell what a kick is
  private static final int MOST = 48; // that are averaged
  private static final double ALIKE = 0.5; // how much of the usual kick is its wave
  private static final double FAINT_SHARE = 0.25; // of that, in a faint kick
  private static final double FAINT_GAIN = 0.4;
  private static final double OTHER_SHARE = 0.2; // of that, in another sound
  private static final double OTHER_GAIN = 0.3;
  private static final double OTHERS = 0.25; // of all: more of them are a second kick
  private static final double TWICE = 2; // as loud as usual: held, but no kick

  private static final int COARSER = 4;
  private static final int RUN = 8; // samples of a running mean, four of which leave the low end
  private static final int SHIFT = 38; // 14 ms
  private static final int ATTACK = 350; // 127 ms
  private static final int REACH = 4 * (RUN - 1) / 2;

  private final LowStrokes strokes;
  private final AtomicReference<Kick> kick = new AtomicReference<>();
  private final Map<Double, Held> held = new ConcurrentHashMap<>();

  /** How much of a stroke's beginning the wave is, 0..1, and how loud it is. */
  private record Held(double share, double gain) {}

  /**
   * What a kick is.
   *
   * @param alone false where a bass is in it that comes with every stroke: it would be found in
   *     every note of that bass
   */
  private record Kick(float[] wave, boolean alone) {}

  public KickSense(Audio audio) {
    strokes = new LowStrokes(audio);
  }

  /**
   * The hits with kicks added and taken away.
   *
   * @param hits of all drums in order of time
   * @param faint moments that could be kicks
   */
  public List<Hit> judge(List<Hit> hits, List<Hit> faint) {
    List<Hit> kicks = hits.stream().filter(h -> h.lane() == Lane.KICK).toList();
    if (kicks.size() < FEWEST) {
      return hits;
    }
    kick.compareAndSet(null, mean(kicks));
    List<Held> told = Together.map(kicks, this::held);
    double share = median(told.stream().mapToDouble(Held::share).toArray());
    double gain = median(told.stream().mapToDouble(Held::gain).toArray());
    if (share < ALIKE) {
      return hits;
    }
    List<Hit> out = new ArrayList<>(hits);
    List<Hit> others =
        kicks.stream()
            .filter(
                h -> held(h).share() < OTHER_SHARE * share && held(h).gain() < OTHER_GAIN * gain)
            .toList();
    if (others.size() < OTHERS * kicks.size()) {
      out.removeAll(others);
    }
    List<Hit> could = kick.get().alone() ? faint : List.of();
    List<Held> seen = Together.map(could, this::held);
    for (int i = 0; i < could.size(); i++) {
      double part = seen.get(i).share() / share;
      double loud = seen.get(i).gain() / gain;
      if (part > FAINT_SHARE && loud > FAINT_GAIN && loud < TWICE) {
        out.add(could.get(i).withConfidence(Math.min(1, (1 + part) / 2)));
      }
    }
    out.sort(Comparator.comparingDouble(Hit::time));
    return out;
  }

  private Kick mean(List<Hit> kicks) {
    StrokeMean.Recorded[] some = new StrokeMean.Recorded[Math.min(MOST, kicks.size())];
    Together.each(
        some.length,
        i -> {
          int at = (int) ((long) i * kicks.size() / some.length);
          double next = at + 1 < kicks.size() ? kicks.get(at + 1).time() : Double.MAX_VALUE;
          some[i] = strokes.at(kicks.get(at).time(), next);
        });
    StrokeMean mean = StrokeMean.of(some);
    return new Kick(coarse(mean.wave(), 0, ATTACK), mean.diesAway());
  }

  private Held held(Hit h) {
    return held.computeIfAbsent(h.time(), this::measured);
  }

  private Held measured(double time) {
    float[] x = strokes.at(time, Double.MAX_VALUE).x();
    float[] low = coarse(x, StrokeMean.BEFORE - SHIFT * COARSER, ATTACK + 2 * SHIFT);
    float[] w = kick.get().wave();
    double own = 1e-12;
    for (float v : w) {
      own += v * v;
    }
    Held best = new Held(0, 0);
    for (int shift = 0; shift <= 2 * SHIFT; shift++) {
      double product = 0;
      double all = 1e-12;
      for (int i = 0; i < ATTACK; i++) {
        product += w[i] * low[shift + i];
        all += low[shift + i] * low[shift + i];
      }
      double share = product * product / own / all;
      if (product > 0 && share > best.share()) {
        best = new Held(share, product / own);
      }
    }
    return best;
  }

  /** The low end from a sample on, at a quarter of the rate. */
  private static float[] coarse(float[] x, int from, int count) {
    int length = count * COARSER + 2 * REACH;
    float[] y = new float[length];
    for (int i = 0; i < length; i++) {
      int at = from - REACH + i;
      y[i] = at >= 0 && at < x.length ? x[at] : 0;
    }
    for (int pass = 0; pass < 4; pass++) {
      for (int i = 0; i + RUN <= length; i++) {
        float sum = 0;
        for (int k = 0; k < RUN; k++) {
          sum += y[i + k];
        }
        y[i] = sum / RUN;
      }
    }
    float[] out = new float[count];
    for (int i = 0; i < count; i++) {
      out[i] = y[i * COARSER];
    }
    return out;
  }

  private static double median(double... x) {
    Arrays.sort(x);
    return x[x.length / 2];
  }
}
