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
 * @param voice which of the lane's sounds it is, where there are several
 * @param pitch semitones above the lane's usual hit; 0 where no other pitch was heard
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
    double confidence,
    Voice voice,
    double pitch) {
  private static final double DOUBT = 0.6;

  public Hit {
    voice = voice == null ? Voice.PLAIN : voice; // heard by an ear that knew none
  }

  /** True while a person had better look at it. */
  public boolean doubtful() {
    return confidence < DOUBT;
  }

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
        lane,
        time,
        velocity,
        bar,
        (step - 1) * Meter.STEP,
        offsetMs,
        0,
        Figure.SINGLE,
        confidence,
        Voice.PLAIN,
        0);
  }

  /** The sixteenth of the bar that it lies on or behind, from 1. */
  public int step() {
    return tick / Meter.STEP + 1;
  }

  /** The same on another place. */
  public Hit on(int otherBar, int otherTick, double ms) {
    return new Hit(
        lane, time, velocity, otherBar, otherTick, ms, lengthMs, figure, confidence, voice, pitch);
  }

  public Hit withLane(Lane other) {
    return with(other, velocity, lengthMs, figure, confidence, voice, pitch);
  }

  public Hit withVelocity(int value) {
    return with(lane, value, lengthMs, figure, confidence, voice, pitch);
  }

  public Hit withLength(double ms) {
    return with(lane, velocity, ms, figure, confidence, voice, pitch);
  }

  public Hit withFigure(Figure value) {
    return with(lane, velocity, lengthMs, value, confidence, voice, pitch);
  }

  public Hit withConfidence(double value) {
    return with(lane, velocity, lengthMs, figure, value, voice, pitch);
  }

  public Hit withVoice(Voice value) {
    return with(lane, velocity, lengthMs, figure, confidence, value, pitch);
  }

  public Hit withPitch(double semitones) {
    return with(lane, velocity, lengthMs, figure, confidence, voice, semitones);
  }

  public Hit settled() {
    return with(lane, velocity, lengthMs, figure, 1, voice, pitch);
  }

  private Hit with(Lane l, int v, double length, Figure f, double sure, Voice sound, double high) {
    return new Hit(l, time, v, bar, tick, offsetMs, length, f, sure, sound, high);
  }
}
