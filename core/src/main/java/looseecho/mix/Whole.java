package looseecho.mix;

import looseecho.reading.Limits;

/**
 * What is done to the whole.
 *
 * @param monoBelowHz edge below which both sides are the same, 0 to leave them as they are
 * @param colour of the whole
 * @param sides colour of what differs between the sides, besides: more is wider
 * @param master what it ends in
 */
public record Whole(double monoBelowHz, Colour colour, Colour sides, Master master) {
  private static final double MOST_MONO_HZ = 500;

  public Whole {
    colour = colour == null ? Colour.FLAT : colour;
    sides = sides == null ? Colour.FLAT : sides;
    master = master == null ? Master.PLAIN : master;
    Limits.within("monoBelowHz", monoBelowHz, 0, MOST_MONO_HZ);
  }

  /** The same with both sides alike below another edge. */
  public Whole mono(double hz) {
    return new Whole(hz, colour, sides, master);
  }

  /** The same in another colour. */
  public Whole coloured(Colour whole, Colour ofSides) {
    return new Whole(monoBelowHz, whole, ofSides, master);
  }

  public Whole with(Master other) {
    return new Whole(monoBelowHz, colour, sides, other);
  }
}
