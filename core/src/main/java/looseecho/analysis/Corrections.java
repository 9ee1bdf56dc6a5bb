package looseecho.analysis;

import java.util.Optional;
import looseecho.notes.Key;

/**
 * What the person has decided against or beside the measurement. Stored apart from it, and never
 * overwritten by a new analysis.
 *
 * @param bpm tempo, such as the measured one halved
 * @param barOneAt seconds of the first beat of bar 1
 * @param key the key
 */
public record Corrections(Optional<Double> bpm, Optional<Double> barOneAt, Optional<Key> key) {
  public static final Corrections NONE =
      new Corrections(Optional.empty(), Optional.empty(), Optional.empty());

  public Corrections {
    if (bpm.isPresent() && !(bpm.get() >= 20 && bpm.get() <= 400)) {
      throw new IllegalArgumentException("bpm must be 20..400 (was: " + bpm.get() + ")");
    }
  }

  public Corrections withBpm(double value) {
    return new Corrections(Optional.of(value), barOneAt, key);
  }

  public Corrections withBarOneAt(double seconds) {
    return new Corrections(bpm, Optional.of(seconds), key);
  }

  public Corrections withKey(Key value) {
    return new Corrections(bpm, barOneAt, Optional.of(value));
  }
}
