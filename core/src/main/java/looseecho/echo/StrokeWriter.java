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
      out.add(new Stroke(tick, h.offsetMs(), h.velocity(), manner));
    }
    return out;
  }

  /** From the section's start: the line that the hit lies on. */
  private int tick(Hit h) {
    Meter meter = pulse.meter().value();
    double line = pulse.beatsAt(h.time() - h.offsetMs() / 1000) - firstBeat;
    return (int) Math.round(line * meter.ticksPerBeat());
  }
}
