package looseecho.hits;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.pulse.BarGrid;
import looseecho.pulse.Grid;
import looseecho.pulse.Pulse;
import looseecho.reading.Together;

/**
 * Finds the line that each hit belongs to. A drum goes by the {@link Division} of its own hits, a
 * roll by its own gap, and two hits that would share a line by the coarsest grid that tells them
 * apart. What keeps to no line stays where it is.
 */
public final class GridFinder {
  private static final double CLEAR = 0.75; // fit of a drum's own grid that is believed
  private static final double CLOSE = 0.75; // of their lines' distance: too near for them
  private static final double TOGETHER = 20; // ticks: attacks nearer than this are one
  private static final Grid[] FINER = {Grid.SIXTEENTH_TRIPLET, Grid.THIRTY_SECOND};

  private final Pulse pulse;
  private final BarGrid bars;
  private final Optional<Swing> swing;
  private final double perBeat;

  public GridFinder(Pulse pulse, Optional<Swing> swing) {
    this.pulse = pulse;
    this.bars = pulse.grid();
    this.swing = swing;
    this.perBeat = pulse.meter().value().ticksPerBeat();
  }

  /** The same hits in the same order, each on its line and as late as it is against it. */
  public List<Hit> place(List<Hit> hits) {
    Hit[] out = hits.toArray(new Hit[0]);
    Together.each(
        List.of(Lane.values()), // each has its own places
        lane ->
            place(
                out,
                IntStream.range(0, out.length).filter(i -> hits.get(i).lane() == lane).toArray()));
    return List.of(out);
  }

  private void place(Hit[] hits, int[] at) {
    double[] tick = Arrays.stream(at).mapToDouble(i -> tick(hits[i].time())).toArray();
    double[] plain =
        IntStream.range(0, at.length)
            .filter(k -> hits[at[k]].figure() == Hit.Figure.SINGLE)
            .mapToDouble(k -> tick[k])
            .toArray();
    Grid[] grid = new Grid[at.length];
    Arrays.fill(grid, usual(plain));
    for (int k = 0; k < at.length; ) {
      int end = k + 1;
      boolean roll = hits[at[k]].figure() == Hit.Figure.ROLL;
      while (roll
          && end < at.length
          && hits[at[end]].figure() == Hit.Figure.ROLL
          && tick[end] - tick[end - 1] < perBeat / 2) {
        end++;
      }
      if (roll && end > k + 1) {
        Arrays.fill(grid, k, end, Grid.ofGap(gap(tick, k, end)));
      }
      k = end;
    }
    long[] line = lines(tick, grid, k -> hits[at[k]].figure() == Hit.Figure.FLAM);
    for (int k = 0; k < at.length; k++) {
      boolean flam = hits[at[k]].figure() == Hit.Figure.FLAM && k + 1 < at.length;
      hits[at[k]] = on(hits[at[k]], flam ? line[k + 1] : line[k]);
    }
  }

  /**
   * The lines of a single part's attacks, such as a bass's, in ticks from the first beat.
   *
   * @param times seconds in order
   */
  public long[] lines(double[] times) {
    double[] tick = Arrays.stream(times).map(this::tick).toArray();
    Grid[] grid = new Grid[tick.length];
    Arrays.fill(grid, usual(tick));
    return lines(tick, grid, k -> false);
  }

  private long[] lines(double[] tick, Grid[] grid, IntPredicate grace) {
    long[] line = IntStream.range(0, tick.length).mapToLong(k -> line(tick[k], grid[k])).toArray();
    for (int k = 0; k + 1 < tick.length; k++) {
      long between = line[k + 1] - line[k];
      boolean close = between > 0 && tick[k + 1] - tick[k] < CLOSE * between;
      if (tick[k + 1] - tick[k] < TOGETHER) {
        line[k + 1] = line[k];
      } else if ((between <= 0 || close) && !grace.test(k)) {
        apart(tick, line, k);
      }
    }
    return line;
  }

  /** The grid of a part by its own attacks in ticks; sixteenths where they do not say. */
  private Grid usual(double[] tick) {
    int lines =
        Division.of(Arrays.stream(tick).map(x -> x / perBeat).toArray(), swing)
            .filter(d -> d.fit() >= CLEAR)
            .map(Division::perBeat)
            .orElse(4);
    for (Grid g : Grid.values()) {
      if (g.ticks() * lines == perBeat && g.ticks() < Grid.EIGHTH.ticks()) {
        return g;
      }
    }
    return Grid.SIXTEENTH;
  }

  private static double gap(double[] tick, int from, int end) {
    double[] gaps =
        IntStream.range(from + 1, end).mapToDouble(k -> tick[k] - tick[k - 1]).toArray();
    Arrays.sort(gaps);
    return gaps[gaps.length / 2];
  }

  /** Puts two neighbours on lines of their own, or where they are when no grid tells them apart. */
  private void apart(double[] tick, long[] line, int k) {
    double least = Double.MAX_VALUE;
    long[] best = {Math.round(tick[k]), Math.max(Math.round(tick[k]) + 1, Math.round(tick[k + 1]))};
    for (Grid g : FINER) {
      long a = line(tick[k], g);
      long b = line(tick[k + 1], g);
      double error = Math.abs(a - tick[k]) + Math.abs(b - tick[k + 1]);
      boolean free = k == 0 || a > line[k - 1];
      if (a < b && free && error < least) {
        least = error;
        best = new long[] {a, b};
      }
    }
    line[k] = best[0];
    line[k + 1] = best[1];
  }

  private double tick(double time) {
    return pulse.beatsAt(time) * perBeat;
  }

  /** The nearest line, counted from the first beat. */
  private long line(double tick, Grid grid) {
    BarGrid.Bar bar = bars.at(Math.round(tick));
    double inBar = tick - bar.from() + bar.missing();
    return (long) grid.nearest(inBar) + bar.from() - bar.missing();
  }

  private Hit on(Hit h, long line) {
    BarGrid.Spot spot = bars.spot(line);
    double offset = 1000 * (h.time() - pulse.timeAt(line / perBeat));
    return h.on(spot.bar(), spot.inBar(), offset);
  }
}
