package looseecho.mix;

import looseecho.reading.Limits;

/**
 * How a layer fills the width.
 *
 * @param kind how it is made
 * @param amount 0..1; for a delayed side, of {@link #LONGEST_MS}
 */
public record Spread(Kind kind, double amount) {
  /** Most by which one side comes later (common practice: a few to some ten ms). */
  public static final double LONGEST_MS = 30;

  public static final Spread POINT = new Spread(Kind.POINT, 0);

  /** The ways of making width. */
  public enum Kind {
    POINT("a point"),
    /** The right side comes later. */
    DELAYED("one side later"),
    /** Each side its own copy; the sum of both is the mono sound. */
    DOUBLED("doubled"),
    /** Only at the sides: in mono it is gone. */
    SIDES("sides only");

    private final String words;

    Kind(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  public Spread {
    kind = kind == null ? Kind.POINT : kind;
    Limits.within("amount", amount, 0, 1);
  }
}
