package looseecho.echo;

import looseecho.pulse.Meter;
import looseecho.reading.Limits;

/**
 * One drum stroke of the template.
 *
 * @param tick place from the section's start, 960 to a quarter; where it is written
 * @param offsetMs late (positive) or early against its place; how it is felt
 * @param velocity 1..127
 * @param manner how it is struck; null for plainly
 */
public record Stroke(int tick, double offsetMs, int velocity, Manner manner)
    implements Placed<Stroke> {
  public Stroke {
    Limits.within("tick", tick, 0, Limits.TICKS);
    Limits.within("offsetMs", offsetMs, -Limits.OFFSET_MS, Limits.OFFSET_MS);
    Limits.within("velocity", velocity, 1, 127);
    manner = manner == null ? Manner.PLAIN : manner;
  }

  public Stroke(int tick, double offsetMs, int velocity) {
    this(tick, offsetMs, velocity, Manner.PLAIN);
  }

  /** A plain one on a sixteenth, from 0. */
  public static Stroke onStep(int step, double offsetMs, int velocity) {
    return new Stroke(step * Meter.STEP, offsetMs, velocity);
  }

  @Override
  public Stroke at(int newTick, double newOffsetMs) {
    return new Stroke(newTick, newOffsetMs, velocity, manner);
  }

  /** The same: it rings as long as its sound does. */
  @Override
  public Stroke endingBy(int end) {
    return this;
  }

  /** The same as loud as this, kept within 1..127. */
  public Stroke loud(double newVelocity) {
    int v = (int) Math.max(1, Math.min(127, Math.round(newVelocity)));
    return new Stroke(tick, offsetMs, v, manner);
  }

  /** The same struck in another manner. */
  public Stroke with(Manner other) {
    return new Stroke(tick, offsetMs, velocity, other);
  }
}
