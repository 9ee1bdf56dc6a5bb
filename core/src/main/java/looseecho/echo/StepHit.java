package looseecho.echo;

import java.util.Objects;
import looseecho.reading.Limits;

/**
 * One drum hit of the template.
 *
 * @param step sixteenths from the section's start, from 0
 * @param offsetMs late (positive) or early against the step
 * @param velocity 1..127
 * @param ornament what is put on it
 * @param lengthSteps sixteenths after which it is cut off; 0 lets it ring
 */
public record StepHit(
    int step, double offsetMs, int velocity, Ornament ornament, double lengthSteps) {
  public StepHit {
    Limits.within("step", step, 0, Limits.STEPS);
    Limits.within("offsetMs", offsetMs, -Limits.OFFSET_MS, Limits.OFFSET_MS);
    Limits.within("velocity", velocity, 1, 127);
    Limits.within("lengthSteps", lengthSteps, 0, Limits.HIT_STEPS);
    Objects.requireNonNull(ornament, "ornament must not be null");
  }

  public StepHit(int step, double offsetMs, int velocity) {
    this(step, offsetMs, velocity, Ornament.NONE, 0);
  }

  /** The same at another place. */
  public StepHit at(int newStep, double newOffsetMs) {
    return new StepHit(newStep, newOffsetMs, velocity, ornament, lengthSteps);
  }

  /** The same as loud as this, kept within 1..127. */
  public StepHit loud(double newVelocity) {
    int v = (int) Math.max(1, Math.min(127, Math.round(newVelocity)));
    return new StepHit(step, offsetMs, v, ornament, lengthSteps);
  }

  /** The same with something else put on it. */
  public StepHit with(Ornament other) {
    return new StepHit(step, offsetMs, velocity, other, lengthSteps);
  }

  /** The same cut off after so many sixteenths; 0 or less lets it ring. */
  public StepHit lasting(double steps) {
    double length = Math.max(0, Math.min(Limits.HIT_STEPS, steps));
    return new StepHit(step, offsetMs, velocity, ornament, length);
  }
}
