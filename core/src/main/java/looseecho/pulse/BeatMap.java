package looseecho.pulse;

import java.util.List;
import looseecho.reading.Ordered;

/**
 * Beats as a map between seconds and positions in beats, counted from the first (0) and continued
 * at both ends by the nearest interval. Needs two beats at least.
 */
public final class BeatMap {
  private BeatMap() {}

  /** Position of a time. */
  public static double beatsAt(List<Beat> beats, double time) {
    int i = Ordered.last(beats.subList(0, beats.size() - 1), Beat::time, time);
    double start = beats.get(i).time();
    return i + (time - start) / (beats.get(i + 1).time() - start);
  }

  /** Seconds of a position; the inverse of {@link #beatsAt}. */
  public static double timeAt(List<Beat> beats, double position) {
    int i = (int) Math.min(Math.max(0, Math.floor(position)), beats.size() - 2);
    double start = beats.get(i).time();
    return start + (position - i) * (beats.get(i + 1).time() - start);
  }
}
