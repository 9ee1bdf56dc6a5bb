package looseecho.hits;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.pulse.BarGrid;
import looseecho.pulse.Grid;
import looseecho.pulse.Pulse;

/**
 * Finds the line that each hit belongs to. A drum goes by the {@link Division} of its own hits, a
 * roll by its own gap, and two hits that would share a line by the coarsest grid that tells them
 * apart. What keeps to no line stays where it is.
 */
public final class GridFinder {
  private static final double CLEAR = 0.75; // fit of a drum's own grid that is believed
  private static final double CLOSE = 0.75; // of their lines' distance: too near for them
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
    for (Lane lane : Lane.values()) {
      int[] at = IntStream.range(0, out.length).filter(i -> out[i].lane() == lane).toArray();
      place(out, at);
    }
    return List.of(out);
  }

  private void place(Hit[] hits, int[] at) {
    List<Hit> plain =
        Arrays.stream(at)
            .mapToObj(i -> hits[i])
            .filter(h -> h.figure() == Hit.Figure.SINGLE)
            .toList();
    Grid usual = usual(plain);
    double[] tick = Arrays.stream(at).mapToDouble(i -> tick(hits[i])).toArray();
    Grid[] grid = new Grid[at.length];
    for (int k = 0; k < at.length; ) {
      int end = k + 1;
      boolean roll = hits[at[k]].figure() == Hit.Figure.ROLL;
      while (roll
          && end < at.length
          && hits[at[end]].figure() == Hit.Figure.ROLL
          && tick[end] - tick[end - 1] < perBeat / 2) {
        end++;
      }
      Arrays.fill(grid, k, end, roll && end > k + 1 ? Grid.ofGap(gap(tick, k, end)) : usual);
      k = end;
    }
    long[] line = IntStream.range(0, at.length).mapToLong(k -> line(tick[k], grid[k])).toArray();
    for (int k = 0; k + 1 < at.length; k++) {
      boolean flam = hits[at[k]].figure() == Hit.Figure.FLAM;
      boolean close =
          line[k + 1] - line[k] > 0 && tick[k + 1] - tick[k] < CLOSE * (line[k + 1] - line[k]);
      if ((line[k] >= line[k + 1] || close) && !flam) {
        apart(tick, line, k);
      }
    }
    for (int k = 0; k < at.length; k++) {
      boolean flam = hits[at[k]].figure() == Hit.Figure.FLAM && k + 1 < at.length;
      hits[at[k]] = on(hits[at[k]], flam ? line[k + 1] : line[k]);
    }
  }

  /** The grid of a drum by its own hits; sixteenths where they do not say. */
  private Grid usual(List<Hit> plain) {
    int lines =
        Division.of(plain, pulse, swing)
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

  private double tick(Hit h) {
    return pulse.beatsAt(h.time()) * perBeat;
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
