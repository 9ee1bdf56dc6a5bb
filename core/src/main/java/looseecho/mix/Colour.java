package looseecho.mix;

import java.util.Collections;
import java.util.List;
import java.util.stream.IntStream;

/**
 * How a sound is coloured: gains of the octave bands around 63, 125, 250, 500, 1000, 2000, 4000 and
 * 8000 Hz (IEC 61260-1), in dB.
 */
public record Colour(List<Double> db) {
  /** Centres of the bands in hertz. */
  private static final double[] HZ = {63, 125, 250, 500, 1000, 2000, 4000, 8000};

  /** How many bands there are. */
  public static final int BANDS = HZ.length;

  /** The most that a band is lifted or lowered. */
  public static final double MOST_DB = 24;

  public static final Colour FLAT = new Colour(Collections.nCopies(HZ.length, 0.0));

  public Colour {
    db = List.copyOf(db);
    if (db.size() != HZ.length || !db.stream().allMatch(g -> Math.abs(g) <= MOST_DB)) {
      throw new IllegalArgumentException("not a colour of " + HZ.length + " bands: " + db);
    }
  }

  /** One of these gains, what is beyond the limits kept at them. */
  public static Colour of(double[] gains) {
    return new Colour(
        IntStream.range(0, HZ.length)
            .mapToObj(k -> Math.max(-MOST_DB, Math.min(MOST_DB, gains[k])))
            .toList());
  }

  /** The centre of a band in hertz. */
  public static double hz(int band) {
    return HZ[band];
  }

  public boolean isFlat() {
    return equals(FLAT);
  }

  /** The same with another gain in one band. */
  public Colour with(int band, double gain) {
    double[] all = db.stream().mapToDouble(g -> g).toArray();
    all[band] = gain;
    return of(all);
  }
}
