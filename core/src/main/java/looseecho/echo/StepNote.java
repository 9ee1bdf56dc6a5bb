package looseecho.echo;

/**
 * One note of the template.
 *
 * @param step sixteenths from the section's start, from 0
 * @param lengthSteps length in sixteenths, more than 0
 * @param pitch MIDI number
 * @param velocity 1..127
 * @param slide semitones from its pitch at which it begins before it slides there; 0 for none
 * @param slideMs how long the slide takes
 */
public record StepNote(
    int step,
    double offsetMs,
    double lengthSteps,
    int pitch,
    int velocity,
    double slide,
    double slideMs) {
  public StepNote {
    if (step < 0
        || !(lengthSteps > 0)
        || pitch < 0
        || pitch > 127
        || velocity < 1
        || velocity > 127) {
      throw new IllegalArgumentException(
          "not a note: step "
              + step
              + ", length "
              + lengthSteps
              + ", pitch "
              + pitch
              + ", loudness "
              + velocity);
    }
  }

  public StepNote(int step, double offsetMs, double lengthSteps, int pitch, int velocity) {
    this(step, offsetMs, lengthSteps, pitch, velocity, 0, 0);
  }

  public StepNote at(int newStep, double newOffsetMs) {
    return new StepNote(newStep, newOffsetMs, lengthSteps, pitch, velocity, slide, slideMs);
  }

  public StepNote lasting(double steps) {
    return new StepNote(step, offsetMs, steps, pitch, velocity, slide, slideMs);
  }

  public StepNote pitched(int newPitch) {
    return new StepNote(step, offsetMs, lengthSteps, newPitch, velocity, slide, slideMs);
  }

  public StepNote loud(int newVelocity) {
    int v = Math.max(1, Math.min(127, newVelocity));
    return new StepNote(step, offsetMs, lengthSteps, pitch, v, slide, slideMs);
  }
}
