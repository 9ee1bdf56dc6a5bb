package looseecho.desktop.hits;

import java.util.OptionalInt;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import looseecho.desktop.control.ChartPane;
import looseecho.desktop.hits.BarRows.Mark;
import looseecho.desktop.hits.BarRows.Row;
import looseecho.echo.DrumPart;
import looseecho.echo.Words;
import looseecho.pulse.Grid;

/**
 * Lanes over the steps of a bar. Each lane is a thin line; heard hits hang on it hollow at their
 * true place, the echo's are solid. With an {@link Editor} the steps can be changed by mouse and
 * keys.
 */
public final class StepChart extends ChartPane {

  /** What the chart asks for when the person edits; places are ticks of the bar. */
  public interface Editor {
    void toggle(DrumPart drum, int inBar);

    void shape(DrumPart drum, int inBar, int louder, double laterMs);

    /** False when a click only moves the cursor. */
    default boolean clickToggles() {
      return true;
    }

    default void delete(DrumPart drum, int inBar) {
      toggle(drum, inBar);
    }

    /** Lets the hit last longer, or shorter below 0. */
    default void length(DrumPart drum, int inBar, int longer) {}

    /** Gives the hit to another lane. */
    default void move(DrumPart drum, int inBar, DrumPart to) {}
  }

  private final Consumer<String> hint;
  private BarRows rows = BarRows.EMPTY;
  private Editor editor;
  private final ReadOnlyIntegerWrapper atRow = new ReadOnlyIntegerWrapper();
  private int cursorRow;
  private int cursorCell;
  private int markCell = -1;
  private Grid grid = Grid.SIXTEENTH;
  private final ReadOnlyObjectWrapper<DrumPart> drum = new ReadOnlyObjectWrapper<>();

  /** {@code hint} is told what lies under the pointer or the cursor. */
  public StepChart(Consumer<String> hint) {
    this.hint = hint;
    setId("steps");
    setPrefHeight(380);
    setMinHeight(160);
    setAccessibleText("Drum lanes over the steps of the bar");
    setOnMouseMoved(e -> tell(places().rowAt(e.getY()), places().cellAt(e.getX())));
    setOnMousePressed(this::pressed);
    setOnKeyPressed(this::key);
  }

  /** Shows a bar. */
  public void show(BarRows shown) {
    rows = shown;
    cursorRow = Math.max(0, Math.min(cursorRow, rows.rows().size() - 1));
    cursorCell = Math.min(cursorCell, cells() - 1);
    drum.set(rows.rows().isEmpty() ? null : rows.rows().get(cursorRow).drum());
    redraw();
  }

  /** Makes the chart editable. */
  public void edit(Editor with) {
    editor = with;
    setFocusTraversable(true);
    focusedProperty().addListener((o, a, b) -> redraw());
  }

  /** Sets the grid that the cursor goes by. */
  public void grid(Grid next) {
    int other = next.cell();
    cursorCell = Math.min(cursorCell * width() / other, rows.ticks() / other - 1);
    grid = next;
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

  private int width() {
    return grid.cell();
  }

  private int cells() {
    return rows.ticks() / width();
  }

  private void cursor(int row, int cell) {
    cursorRow = row;
    cursorCell = cell;
    if (!rows.rows().isEmpty()) {
      drum.set(rows.rows().get(row).drum());
    }
    atRow.set(row);
    tell(row, cell);
    redraw();
  }

  /** Puts the cursor on a place of the bar, in ticks, of a lane. */
  public void place(DrumPart on, int inBar) {
    for (int i = 0; i < rows.rows().size(); i++) {
      if (rows.rows().get(i).drum().equals(on)) {
        cursor(i, Math.max(0, Math.min(cells() - 1, inBar / width())));
      }
    }
  }

  /** The row that the cursor is on, from 0. */
  public ReadOnlyIntegerProperty rowProperty() {
    return atRow.getReadOnlyProperty();
  }

  /** Puts the cursor on a row, from 0. */
  public void row(int row) {
    if (row != cursorRow && row >= 0 && row < rows.rows().size()) {
      cursor(row, cursorCell);
    }
  }

  /** The lane that the cursor is on; null while nothing is shown. */
  public ReadOnlyObjectProperty<DrumPart> drumProperty() {
    return drum.getReadOnlyProperty();
  }

  /** The place of the bar that the cursor is on, in ticks. */
  public int cursorTick() {
    return cursorCell * width();
  }

  private StepLayout places() {
    return new StepLayout(getWidth(), getHeight(), rows, grid);
  }

  private void pressed(MouseEvent e) {
    requestFocus();
    int row = places().rowAt(e.getY());
    int cell = places().cellAt(e.getX());
    if (editor != null && row >= 0 && cell >= 0) {
      cursor(row, cell);
      if (e.getButton() != MouseButton.SECONDARY
          && (editor.clickToggles() || e.getClickCount() == 2)) {
        editor.toggle(rows.rows().get(row).drum(), cursorTick());
      }
    }
  }

  private void key(KeyEvent e) {
    if (editor == null || rows.rows().isEmpty()) {
      return;
    }
    DrumPart drum = rows.rows().get(cursorRow).drum();
    boolean shape = e.isShiftDown();
    boolean upDown = e.getCode() == KeyCode.UP || e.getCode() == KeyCode.DOWN;
    boolean leftRight = e.getCode() == KeyCode.LEFT || e.getCode() == KeyCode.RIGHT;
    if (e.isAltDown() && leftRight) {
      editor.length(drum, cursorTick(), e.getCode() == KeyCode.LEFT ? -1 : 1);
      e.consume();
      return;
    }
    if (e.isAltDown() && upDown) {
      int row = cursorRow + (e.getCode() == KeyCode.UP ? -1 : 1);
      if (row >= 0 && row < rows.rows().size()) {
        editor.move(drum, cursorTick(), rows.rows().get(row).drum());
        cursor(row, cursorCell);
      }
      e.consume();
      return;
    }
    switch (e.getCode()) {
      case LEFT -> move(shape, drum, 0, -1);
      case RIGHT -> move(shape, drum, 0, 1);
      case UP -> move(shape, drum, -1, 0);
      case DOWN -> move(shape, drum, 1, 0);
      case ENTER -> editor.toggle(drum, cursorTick());
      case DELETE, BACK_SPACE -> editor.delete(drum, cursorTick());
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
  private void move(boolean shape, DrumPart drum, int down, int right) {
    if (shape) {
      editor.shape(drum, cursorTick(), -6 * down, 2.0 * right);
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
        new StringBuilder(r.name()).append(", ").append(Words.step(cell * width()));
    r.heard().stream()
        .filter(m -> places().on(m, cell))
        .findFirst()
        .ifPresent(m -> words.append("   heard: ").append(words(m)));
    r.echo().stream()
        .filter(m -> places().on(m, cell))
        .findFirst()
        .ifPresent(m -> words.append("   echo: ").append(words(m)));
    hint.accept(words.toString());
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
    StepPainter painter = new StepPainter(g, this::colour, places());
    painter.grid(cursorRow);
    if (markCell >= 0) {
      painter.mark(cursorRow, Math.min(markCell, cursorCell), Math.max(markCell, cursorCell));
    }
    painter.lanes();
    if (editor != null && isFocused()) {
      painter.cursor(cursorRow, cursorCell);
    }
  }
}
