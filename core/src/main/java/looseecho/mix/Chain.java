package looseecho.mix;

import looseecho.reading.Limits;

/**
 * What a layer runs through, in order: cuts, drive, cuts, compressor, attack and sustain.
 *
 * @param lowCutHz what lies below is taken off before the drive; 0 for none
 * @param highCutHz what lies above is taken off before the drive; 0 for none
 * @param drive 0 clean .. 10 strongly bent
 * @param blend share of the driven sound, 0..1
 * @param lowAfterHz low cut behind the drive; 0 for none
 * @param highAfterHz high cut behind the drive; 0 for none
 * @param squeeze compressor
 * @param attackDb attacks louder or softer
 * @param sustainDb what rings on louder or softer
 */
public record Chain(
    double lowCutHz,
    double highCutHz,
    double drive,
    double blend,
    double lowAfterHz,
    double highAfterHz,
    Squeeze squeeze,
    double attackDb,
    double sustainDb) {
  /** Leaves everything as it is. */
  public static final Chain PLAIN = new Chain(0, 0, 0, 1, 0, 0, Squeeze.OFF, 0, 0);

  public Chain {
    squeeze = squeeze == null ? Squeeze.OFF : squeeze;
    Limits.within("lowCutHz", lowCutHz, 0, Limits.HERTZ);
    Limits.within("highCutHz", highCutHz, 0, Limits.HERTZ);
    Limits.within("drive", drive, 0, 10);
    Limits.within("blend", blend, 0, 1);
    Limits.within("lowAfterHz", lowAfterHz, 0, Limits.HERTZ);
    Limits.within("highAfterHz", highAfterHz, 0, Limits.HERTZ);
    Limits.within("attackDb", attackDb, -24, 24);
    Limits.within("sustainDb", sustainDb, -24, 24);
  }

  /** Its numbers, for dials. */
  public enum Dial {
    LOW_CUT,
    HIGH_CUT,
    DRIVE,
    BLEND,
    LOW_AFTER,
    HIGH_AFTER,
    ATTACK,
    SUSTAIN
  }

  /** The same with one number exchanged. */
  public Chain with(Dial dial, double value) {
    double[] v = {lowCutHz, highCutHz, drive, blend, lowAfterHz, highAfterHz, attackDb, sustainDb};
    v[dial.ordinal()] = value;
    return new Chain(v[0], v[1], v[2], v[3], v[4], v[5], squeeze, v[6], v[7]);
  }

  /** The same with another compressor. */
  public Chain with(Squeeze other) {
    return new Chain(
        lowCutHz, highCutHz, drive, blend, lowAfterHz, highAfterHz, other, attackDb, sustainDb);
  }
}
