package looseecho.sound;

/**
 * A part's place in the mix.
 *
 * @param levelDb level against full scale of its loudest hits
 * @param pan -1 left .. 1 right
 * @param muted true to leave it out
 * @param duckDb how far each kick pushes it down, 0 for not at all
 * @param duckMs how long until it is back
 * @param room share sent to the room, 0..1
 * @param delay share sent to the delay, 0..1
 */
public record Strip(
    double levelDb,
    double pan,
    boolean muted,
    double duckDb,
    double duckMs,
    double room,
    double delay) {
  public Strip {
    if (!(levelDb >= -80 && levelDb <= 24)
        || !(Math.abs(pan) <= 1)
        || !(duckDb >= 0 && duckDb <= 60)
        || !(duckMs >= 1 && duckMs <= 5000)
        || !(room >= 0 && room <= 1)
        || !(delay >= 0 && delay <= 1)) {
      throw new IllegalArgumentException(
          "not a place in a mix: level " + levelDb + " dB, pan " + pan + ", ducking " + duckDb);
    }
  }

  /** Linear level. */
  double gain() {
    return Math.pow(10, levelDb / 20);
  }

  public Strip level(double db) {
    return new Strip(Math.max(-60, Math.min(12, db)), pan, muted, duckDb, duckMs, room, delay);
  }

  public Strip panned(double to) {
    double p = Math.max(-1, Math.min(1, to));
    return new Strip(levelDb, p, muted, duckDb, duckMs, room, delay);
  }

  public Strip muted(boolean value) {
    return new Strip(levelDb, pan, value, duckDb, duckMs, room, delay);
  }

  public Strip ducked(double db, double ms) {
    return new Strip(levelDb, pan, muted, Math.max(0, db), Math.max(1, ms), room, delay);
  }

  public Strip sends(double toRoom, double toDelay) {
    return new Strip(levelDb, pan, muted, duckDb, duckMs, toRoom, toDelay);
  }
}
