package looseecho.echo;

/**
 * One drum hit of the template.
 *
 * @param step sixteenths from the section's start, from 0
 * @param offsetMs late (positive) or early against the step
 * @param velocity 1..127
 */
public record StepHit(int step, double offsetMs, int velocity) {
  public StepHit {
    if (step < 0 || velocity < 1 || velocity > 127) {
      throw new IllegalArgumentException(
          "need step >= 0 and velocity 1..127 (was: " + step + ", " + velocity + ")");
    }
  }
}
