package looseecho.hits;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
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

  private final MelSpectra mel;
  private final Strokes strokes;
  private final Pulse pulse;

  public HitDetails(MelSpectra mel, Strokes strokes, Pulse pulse) {
    this.mel = mel;
    this.strokes = strokes;
    this.pulse = pulse;
  }

  /** The same hits in the same order with everything measured. */
  public List<Hit> complete(List<Hit> found) {
    List<Hit> sorted = new VoiceSorter(mel, pulse).sort(new StrikeMeter(strokes).refine(found));
    List<Hit> told = new StrokePitch(strokes).find(new VoiceFinder(strokes).find(sorted));
    Hit[] hits = told.toArray(new Hit[0]);
    Together.each(
        List.of(Lane.values()), lane -> measure(told, lane, hits)); // each has its own places
    return figures(List.of(hits));
  }

  private void measure(List<Hit> hits, Lane lane, Hit[] out) {
    Envelope envelope = new Envelope(mel);
    int[] at = IntStream.range(0, out.length).filter(i -> hits.get(i).lane() == lane).toArray();
    for (int k = 0; k < at.length; k++) {
      double next = k + 1 < at.length ? hits.get(at[k + 1]).time() : Double.MAX_VALUE;
      Hit h = hits.get(at[k]);
      boolean flam =
          next - h.time() < FLAM_SECONDS
              && h.velocity() < FLAM_SOFTER * hits.get(at[k + 1]).velocity();
      Hit lasting = h.withLength(1000 * length(envelope, h, next));
      out[at[k]] = flam ? lasting.withFigure(Hit.Figure.FLAM) : lasting;
    }
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
  private static double length(Envelope envelope, Hit h, double next) {
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
