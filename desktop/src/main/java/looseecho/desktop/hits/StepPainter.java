package looseecho.desktop.hits;

import java.util.function.Function;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import javafx.scene.text.Font;
import javafx.scene.text.TextAlignment;
import looseecho.desktop.control.ChartPane.Hue;
import looseecho.desktop.control.Glyphs;
import looseecho.desktop.hits.BarRows.Mark;
import looseecho.desktop.hits.BarRows.Row;
import looseecho.desktop.theme.Theme;
import looseecho.pulse.Meter;

/** Draws the parts of the step chart. */
record StepPainter(GraphicsContext g, Function<Hue, Color> colour, StepLayout at) {
  private static final double LEAST_CELL = 8; // pixels: finer lines are not drawn

  private Color faint(Hue hue, double opacity) {
    return colour.apply(hue).deriveColor(0, 1, 1, opacity);
  }

  /** Beats, steps with their numbers, and the finer lines of the row that is worked on. */
  void grid(int row) {
    BarRows rows = at.rows();
    g.setTextBaseline(VPos.CENTER);
    g.setTextAlign(TextAlignment.CENTER);
    for (int s = 0; s < rows.steps(); s++) {
      boolean beat = s % rows.stepsPerBeat() == 0;
      if (s / rows.stepsPerBeat() % 2 == 0 && beat) {
        g.setFill(colour.apply(Hue.PANEL));
        g.fillRect(
            at.x(s) - at.stepWidth() / 2,
            StepLayout.HEAD,
            at.stepWidth() * Math.min(rows.stepsPerBeat(), rows.steps() - s),
            at.bottom() - StepLayout.HEAD);
      }
      double sx = Math.round(at.x(s)) + 0.5;
      g.setStroke(beat ? faint(Hue.QUIET, 0.7) : colour.apply(Hue.LINE));
      g.strokeLine(sx, StepLayout.HEAD - 4, sx, at.bottom());
      g.setFont(Font.font(Theme.NUMBER_FAMILY, beat ? 14 : 12));
      g.setFill(colour.apply(beat ? Hue.INK : Hue.QUIET));
      g.fillText(String.valueOf(s + 1), sx, StepLayout.HEAD / 2 - 2);
    }
    g.setTextAlign(TextAlignment.LEFT);
    if (at.cellWidth() >= LEAST_CELL && at.grid().ticks() != Meter.STEP) {
      g.setStroke(colour.apply(Hue.LINE));
      g.setLineDashes(1.5, 3);
      for (int c = 0; c < at.cells(); c++) {
        double px = Math.round(at.cellX(c)) + 0.5;
        g.strokeLine(px, at.y(row) - at.rowHeight() / 2, px, at.y(row) + at.rowHeight() / 2);
      }
      g.setLineDashes((double[]) null);
    }
  }

  /** From the mark to the cursor, under the hits. */
  void mark(int row, int from, int to) {
    g.setFill(faint(Hue.WASH, 0.6));
    double left = at.cellX(from) - at.cellWidth() / 2;
    double width = at.cellX(to) - at.cellX(from) + at.cellWidth();
    g.fillRect(left, at.y(row) - at.rowHeight() / 2, width, at.rowHeight());
  }

  void lanes() {
    for (int i = 0; i < at.rows().rows().size(); i++) {
      lane(at.rows().rows().get(i), at.y(i));
    }
    if (!at.rows().bass().isEmpty()) {
      new BassRow(colour.apply(Hue.INK), colour.apply(Hue.HEARD), colour.apply(Hue.ECHO))
          .draw(g, at.rows().bass(), at.bottom(), at::x, at.right());
    }
  }

  private void lane(Row row, double y) {
    g.setStroke(colour.apply(Hue.LINE));
    g.strokeLine(StepLayout.NAMES, Math.round(y) + 0.5, at.right(), Math.round(y) + 0.5);
    g.setFill(colour.apply(Hue.QUIET));
    Glyphs.solid(g, row.drum().lane(), 10, y, 13);
    g.setFont(Font.font(Theme.TEXT_FAMILY, 14));
    g.setFill(colour.apply(Hue.INK));
    g.fillText(row.name(), 26, y);
    g.setFill(colour.apply(Hue.ECHO));
    for (Mark m : row.echo()) {
      Glyphs.solid(g, row.drum().lane(), x(m), y, 0.72 * size(m));
    }
    for (Mark m : row.heard()) {
      g.setStroke(faint(Hue.HEARD, 0.35 + 0.65 * m.weight()));
      Glyphs.hollow(g, row.drum().lane(), x(m), y, size(m), 0.8 + 1.0 * m.weight());
    }
  }

  private double x(Mark m) {
    return at.x(m.step() + m.offsetMs() / at.rows().stepMs());
  }

  private double size(Mark m) {
    return Math.min(at.rowHeight() * 0.85, 9 + 23 * Math.pow(m.velocity() / 127, 1.2));
  }

  /** A frame around the cursor's cell. */
  void cursor(int row, int cell) {
    g.setStroke(colour.apply(Hue.INK));
    g.setLineWidth(1.5);
    g.strokeRoundRect(
        at.cellX(cell) - at.cellWidth() / 2 + 1,
        at.y(row) - at.rowHeight() / 2 + 1,
        at.cellWidth() - 2,
        at.rowHeight() - 2,
        6,
        6);
    g.setLineWidth(1);
  }
}
