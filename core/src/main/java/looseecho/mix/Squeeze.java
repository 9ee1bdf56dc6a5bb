package looseecho.mix;

import looseecho.reading.Limits;

/**
 * Settings of a compressor.
 *
 * @param thresholdDb level from which on it works, against full scale
 * @param ratio how many dB in become one dB out; 1 does nothing
 * @param attackMs time constant of the way down
 * @param releaseMs time constant of the way back
 * @param lowBackDb what is given back to the low end that it eats, as a shelf below 70 Hz
 */
public record Squeeze(
    double thresholdDb, double ratio, double attackMs, double releaseMs, double lowBackDb) {
  /** None; what it would be like when the ratio is turned up. */
  public static final Squeeze OFF = new Squeeze(-18, 1, 10, 120, 0);

  public Squeeze {
    Limits.within("thresholdDb", thresholdDb, -60, 0);
    Limits.within("ratio", ratio, 1, 20);
    Limits.within("attackMs", attackMs, 0.1, 500);
    Limits.within("releaseMs", releaseMs, 1, 5000);
    Limits.within("lowBackDb", lowBackDb, 0, 12);
  }

  public boolean isOff() {
    return ratio == 1;
  }

  /** The same with another ratio. */
  public Squeeze by(double newRatio) {
    return new Squeeze(thresholdDb, newRatio, attackMs, releaseMs, lowBackDb);
  }

  /** The same from another level on. */
  public Squeeze from(double db) {
    return new Squeeze(db, ratio, attackMs, releaseMs, lowBackDb);
  }

  /** The same with other times. */
  public Squeeze timed(double attack, double release) {
    return new Squeeze(thresholdDb, ratio, attack, release, lowBackDb);
  }

  /** The same giving so much low end back. */
  public Squeeze givingBack(double db) {
    return new Squeeze(thresholdDb, ratio, attackMs, releaseMs, db);
  }
}
