package looseecho.desktop.palette;

import java.util.List;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

/** A list of sounds: arrows play them, Enter or a double click takes one, with Shift otherwise. */
final class PlayedList<T> extends ListView<T> {
  private final BiConsumer<T, Boolean> take;
  private boolean filling;

  /**
   * A list.
   *
   * @param play lets one be heard
   * @param take takes one; true with Shift
   */
  PlayedList(Consumer<T> play, BiConsumer<T, Boolean> take) {
    this.take = take;
    getSelectionModel()
        .selectedItemProperty()
        .addListener(
            (o, a, b) -> {
              if (b != null && !filling) {
                play.accept(b);
              }
            });
    addEventFilter(KeyEvent.KEY_PRESSED, this::key);
    setOnMouseClicked(
        e -> {
          if (e.getClickCount() == 2) {
            take(e.isShiftDown());
          }
        });
  }

  /** Other sounds; none of them is played by that. */
  void fill(List<T> sounds) {
    filling = true;
    getItems().setAll(sounds);
    filling = false;
  }

  private void key(KeyEvent e) {
    if (e.getCode() == KeyCode.ENTER && !e.isShortcutDown() && !e.isAltDown()) {
      take(e.isShiftDown());
      e.consume();
    } else if (e.getCode() == KeyCode.DOWN && getSelectionModel().isEmpty()) {
      getSelectionModel().select(0); // the list itself would begin with the second
      e.consume();
    }
  }

  private void take(boolean shift) {
    T one = getSelectionModel().getSelectedItem();
    if (one != null) {
      take.accept(one, shift);
    }
  }
}
