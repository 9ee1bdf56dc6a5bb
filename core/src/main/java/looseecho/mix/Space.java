package looseecho.mix;

import looseecho.reading.Limits;

/**
 * The room that parts are sent to.
 *
 * @param seconds time in which it falls by 60 dB
 * @param damping how much faster the highs fall, 0..0.95
 * @param drive what comes out of it is driven, 0 for not at all: room and then distortion is a
 *     sound of its own
 */
public record Space(double seconds, double damping, double drive) {
  public static final double USUAL_DAMPING = 0.35;

  public Space {
    Limits.within("seconds", seconds, 0.06, 19.99);
    Limits.within("damping", damping, 0, 0.95);
    Limits.within("drive", drive, 0, 10);
  }

  /** The same of another length. */
  public Space lasting(double other) {
    return new Space(other, damping, drive);
  }

  public Space damped(double other) {
    return new Space(seconds, other, drive);
  }

  public Space driven(double other) {
    return new Space(seconds, damping, other);
  }
}
