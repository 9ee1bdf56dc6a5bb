package looseecho.mix;

/**
 * Makes attacks and what rings on louder or softer, whatever the level: a quick and a slow envelope
 * follower differ at attacks, and the other way round while a sound dies away (common practice;
 * described as a differential envelope in Zölzer, "DAFX", 2nd edition, chapter 4). Fed block after
 * block.
 */
final class Transients {
  private static final double QUICK_MS = 1;
  private static final double SLOW_MS = 25;
  private static final double FALL_MS = 60;
  private static final double LONG_MS = 300;
  private static final double FULL_DB = 12; // a difference at which all of it is done
  private static final double FLOOR = 1e-5;

  private final double attackDb;
  private final double sustainDb;
  private final double quick;
  private final double slow;
  private final double fall;
  private final double lasting;
  private double near;
  private double far;
  private double tail;

  Transients(double attackDb, double sustainDb, int rate) {
    this.attackDb = attackDb;
    this.sustainDb = sustainDb;
    quick = pole(QUICK_MS, rate);
    slow = pole(SLOW_MS, rate);
    fall = pole(FALL_MS, rate);
    lasting = pole(LONG_MS, rate);
  }

  private static double pole(double ms, int rate) {
    return 1 - Math.exp(-1000 / (ms * rate));
  }

  void run(float[] x) {
    if (attackDb == 0 && sustainDb == 0) {
      return;
    }
    for (int i = 0; i < x.length; i++) {
      double level = Math.abs(x[i]) + FLOOR;
      near += (level > near ? quick : fall) * (level - near);
      far += (level > far ? slow : fall) * (level - far);
      tail += (level > tail ? quick : lasting) * (level - tail);
      double rising = Math.min(1, Math.max(0, 20 * Math.log10(near / (far + FLOOR)) / FULL_DB));
      double falling = Math.min(1, Math.max(0, 20 * Math.log10(tail / (near + FLOOR)) / FULL_DB));
      x[i] *= (float) Math.pow(10, (attackDb * rising + sustainDb * falling) / 20);
    }
  }
}
