package looseecho.desktop.control;

import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** Cards that lie over a bench until they are closed. */
public final class Cards {
  private static final String STYLE = "card";
  private static final String CALLED = "called-card";

  private Cards() {}

  /** Takes a card of that id away; false when there is none. */
  public static boolean close(StackPane over, String id) {
    return over.getChildren().removeIf(n -> id.equals(n.getId()));
  }

  /** Takes the card on top away; false when there is none. */
  public static boolean closeTop(StackPane over) {
    for (int i = over.getChildren().size() - 1; i >= 0; i--) {
      if (over.getChildren().get(i).getStyleClass().contains(STYLE)) {
        over.getChildren().remove(i);
        return true;
      }
    }
    return false;
  }

  /**
   * Lays a card over the bench; the key that called it takes it away, and so does another card that
   * is called.
   *
   * @param key {@link KeyCode#ESCAPE} for one that comes uncalled, and stays under others
   */
  public static VBox show(StackPane over, String id, KeyCode key, Node... content) {
    close(over, id);
    boolean called = key != KeyCode.ESCAPE;
    over.getChildren().removeIf(n -> called && n.getStyleClass().contains(CALLED));
    VBox card = new VBox(10, content);
    card.setId(id);
    card.getStyleClass().addAll("panel", STYLE);
    if (called) {
      card.getStyleClass().add(CALLED);
    }
    card.setPadding(new Insets(16));
    card.setMaxSize(Region.USE_PREF_SIZE, Region.USE_PREF_SIZE);
    card.addEventFilter(
        KeyEvent.KEY_PRESSED,
        e -> {
          if (e.getCode() == key) {
            close(over, id);
            e.consume();
          }
        });
    over.getChildren().add(card);
    return card;
  }
}
