package looseecho.hits;

import looseecho.activity.Lane;
import looseecho.pulse.Meter;

/**
 * One heard drum hit.
 *
 * @param lane which drum
 * @param time seconds, of the attack
 * @param velocity 1..127 on the scale of General MIDI velocities, where twice the velocity is about
 *     12 dB more: the network's estimate, refined within the lane by the energy of the attacks
 * @param bar number of the bar, as in the pulse
 * @param tick place in the bar, 960 to a quarter: the line that the hit belongs to
 * @param offsetMs how late (positive) or early the hit is against its place
 * @param lengthMs until it has died away by 20 dB or is cut off; 0 when not measured
 * @param figure what it belongs to
 * @param confidence 0..1; 1 once a person has settled it
 */
public record Hit(
    Lane lane,
    double time,
    int velocity,
    int bar,
    int tick,
    double offsetMs,
    double lengthMs,
    Figure figure,
    double confidence) {
  /** What a hit belongs to. */
  public enum Figure {
    SINGLE,
    /** A soft stroke just before the main one. */
    FLAM,
    /** One of a run of even, quick hits. */
    ROLL
  }

  /** A single hit on a sixteenth, from 1, whose length is not measured. */
  public Hit(
      Lane lane, double time, int velocity, int bar, int step, double offsetMs, double confidence) {
    this(
        lane, time, velocity, bar, (step - 1) * Meter.STEP, offsetMs, 0, Figure.SINGLE, confidence);
  }

  /** The sixteenth of the bar that it lies on or behind, from 1. */
  public int step() {
    return tick / Meter.STEP + 1;
  }

  /** The same on another place. */
  public Hit on(int otherBar, int otherTick, double ms) {
    return new Hit(lane, time, velocity, otherBar, otherTick, ms, lengthMs, figure, confidence);
  }

  public Hit withLane(Lane other) {
    return new Hit(other, time, velocity, bar, tick, offsetMs, lengthMs, figure, confidence);
  }

  public Hit withVelocity(int value) {
    return new Hit(lane, time, value, bar, tick, offsetMs, lengthMs, figure, confidence);
  }

  public Hit withLength(double ms) {
    return new Hit(lane, time, velocity, bar, tick, offsetMs, ms, figure, confidence);
  }

  public Hit withFigure(Figure value) {
    return new Hit(lane, time, velocity, bar, tick, offsetMs, lengthMs, value, confidence);
  }

  public Hit settled() {
    return new Hit(lane, time, velocity, bar, tick, offsetMs, lengthMs, figure, 1);
  }
}
