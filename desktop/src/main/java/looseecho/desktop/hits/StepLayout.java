package looseecho.desktop.hits;

import looseecho.pulse.Grid;
import looseecho.pulse.Meter;

/**
 * Where things lie on the step chart: steps and cells across, lanes down.
 *
 * @param width of the chart in pixels
 * @param height of the chart in pixels
 * @param grid the lines that the cursor goes by
 */
record StepLayout(double width, double height, BarRows rows, Grid grid) {
  static final double NAMES = 126;
  static final double HEAD = 26;
  private static final double RIGHT = 8;
  private static final double HIGHEST_ROW = 58;

  /** Ticks from one cell to the next. */
  int cellTicks() {
    return grid.cell();
  }

  int cells() {
    return rows.ticks() / cellTicks();
  }

  double right() {
    return width - RIGHT;
  }

  double bottom() {
    return HEAD + rowHeight() * rows.rows().size();
  }

  double rowHeight() {
    double bass = rows.bass().isEmpty() ? 0 : BassRow.HEIGHT;
    return Math.min(HIGHEST_ROW, (height - HEAD - bass) / Math.max(1, rows.rows().size()));
  }

  double stepWidth() {
    return (width - NAMES - RIGHT) / rows.steps();
  }

  double cellWidth() {
    return stepWidth() * cellTicks() / Meter.STEP;
  }

  /** Pixel of a step, from 0. */
  double x(double step) {
    return NAMES + (step + 0.5) * stepWidth();
  }

  /** Pixel of a cell. */
  double cellX(int cell) {
    return x((double) cell * cellTicks() / Meter.STEP);
  }

  double y(int row) {
    return HEAD + (row + 0.5) * rowHeight();
  }

  /** The row at a pixel, -1 for none. */
  int rowAt(double y) {
    int row = (int) Math.floor((y - HEAD) / rowHeight());
    return row >= 0 && row < rows.rows().size() ? row : -1;
  }

  /** The cell at a pixel, -1 for none. */
  int cellAt(double x) {
    double steps = (x - NAMES) / stepWidth() - 0.5;
    int cell = (int) Math.round(steps * Meter.STEP / cellTicks());
    return steps >= -0.5 && cell < cells() ? Math.max(0, cell) : -1;
  }

  boolean on(BarRows.Mark m, int cell) {
    return Math.abs(m.step() * Meter.STEP - cell * cellTicks()) * 2 < cellTicks();
  }
}
