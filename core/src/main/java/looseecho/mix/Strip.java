package looseecho.mix;

import java.util.Optional;
import looseecho.activity.Lane;

/**
 * A part's place in the mix.
 *
 * @param levelDb level against full scale of its loudest hits
 * @param pan -1 left .. 1 right
 * @param muted true to leave it out
 * @param duckDb how far each hit of the lane below pushes it down, 0 for not at all
 * @param duckMs how long until it is back
 * @param room share sent to the room, 0..1
 * @param delay share sent to the delay, 0..1
 * @param duckBy the lane that pushes it down
 * @param width 0 for a point .. 1 wide across both sides
 * @param colour gains of its octave bands
 * @param duck what else pushes it down, and how it comes back
 * @param repeats its own delay; empty for the shared one
 */
public record Strip(
    double levelDb,
    double pan,
    boolean muted,
    double duckDb,
    double duckMs,
    double room,
    double delay,
    Lane duckBy,
    double width,
    Colour colour,
    Duck duck,
    Optional<Repeats> repeats) {
  public Strip {
    colour = colour == null ? Colour.FLAT : colour;
    duck = duck == null ? Duck.PLAIN : duck;
    repeats = repeats == null ? Optional.empty() : repeats;
    if (!(levelDb >= -80 && levelDb <= 24)
        || !(Math.abs(pan) <= 1)
        || !(duckDb >= 0 && duckDb <= 60)
        || !(duckMs >= 1 && duckMs <= 5000)
        || !(room >= 0 && room <= 1)
        || !(delay >= 0 && delay <= 1)
        || duckBy == null
        || !(width >= 0 && width <= 1)) {
      throw new IllegalArgumentException(
          "not a place in a mix: level " + levelDb + " dB, pan " + pan + ", ducking " + duckDb);
    }
  }

  /** Ducked by the kick, and a point. */
  public Strip(
      double levelDb,
      double pan,
      boolean muted,
      double duckDb,
      double duckMs,
      double room,
      double delay) {
    this(
        levelDb,
        pan,
        muted,
        duckDb,
        duckMs,
        room,
        delay,
        Lane.KICK,
        0,
        Colour.FLAT,
        Duck.PLAIN,
        Optional.empty());
  }

  /** Linear level. */
  double gain() {
    return Math.pow(10, levelDb / 20);
  }

  public Strip level(double db) {
    double to = Math.max(-60, Math.min(12, db));
    return new Strip(
        to, pan, muted, duckDb, duckMs, room, delay, duckBy, width, colour, duck, repeats);
  }

  public Strip panned(double to) {
    double p = Math.max(-1, Math.min(1, to));
    return new Strip(
        levelDb, p, muted, duckDb, duckMs, room, delay, duckBy, width, colour, duck, repeats);
  }

  public Strip muted(boolean value) {
    return new Strip(
        levelDb, pan, value, duckDb, duckMs, room, delay, duckBy, width, colour, duck, repeats);
  }

  public Strip ducked(double db, double ms) {
    double depth = Math.max(0, db);
    return new Strip(
        levelDb,
        pan,
        muted,
        depth,
        Math.max(1, ms),
        room,
        delay,
        duckBy,
        width,
        colour,
        duck,
        repeats);
  }

  /** The same pushed down by another lane. */
  public Strip duckedBy(Lane lane) {
    return new Strip(
        levelDb, pan, muted, duckDb, duckMs, room, delay, lane, width, colour, duck, repeats);
  }

  public Strip sends(double toRoom, double toDelay) {
    return new Strip(
        levelDb, pan, muted, duckDb, duckMs, toRoom, toDelay, duckBy, width, colour, duck, repeats);
  }

  public Strip wide(double value) {
    return new Strip(
        levelDb, pan, muted, duckDb, duckMs, room, delay, duckBy, value, colour, duck, repeats);
  }

  public Strip coloured(Colour other) {
    return new Strip(
        levelDb, pan, muted, duckDb, duckMs, room, delay, duckBy, width, other, duck, repeats);
  }

  /** The same pushed down in another way. */
  public Strip with(Duck other) {
    return new Strip(
        levelDb, pan, muted, duckDb, duckMs, room, delay, duckBy, width, colour, other, repeats);
  }

  /** The same with a delay of its own; empty for the shared one. */
  public Strip repeating(Optional<Repeats> own) {
    return new Strip(
        levelDb, pan, muted, duckDb, duckMs, room, delay, duckBy, width, colour, duck, own);
  }
}
