package looseecho.echo;

import looseecho.reading.Limits;

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
    Limits.within("step", step, 0, Limits.STEPS);
    Limits.within("offsetMs", offsetMs, -Limits.OFFSET_MS, Limits.OFFSET_MS);
    Limits.within("lengthSteps", lengthSteps, Double.MIN_VALUE, Limits.STEPS);
    Limits.within("pitch", pitch, 0, 127);
    Limits.within("velocity", velocity, 1, 127);
    Limits.within("slide", slide, -Limits.SEMITONES, Limits.SEMITONES);
    Limits.within("slideMs", slideMs, 0, Limits.SOUND_MS);
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
