package looseecho.pulse;

import java.util.List;
import looseecho.reading.Ordered;
import looseecho.reading.Reading;

/**
 * The ground everything stands on.
 *
 * @param tempo beats per minute, with the other tempos that could be felt
 * @param steady true when one exact tempo explains all beats; else the beats themselves are the
 *     tempo map
 * @param spreadMs how far heard beats lie from the steady grid (root mean square), or from their
 *     neighbours' middle where the playing drifts
 * @param explained share of the heard beats that the steady grid explains, 0..1
 * @param meter how beats make bars
 * @param beats all beats in order, at least two
 */
public record Pulse(
    Reading<Double> tempo,
    boolean steady,
    double spreadMs,
    double explained,
    Reading<Meter> meter,
    List<Beat> beats) {
  public Pulse {
    beats = List.copyOf(beats);
    if (beats.size() < 2) {
      throw new IllegalArgumentException("need at least two beats (was: " + beats.size() + ")");
    }
  }

  /** Index of the last beat at or before a time; -1 before the first. */
  public int beatAt(double time) {
    return time < beats.get(0).time() ? -1 : Ordered.last(beats, Beat::time, time);
  }

  /**
   * Position in beats, counted from the first beat (0) and continued at both ends by the nearest
   * interval.
   */
  public double beatsAt(double time) {
    return BeatMap.beatsAt(beats, time);
  }

  /** Seconds of a position in beats; the inverse of {@link #beatsAt}. */
  public double timeAt(double position) {
    return BeatMap.timeAt(beats, position);
  }

  /** Sixteenths of a beat: the grid that steps are counted on. */
  public int stepsPerBeat() {
    return meter.value().stepsPerBeat();
  }

  public int beatsPerBar() {
    return meter.value().beats();
  }

  /** Tempo of every bar from one bar line to the next: {start in seconds, beats per minute}. */
  public List<double[]> tempoMap() {
    List<Integer> bars = bars();
    List<double[]> map = new java.util.ArrayList<>();
    for (int i = 0; i + 1 < bars.size(); i++) {
      double from = beats.get(bars.get(i)).time();
      double to = beats.get(bars.get(i + 1)).time();
      map.add(new double[] {from, 60 * (bars.get(i + 1) - bars.get(i)) / (to - from)});
    }
    return map;
  }

  /** Its bars, in ticks from the first beat. Counted anew at each call. */
  public BarGrid grid() {
    return BarGrid.of(meter.value(), beats);
  }

  /** Indices of the beats that begin a bar. */
  public List<Integer> bars() {
    var out = new java.util.ArrayList<Integer>();
    for (int i = 0; i < beats.size(); i++) {
      if (beats.get(i).position() == 1) {
        out.add(i);
      }
    }
    return out;
  }
}
