package looseecho.echo;

/**
 * One drum hit of the template.
 *
 * @param step sixteenths from the section's start, from 0
 * @param offsetMs late (positive) or early against the step
 * @param velocity 1..127
 * @param ornament what is put on it
 */
public record StepHit(int step, double offsetMs, int velocity, Ornament ornament) {
  public StepHit {
    if (step < 0 || velocity < 1 || velocity > 127 || !Double.isFinite(offsetMs)) {
      throw new IllegalArgumentException(
          "need step >= 0 and velocity 1..127 (was: " + step + ", " + velocity + ")");
    }
  }

  public StepHit(int step, double offsetMs, int velocity) {
    this(step, offsetMs, velocity, Ornament.NONE);
  }

  /** The same at another place. */
  public StepHit at(int newStep, double newOffsetMs) {
    return new StepHit(newStep, newOffsetMs, velocity, ornament);
  }

  /** The same as loud as this, kept within 1..127. */
  public StepHit loud(double newVelocity) {
    int v = (int) Math.max(1, Math.min(127, Math.round(newVelocity)));
    return new StepHit(step, offsetMs, v, ornament);
  }
}
