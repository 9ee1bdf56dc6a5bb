package looseecho.desktop.hits;

import java.util.OptionalInt;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.text.Font;
import javafx.scene.text.TextAlignment;
import looseecho.activity.Lane;
import looseecho.desktop.control.ChartPane;
import looseecho.desktop.control.Glyphs;
import looseecho.desktop.hits.BarRows.Mark;
import looseecho.desktop.hits.BarRows.Row;
import looseecho.desktop.theme.Theme;
import looseecho.echo.Words;
import looseecho.pulse.Grid;
import looseecho.pulse.Meter;

/**
 * Lanes over the steps of a bar. Each lane is a thin line; heard hits hang on it hollow at their
 * true place, the echo's are solid. With an {@link Editor} the steps can be changed by mouse and
 * keys.
 */
public final class StepChart extends ChartPane {
  private static final double NAMES = 118;
  private static final double HEAD = 26;
  private static final double LEAST_CELL = 8; // pixels: finer lines are not drawn
  private static final int FREE = 40; // ticks from cell to cell without a grid

  /** What the chart asks for when the person edits; places are ticks of the bar. */
  public interface Editor {
    void toggle(Lane lane, int inBar);

    void shape(Lane lane, int inBar, int louder, double laterMs);

    /** False when a click only moves the cursor. */
    default boolean clickToggles() {
      return true;
    }

    default void delete(Lane lane, int inBar) {
      toggle(lane, inBar);
    }

    /** Lets the hit last longer, or shorter below 0. */
    default void length(Lane lane, int inBar, int longer) {}

    /** Gives the hit to another lane. */
    default void move(Lane lane, int inBar, Lane to) {}
  }

  private final Consumer<String> hint;
  private BarRows rows = BarRows.EMPTY;
  private Editor editor;
  private int cursorRow;
  private int cursorCell;
  private int markCell = -1;
  private Grid grid = Grid.SIXTEENTH;
  private final ReadOnlyObjectWrapper<Lane> lane = new ReadOnlyObjectWrapper<>();

  /** {@code hint} is told what lies under the pointer or the cursor. */
  public StepChart(Consumer<String> hint) {
    this.hint = hint;
    setId("steps");
    setPrefHeight(380);
    setMinHeight(160);
    setAccessibleText("Drum lanes over the steps of the bar");
    setOnMouseMoved(e -> tell(rowAt(e.getY()), cellAt(e.getX())));
    setOnMousePressed(this::pressed);
    setOnKeyPressed(this::key);
  }

  /** Shows a bar. */
  public void show(BarRows shown) {
    rows = shown;
    cursorRow = Math.max(0, Math.min(cursorRow, rows.rows().size() - 1));
    cursorCell = Math.min(cursorCell, cells() - 1);
    lane.set(rows.rows().isEmpty() ? null : rows.rows().get(cursorRow).lane());
    redraw();
  }

  /** Makes the chart editable. */
  public void edit(Editor with) {
    editor = with;
    setFocusTraversable(true);
    focusedProperty().addListener((o, a, b) -> redraw());
  }

  /** Sets the grid that the cursor goes by. */
  public void grid(Grid other) {
    cursorCell = Math.min(cursorCell * width() / width(other), rows.ticks() / width(other) - 1);
    grid = other;
    markCell = -1;
    redraw();
  }

  /** Sets a mark at the cursor, or takes it away where it is. */
  public void mark() {
    markCell = markCell == cursorCell ? -1 : cursorCell;
    hint.accept(
        markCell < 0
            ? "No mark: the whole bar"
            : "Marked " + Words.step(cursorTick()) + ": Write works from here to the cursor");
    redraw();
  }

  /** The marked place of the bar, in ticks; empty without a mark. */
  public OptionalInt markTick() {
    return markCell < 0 ? OptionalInt.empty() : OptionalInt.of(markCell * width());
  }

  /** Ticks from one place of the cursor to the next. */
  public int cellTicks() {
    return width();
  }

  private static int width(Grid g) {
    return g == Grid.NONE ? FREE : g.ticks();
  }

  /** Ticks from one cell to the next. */
  private int width() {
    return width(grid);
  }

  private int cells() {
    return rows.ticks() / width();
  }

  private void cursor(int row, int cell) {
    cursorRow = row;
    cursorCell = cell;
    if (!rows.rows().isEmpty()) {
      lane.set(rows.rows().get(row).lane());
    }
    tell(row, cell);
    redraw();
  }

  /** Puts the cursor on a place of the bar, in ticks, of a lane. */
  public void place(Lane on, int inBar) {
    for (int i = 0; i < rows.rows().size(); i++) {
      if (rows.rows().get(i).lane() == on) {
        cursor(i, Math.max(0, Math.min(cells() - 1, inBar / width())));
      }
    }
  }

