package looseecho.echo;

import java.util.ArrayList;
import java.util.List;
import looseecho.hits.Hit;
import looseecho.pulse.Meter;
import looseecho.pulse.Pulse;

/**
 * Writes the heard hits of one drum as strokes of a section: each on its own line, cut off where it
 * was heard to be; the soft stroke of a flam becomes an ornament of the main one.
 */
final class StrokeWriter {
  private static final double SHORT = 0.5; // of the length that the drum's hits usually have
  private static final double GAP = 0.9; // of the time until it is struck again

  private final Pulse pulse;
  private final int firstBeat;
  private final int ticks;

  /** For a section that begins with a beat and lasts so many ticks. */
  StrokeWriter(Pulse pulse, int firstBeat, int ticks) {
    this.pulse = pulse;
    this.firstBeat = firstBeat;
    this.ticks = ticks;
  }

  List<Stroke> write(List<Hit> hits) {
    List<Stroke> out = new ArrayList<>();
    double usual = usualLength(hits);
    for (int k = 0; k < hits.size(); k++) {
      Hit h = hits.get(k);
      boolean grace = h.figure() == Hit.Figure.FLAM && k + 1 < hits.size();
      int tick = tick(h);
      if (grace || tick < 0 || tick >= ticks) {
        continue; // it is written with its main stroke, or in another section
      }
      Hit before = k == 0 ? null : hits.get(k - 1);
      Manner manner = Manner.PLAIN;
      if (before != null && before.figure() == Hit.Figure.FLAM) {
        manner = manner.with(Ornament.FLAM).flam(1000 * (h.time() - before.time()));
      }
      double next = k + 1 < hits.size() ? hits.get(k + 1).time() : Double.MAX_VALUE;
      if (isCut(h, next, usual)) {
        manner = manner.lasting(ticks(h));
      }
      if (h.pitch() != 0) {
        manner = manner.pitched(h.pitch(), Manner.Bend.SPEED);
      }
      out.add(new Stroke(tick, h.offsetMs(), h.velocity(), manner));
    }
    return out;
  }

  private static double usualLength(List<Hit> hits) {
    double[] lengths = hits.stream().mapToDouble(Hit::lengthMs).sorted().toArray();
    return lengths.length == 0 ? 0 : lengths[lengths.length / 2];
  }

  /** Dies away long before the drum's others do, and not because it is struck again. */
  private static boolean isCut(Hit h, double next, double usual) {
    boolean struckAgain = h.lengthMs() > GAP * 1000 * (next - h.time());
    return h.figure() == Hit.Figure.SINGLE
        && h.lengthMs() > 0
        && h.lengthMs() < SHORT * usual
        && !struckAgain;
  }

  private int ticks(Hit h) {
    double beats = pulse.beatsAt(h.time() + h.lengthMs() / 1000) - pulse.beatsAt(h.time());
    return (int) Math.max(1, Math.round(beats * pulse.meter().value().ticksPerBeat()));
  }

  /** From the section's start: the line that the hit lies on. */
  private int tick(Hit h) {
    Meter meter = pulse.meter().value();
    double line = pulse.beatsAt(h.time() - h.offsetMs() / 1000) - firstBeat;
    return (int) Math.round(line * meter.ticksPerBeat());
  }
}
