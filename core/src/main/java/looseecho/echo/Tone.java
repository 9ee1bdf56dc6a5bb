package looseecho.echo;

import looseecho.pulse.Meter;
import looseecho.reading.Limits;

/**
 * One note of the template.
 *
 * @param tick place from the section's start, 960 to a quarter
 * @param offsetMs late (positive) or early against its place
 * @param lengthTicks length, more than 0
 * @param pitch MIDI number
 * @param velocity 1..127
 * @param slide semitones from its pitch at which it begins before it slides there; 0 for none
 * @param slideMs how long the slide takes
 */
public record Tone(
    int tick,
    double offsetMs,
    int lengthTicks,
    int pitch,
    int velocity,
    double slide,
    double slideMs)
    implements Placed<Tone> {
  public Tone {
    Limits.within("tick", tick, 0, Limits.TICKS);
    Limits.within("offsetMs", offsetMs, -Limits.OFFSET_MS, Limits.OFFSET_MS);
    Limits.within("lengthTicks", lengthTicks, 1, Limits.TICKS);
    Limits.within("pitch", pitch, 0, 127);
    Limits.within("velocity", velocity, 1, 127);
    Limits.within("slide", slide, -Limits.SEMITONES, Limits.SEMITONES);
    Limits.within("slideMs", slideMs, 0, Limits.SOUND_MS);
  }

  public Tone(int tick, double offsetMs, int lengthTicks, int pitch, int velocity) {
    this(tick, offsetMs, lengthTicks, pitch, velocity, 0, 0);
  }

  /** On a sixteenth, from 0, and so many of them long. */
  public static Tone onStep(int step, double offsetMs, double steps, int pitch, int velocity) {
    int length = (int) Math.round(steps * Meter.STEP);
    return new Tone(step * Meter.STEP, offsetMs, length, pitch, velocity);
  }

  public int end() {
    return tick + lengthTicks;
  }

  /** Shorter where it would last longer; at least a tick. */
  @Override
  public Tone endingBy(int end) {
    return end() > end ? lasting(end - tick) : this;
  }

  @Override
  public Tone at(int newTick, double newOffsetMs) {
    return new Tone(newTick, newOffsetMs, lengthTicks, pitch, velocity, slide, slideMs);
  }

  /** Another length; at least a tick. */
  public Tone lasting(int ticks) {
    return new Tone(tick, offsetMs, Math.max(1, ticks), pitch, velocity, slide, slideMs);
  }

  public Tone pitched(int newPitch) {
    return new Tone(tick, offsetMs, lengthTicks, newPitch, velocity, slide, slideMs);
  }

  public Tone loud(int newVelocity) {
    int v = Math.max(1, Math.min(127, newVelocity));
    return new Tone(tick, offsetMs, lengthTicks, pitch, v, slide, slideMs);
  }
}