  /** The lane that the cursor is on; null while nothing is shown. */
  public ReadOnlyObjectProperty<Lane> laneProperty() {
    return lane.getReadOnlyProperty();
  }

  /** The place of the bar that the cursor is on, in ticks. */
  public int cursorTick() {
    return cursorCell * width();
  }

  private double rowHeight() {
    double bass = rows.bass().isEmpty() ? 0 : BassRow.HEIGHT;
    return Math.min(58, (getHeight() - HEAD - bass) / Math.max(1, rows.rows().size()));
  }

  private int rowAt(double y) {
    int row = (int) Math.floor((y - HEAD) / rowHeight());
    return row >= 0 && row < rows.rows().size() ? row : -1;
  }

  private int cellAt(double x) {
    double steps = (x - NAMES) / stepWidth() - 0.5;
    int cell = (int) Math.round(steps * Meter.STEP / width());
    return steps >= -0.5 && cell < cells() ? Math.max(0, cell) : -1;
  }

  private double cellWidth() {
    return stepWidth() * width() / Meter.STEP;
  }

  private double stepWidth() {
    return (getWidth() - NAMES - 8) / rows.steps();
  }

  private double x(double step) {
    return NAMES + (step + 0.5) * stepWidth();
  }

  private double y(int row) {
    return HEAD + (row + 0.5) * rowHeight();
  }

  private void pressed(MouseEvent e) {
    requestFocus();
    int row = rowAt(e.getY());
    int cell = cellAt(e.getX());
    if (editor != null && row >= 0 && cell >= 0) {
      cursor(row, cell);
      if (editor.clickToggles() || e.getClickCount() == 2) {
        editor.toggle(rows.rows().get(row).lane(), cursorTick());
      }
    }
  }

  private void key(KeyEvent e) {
    if (editor == null || rows.rows().isEmpty()) {
      return;
    }
    Lane lane = rows.rows().get(cursorRow).lane();
    boolean shape = e.isShiftDown();
    boolean upDown = e.getCode() == KeyCode.UP || e.getCode() == KeyCode.DOWN;
    boolean leftRight = e.getCode() == KeyCode.LEFT || e.getCode() == KeyCode.RIGHT;
    if (e.isAltDown() && leftRight) {
      editor.length(lane, cursorTick(), e.getCode() == KeyCode.LEFT ? -1 : 1);
      e.consume();
      return;
    }
    if (e.isAltDown() && upDown) {
      int row = cursorRow + (e.getCode() == KeyCode.UP ? -1 : 1);
      if (row >= 0 && row < rows.rows().size()) {
        editor.move(lane, cursorTick(), rows.rows().get(row).lane());
        cursor(row, cursorCell);
      }
      e.consume();
      return;
    }
    switch (e.getCode()) {
      case LEFT -> move(shape, lane, 0, -1);
      case RIGHT -> move(shape, lane, 0, 1);
      case UP -> move(shape, lane, -1, 0);
      case DOWN -> move(shape, lane, 1, 0);
      case ENTER -> editor.toggle(lane, cursorTick());
      case DELETE, BACK_SPACE -> editor.delete(lane, cursorTick());
      default -> {
        return;
      }
    }
    e.consume();
    tell(cursorRow, cursorCell);
    redraw();
  }

  /**
   * Moves the cursor, or with shift makes the hit louder or softer (up, down) and earlier or later
   * (left, right).
   */
  private void move(boolean shape, Lane lane, int down, int right) {
    if (shape) {
      editor.shape(lane, cursorTick(), -6 * down, 2.0 * right);
    } else {
      cursor(
          Math.floorMod(cursorRow + down, rows.rows().size()),
          Math.floorMod(cursorCell + right, cells()));
    }
  }

  private void tell(int row, int cell) {
    if (row < 0 || cell < 0) {
      hint.accept("");
      return;
    }
    Row r = rows.rows().get(row);
    StringBuilder words =
        new StringBuilder(r.lane().words()).append(", ").append(Words.step(cell * width()));
    r.heard().stream()
        .filter(m -> on(m, cell))
        .findFirst()
        .ifPresent(m -> words.append("   heard: ").append(words(m)));
    r.echo().stream()
        .filter(m -> on(m, cell))
        .findFirst()
        .ifPresent(m -> words.append("   echo: ").append(words(m)));
    hint.accept(words.toString());
  }

  private boolean on(Mark m, int cell) {
    return Math.abs(m.step() * Meter.STEP - cell * width()) * 2 < width();
  }

  private String words(Mark m) {
    return Words.offset(m.offsetMs(), rows.stepMs())
        + ", loudness "
        + Math.round(m.velocity())
        + m.more();
  }

