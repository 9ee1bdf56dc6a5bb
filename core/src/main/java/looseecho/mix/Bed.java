package looseecho.mix;

/**
 * A bed of noise under the whole echo, such as tape hiss, rain or air. It is silent where nothing
 * else plays.
 *
 * @param levelDb level of the noise; {@link #SILENT_DB} and less leave it out
 * @param lowHz lower edge of its band
 * @param highHz upper edge of its band
 * @param duckDb how far each kick pushes it down
 * @param duckMs how long until it is back
 */
public record Bed(double levelDb, double lowHz, double highHz, double duckDb, double duckMs) {
  public static final double SILENT_DB = -70;

  /** No bed; what it would be like when turned up. */
  public static final Bed OFF = new Bed(SILENT_DB, 400, 7000, 6, 180);

  public Bed {
    if (!(levelDb >= -120 && levelDb <= 0)
        || !(lowHz >= 10 && highHz > lowHz && highHz <= 20000)
        || !(duckDb >= 0 && duckDb <= 60)
        || !(duckMs >= 1 && duckMs <= 5000)) {
      throw new IllegalArgumentException(
          "not a bed of noise: " + levelDb + " dB, " + lowHz + ".." + highHz + " Hz");
    }
  }

  public boolean audible() {
    return levelDb > SILENT_DB;
  }

  public Bed level(double db) {
    return new Bed(Math.max(SILENT_DB, Math.min(0, db)), lowHz, highHz, duckDb, duckMs);
  }

  /** The same with another upper edge. */
  public Bed bright(double hz) {
    return new Bed(levelDb, Math.min(lowHz, hz / 2), hz, duckDb, duckMs);
  }

  /** The same pumping so far with the kick, and for so long. */
  public Bed ducked(double db, double ms) {
    return new Bed(levelDb, lowHz, highHz, db, ms);
  }
}
