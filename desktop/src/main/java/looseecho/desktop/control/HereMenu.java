package looseecho.desktop.control;

import javafx.application.Platform;
import javafx.event.Event;
import javafx.event.EventType;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.MenuItem;
import javafx.scene.input.ContextMenuEvent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;

/**
 * What can be done at a place of a chart: a right click, or the menu key, offers the chart's own
 * keys in words, so that the two can't drift apart.
 */
public final class HereMenu {
  private final Node chart;
  private final ContextMenu menu = new ContextMenu();

  private HereMenu(Node chart) {
    this.chart = chart;
  }

  /**
   * Gives a chart its menu.
   *
   * @param wordsAndKeys what is done and the chart's key for it, such as "Louder", "Shift+Up"
   */
  public static void on(Node chart, String... wordsAndKeys) {
    HereMenu here = new HereMenu(chart);
    for (int i = 0; i < wordsAndKeys.length; i += 2) {
      here.add(wordsAndKeys[i], (KeyCodeCombination) KeyCombination.valueOf(wordsAndKeys[i + 1]));
    }
    chart.setOnContextMenuRequested(here::show);
  }

  private void add(String words, KeyCodeCombination key) {
    MenuItem item = new MenuItem(words + "   " + key.getDisplayText());
    // Only once the menu is gone: while it shows, the window hands keys on to it.
    item.setOnAction(e -> Platform.runLater(() -> press(key)));
    menu.getItems().add(item);
  }

  private void show(ContextMenuEvent e) {
    Point2D middle =
        chart.localToScreen(
            chart.getLayoutBounds().getCenterX(), chart.getLayoutBounds().getCenterY());
    if (e.isKeyboardTrigger() && middle != null) {
      menu.show(chart, middle.getX(), middle.getY());
    } else {
      menu.show(chart, e.getScreenX(), e.getScreenY());
    }
    e.consume();
  }

  private void press(KeyCodeCombination key) {
    chart.requestFocus();
    fire(KeyEvent.KEY_RELEASED, key); // the key that chose may be the same one, still down
    fire(KeyEvent.KEY_PRESSED, key);
    fire(KeyEvent.KEY_RELEASED, key);
  }

  private void fire(EventType<KeyEvent> type, KeyCodeCombination key) {
    KeyCode code = key.getCode();
    boolean shift = key.getShift() == KeyCombination.ModifierValue.DOWN;
    boolean alt = key.getAlt() == KeyCombination.ModifierValue.DOWN;
    Event.fireEvent(chart, new KeyEvent(type, "", "", code, shift, false, alt, false));
  }
}
