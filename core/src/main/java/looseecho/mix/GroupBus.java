package looseecho.mix;

import looseecho.reading.Limits;

/**
 * What a group runs through: cuts, compressor, drive, level.
 *
 * @param levelDb of the group
 * @param lowCutHz 0 for none
 * @param highCutHz 0 for none
 * @param squeeze compressor
 * @param drive 0 clean .. 10
 * @param blend share of the driven sound, 0..1
 */
public record GroupBus(
    double levelDb,
    double lowCutHz,
    double highCutHz,
    Squeeze squeeze,
    double drive,
    double blend) {
  public static final GroupBus PLAIN = new GroupBus(0, 0, 0, Squeeze.OFF, 0, 1);

  public GroupBus {
    squeeze = squeeze == null ? Squeeze.OFF : squeeze;
    Limits.within("levelDb", levelDb, -60, 24);
    Limits.within("lowCutHz", lowCutHz, 0, Limits.HERTZ);
    Limits.within("highCutHz", highCutHz, 0, Limits.HERTZ);
    Limits.within("drive", drive, 0, 10);
    Limits.within("blend", blend, 0, 1);
  }

  /** The same at another level. */
  public GroupBus level(double db) {
    return new GroupBus(db, lowCutHz, highCutHz, squeeze, drive, blend);
  }

  /** The same with other cuts. */
  public GroupBus cut(double low, double high) {
    return new GroupBus(levelDb, low, high, squeeze, drive, blend);
  }

  public GroupBus with(Squeeze other) {
    return new GroupBus(levelDb, lowCutHz, highCutHz, other, drive, blend);
  }

  /** The same with another drive. */
  public GroupBus driven(double by, double share) {
    return new GroupBus(levelDb, lowCutHz, highCutHz, squeeze, by, share);
  }
}
