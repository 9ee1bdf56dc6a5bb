package looseecho.echo;

import looseecho.pulse.Grid;
import looseecho.pulse.Meter;

/**
 * One place of a drum in a section, as wide as the grid that is worked on: what lies nearer to it
 * than to its neighbours is on it.
 *
 * @param tick from the section's start
 */
public record Cell(int section, DrumPart drum, int tick, Grid grid) {
  /** A sixteenth, from 0. */
  public static Cell step(int section, DrumPart drum, int step) {
    return new Cell(section, drum, step * Meter.STEP, Grid.SIXTEENTH);
  }

  /** The same place elsewhere in the section. */
  Cell at(int otherTick) {
    return new Cell(section, drum, otherTick, grid);
  }

  /** True where a stroke is written on it. */
  public boolean holds(Placed<?> p) {
    return 2 * (p.tick() - tick) < grid.ticks() && 2 * (tick - p.tick()) <= grid.ticks();
  }
}