  @Override
  protected void draw(GraphicsContext g, double w, double h) {
    if (rows.rows().isEmpty()) {
      return;
    }
    double bottom = HEAD + rowHeight() * rows.rows().size();
    drawGrid(g, bottom);
    drawMark(g);
    for (int i = 0; i < rows.rows().size(); i++) {
      drawLane(g, rows.rows().get(i), y(i));
    }
    if (!rows.bass().isEmpty()) {
      new BassRow(colour(Hue.INK), colour(Hue.HEARD), colour(Hue.ECHO))
          .draw(g, rows.bass(), bottom, this::x, getWidth() - 8);
    }
    if (editor != null && isFocused()) {
      g.setStroke(colour(Hue.INK));
      g.setLineWidth(1.5);
      g.strokeRoundRect(
          x((double) cursorTick() / Meter.STEP) - cellWidth() / 2 + 1,
          y(cursorRow) - rowHeight() / 2 + 1,
          cellWidth() - 2,
          rowHeight() - 2,
          6,
          6);
      g.setLineWidth(1);
    }
  }

  /** From the mark to the cursor, under the hits. */
  private void drawMark(GraphicsContext g) {
    if (markCell >= 0) {
      double left = x((double) Math.min(markCell, cursorCell) * width() / Meter.STEP);
      double right = x((double) Math.max(markCell, cursorCell) * width() / Meter.STEP);
      g.setFill(colour(Hue.WASH, 0.6));
      g.fillRect(
          left - cellWidth() / 2,
          y(cursorRow) - rowHeight() / 2,
          right - left + cellWidth(),
          rowHeight());
    }
  }

  private void drawGrid(GraphicsContext g, double bottom) {
    g.setTextBaseline(VPos.CENTER);
    g.setTextAlign(TextAlignment.CENTER);
    for (int s = 0; s < rows.steps(); s++) {
      boolean beat = s % rows.stepsPerBeat() == 0;
      if (s / rows.stepsPerBeat() % 2 == 0 && beat) {
        g.setFill(colour(Hue.PANEL));
        g.fillRect(
            x(s) - stepWidth() / 2,
            HEAD,
            stepWidth() * Math.min(rows.stepsPerBeat(), rows.steps() - s),
            bottom - HEAD);
      }
      double sx = Math.round(x(s)) + 0.5;
      g.setStroke(beat ? colour(Hue.QUIET, 0.7) : colour(Hue.LINE));
      g.strokeLine(sx, HEAD - 4, sx, bottom);
      g.setFont(Font.font(Theme.NUMBER_FAMILY, beat ? 14 : 12));
      g.setFill(beat ? colour(Hue.INK) : colour(Hue.QUIET));
      g.fillText(String.valueOf(s + 1), sx, HEAD / 2 - 2);
    }
    g.setTextAlign(TextAlignment.LEFT);
    if (cellWidth() >= LEAST_CELL && grid.ticks() != Meter.STEP) {
      g.setStroke(colour(Hue.LINE));
      g.setLineDashes(1.5, 3);
      for (int c = 0; c < cells(); c++) {
        double px = Math.round(x((double) c * width() / Meter.STEP)) + 0.5;
        double at = y(cursorRow);
        g.strokeLine(px, at - rowHeight() / 2, px, at + rowHeight() / 2);
      }
      g.setLineDashes((double[]) null);
    }
  }

  private void drawLane(GraphicsContext g, Row row, double y) {
    g.setStroke(colour(Hue.LINE));
    g.strokeLine(NAMES, Math.round(y) + 0.5, getWidth() - 8, Math.round(y) + 0.5);
    g.setFill(colour(Hue.QUIET));
    Glyphs.solid(g, row.lane(), 10, y, 13);
    g.setFont(Font.font(Theme.TEXT_FAMILY, 14));
    g.setFill(colour(Hue.INK));
    g.fillText(row.lane().words(), 26, y);
    g.setFill(colour(Hue.ECHO));
    for (Mark m : row.echo()) {
      Glyphs.solid(g, row.lane(), x(m.step() + m.offsetMs() / rows.stepMs()), y, 0.72 * size(m));
    }
    for (Mark m : row.heard()) {
      g.setStroke(colour(Hue.HEARD, 0.35 + 0.65 * m.weight()));
      Glyphs.hollow(
          g,
          row.lane(),
          x(m.step() + m.offsetMs() / rows.stepMs()),
          y,
          size(m),
          0.8 + 1.0 * m.weight());
    }
  }

  private double size(Mark m) {
    return Math.min(rowHeight() * 0.85, 9 + 23 * Math.pow(m.velocity() / 127, 1.2));
  }
}
