package looseecho.echo;

/**
 * One note of the template.
 *
 * @param step sixteenths from the section's start, from 0
 * @param lengthSteps length in sixteenths, more than 0
 * @param pitch MIDI number
 */
public record StepNote(int step, double offsetMs, double lengthSteps, int pitch, int velocity) {}
