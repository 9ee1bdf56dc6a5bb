package looseecho.reading;

import java.util.List;
import java.util.Objects;

/**
 * One measured thing: what was heard, how surely, what else it could be, and who settled it.
 *
 * @param value the value in force; never null
 * @param confidence how sure the measurement is, 0..1; 1 once a person has settled it
 * @param reason why, in words for the person; may be empty
 * @param alternatives other values, the likeliest first, without the one in force
 * @param settledBy who has the last word
 */
public record Reading<T>(
    T value,
    double confidence,
    String reason,
    List<Alternative<T>> alternatives,
    Settled settledBy) {

  /** Who settled a reading. */
  public enum Settled {
    MEASURED,
    CONFIRMED,
    CORRECTED
  }

  /**
   * Another value that the reading could have, with its share of confidence 0..1 and the reason.
   */
  public record Alternative<T>(T value, double confidence, String reason) {}

  public Reading {
    Objects.requireNonNull(value, "value must not be null");
    if (!(confidence >= 0 && confidence <= 1)) {
      throw new IllegalArgumentException("confidence must be 0..1 (was: " + confidence + ")");
    }
    alternatives = List.copyOf(alternatives);
  }

  /** A measurement without alternatives. */
  public static <T> Reading<T> measured(T value, double confidence, String reason) {
    return new Reading<>(value, confidence, reason, List.of(), Settled.MEASURED);
  }

  /** The same reading with the person's value; what was measured becomes the first alternative. */
  public Reading<T> corrected(T chosen) {
    if (chosen.equals(value)) {
      return new Reading<>(value, 1, reason, alternatives, Settled.CONFIRMED);
    }
    var others = new java.util.ArrayList<Alternative<T>>();
    others.add(new Alternative<>(value, confidence, reason));
    alternatives.stream().filter(a -> !a.value().equals(chosen)).forEach(others::add);
    return new Reading<>(chosen, 1, "set by you", others, Settled.CORRECTED);
  }
}
