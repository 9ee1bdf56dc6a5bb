package looseecho.play;

import java.util.Optional;

/** Says when the ears have earned a rest: once for every stretch of so much sound. */
public final class Rests {
  private static final double MINUTE = 60;
  private double told; // seconds of sound when it was last said

  /**
   * Words when a rest is due.
   *
   * @param seconds of sound so far
   * @param minutes of sound between two rests; 0 for none
   */
  public Optional<String> due(double seconds, int minutes) {
    if (minutes == 0 || seconds - told < minutes * MINUTE) {
      return Optional.empty();
    }
    told = seconds;
    return Optional.of(
        "You have listened for "
            + Math.round(seconds / MINUTE)
            + " minutes. Give your ears a rest; the work stays where it is.");
  }
}
