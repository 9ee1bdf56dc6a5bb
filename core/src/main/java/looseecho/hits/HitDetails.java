package looseecho.hits;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import looseecho.activity.Lane;
import looseecho.activity.MelSpectra;
import looseecho.pulse.Pulse;
import looseecho.reading.Ordered;
import looseecho.reading.Together;

/**
 * Adds to the hits what is measured once they are there: loudness, voices, how long they ring, and
 * whether they belong to a flam or a roll.
 */
public final class HitDetails {
  private static final double CLOSE_SECONDS = 0.001;
  private static final double DIED_DB = 20;
  private static final int LONGEST = 200; // frames: two seconds
  private static final double FLAM_SECONDS = 0.045;
  private static final double FLAM_SOFTER = 0.95; // of the main stroke's velocity at most

  private final Envelope envelope;
  private final Strokes strokes;
  private final Pulse pulse;

  public HitDetails(Envelope envelope, Strokes strokes, Pulse pulse) {
    this.envelope = envelope;
    this.strokes = strokes;
    this.pulse = pulse;
  }

  /** The same hits in the same order with everything measured. */
  public List<Hit> complete(List<Hit> found) {
    List<Hit> sorted =
        new VoiceSorter(envelope, pulse).sort(new StrikeMeter(strokes).refine(found));
    List<Hit> told = new StrokePitch(strokes).find(new VoiceFinder(strokes).find(sorted));
    Hit[] hits = new Hit[told.size()];
    Hit[] next = next(told);
    Together.each(hits.length, i -> hits[i] = measured(told.get(i), next[i]));
    return figures(List.of(hits));
  }

  /** For each hit the next one of its lane; null where there is none. */
  private static Hit[] next(List<Hit> hits) {
    Hit[] out = new Hit[hits.size()];
    Map<Lane, Hit> following = new EnumMap<>(Lane.class);
    for (int i = out.length - 1; i >= 0; i--) {
      out[i] = following.put(hits.get(i).lane(), hits.get(i));
    }
    return out;
  }

  private Hit measured(Hit h, Hit next) {
    double until = next == null ? Double.MAX_VALUE : next.time();
    Hit lasting = h.withLength(1000 * length(h, until));
    boolean flam = until - h.time() < FLAM_SECONDS && h.velocity() < FLAM_SOFTER * next.velocity();
    return flam ? lasting.withFigure(Hit.Figure.FLAM) : lasting;
  }

  private List<Hit> figures(List<Hit> hits) {
    List<Hit> out = new ArrayList<>(hits);
    for (Roll roll : Roll.find(hits, pulse)) {
      for (int i = Ordered.first(out, Hit::time, roll.start() - CLOSE_SECONDS);
          i < out.size() && !roll.isOver(out.get(i));
          i++) {
        Hit h = out.get(i);
        if (roll.holds(h)) {
          out.set(i, h.withFigure(Hit.Figure.ROLL));
        }
      }
    }
    return List.copyOf(out);
  }

  /** Seconds until the lane's band has fallen by 20 dB, or the next hit of the lane comes. */
  private double length(Hit h, double next) {
    int start = envelope.frame(h.time());
    double top = Double.NEGATIVE_INFINITY;
    for (int n = start; n < start + 4; n++) {
      top = Math.max(top, envelope.decibels(h.lane(), n));
    }
    int end = Math.min(start + LONGEST, envelope.frame(Math.min(1e6, next)));
    int n = start + 2;
    while (n < end && envelope.decibels(h.lane(), n) > top - DIED_DB) {
      n++;
    }
    return MelSpectra.FRAMES.seconds(n - start);
  }
}
