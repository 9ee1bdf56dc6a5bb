package looseecho.pulse;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import looseecho.reading.Ordered;

/**
 * The bars of a stretch of music: the one place that turns ticks into bars and back. A bar may be
 * cut short at either end: by a pick-up, by a section that begins or ends within it, or because the
 * music moves on early. Ticks count from the stretch's first beat; places within a bar count from
 * where the bar would begin if it were whole, so that a pick-up lies at the end of its bar.
 */
public final class BarGrid {
  private final List<Bar> bars;
  private final int whole;

  /**
   * One bar.
   *
   * @param number as the musician counts, 1 for the first whole one; 0 and below before it
   * @param from tick at which it begins in the stretch
   * @param ticks how many of its ticks lie in the stretch
   * @param missing how many of its ticks lie before the stretch
   */
  public record Bar(int number, int from, int ticks, int missing) {
    public int end() {
      return from + ticks;
    }

    /** Place within the bar of a tick of the stretch. */
    public int inBar(int tick) {
      return tick - from + missing;
    }

    /** Tick of the stretch of a place within the bar. */
    public int tick(int inBar) {
      return from + inBar - missing;
    }

    /** True where the stretch has this place of the bar. */
    public boolean has(int inBar) {
      return inBar >= missing && inBar < missing + ticks;
    }
  }

  /** A bar's number and a place within it, also beyond the ends of the stretch. */
  public record Spot(int bar, int inBar) {}

  private BarGrid(List<Bar> bars, int whole) {
    this.bars = List.copyOf(bars);
    this.whole = whole;
  }

  /** The bars of some beats, each of which lasts as long as the meter says. */
  public static BarGrid of(Meter meter, List<Beat> beats) {
    int per = meter.ticksPerBeat();
    List<Bar> bars = new ArrayList<>();
    int first = 0;
    for (int k = 1; k <= beats.size(); k++) {
      if (k < beats.size() && beats.get(k).position() == beats.get(k - 1).position() + 1) {
        continue;
      }
      Beat b = beats.get(first);
      bars.add(new Bar(b.bar(), first * per, (k - first) * per, (b.position() - 1) * per));
      first = k;
    }
    return new BarGrid(bars, meter.ticksPerBar());
  }

  /** Bars of different lengths one behind the other, numbered from 1; at least one. */
  public static BarGrid of(int[] lengths) {
    List<Bar> bars = new ArrayList<>();
    int from = 0;
    for (int k = 0; k < lengths.length; k++) {
      bars.add(new Bar(k + 1, from, lengths[k], 0));
      from += lengths[k];
    }
    return new BarGrid(bars, lengths[lengths.length - 1]);
  }

  /** In order; none only where there are no beats. */
  public List<Bar> bars() {
    return bars;
  }

  public int size() {
    return bars.size();
  }

  /** Ticks of the stretch. */
  public int ticks() {
    return bars.isEmpty() ? 0 : bars.get(bars.size() - 1).end();
  }

  /** Ticks of a whole bar. */
  public int wholeBar() {
    return whole;
  }

  /** Index of the bar that holds a tick; the first or last one beyond the ends. */
  public int indexAt(long tick) {
    return Ordered.last(bars, Bar::from, (double) tick);
  }

  public Bar at(long tick) {
    return bars.get(indexAt(tick));
  }

  /** Place within its bar of a tick of the stretch. */
  public int inBar(int tick) {
    return at(tick).inBar(tick);
  }

  /** All ticks of the stretch that lie on one place of a bar. */
  public IntStream everywhere(int inBar) {
    return bars.stream().filter(b -> b.has(inBar)).mapToInt(b -> b.tick(inBar));
  }

  /** Bar and place of a tick; whole bars go on beyond both ends. */
  public Spot spot(long tick) {
    Bar b = at(tick);
    long in = tick - b.from() + b.missing();
    return new Spot(
        b.number() + (int) Math.floorDiv(in, (long) whole), (int) Math.floorMod(in, (long) whole));
  }
}
