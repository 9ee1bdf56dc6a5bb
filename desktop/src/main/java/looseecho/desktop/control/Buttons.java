package looseecho.desktop.control;

import javafx.scene.control.Button;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.Region;

/** Makes buttons. */
public final class Buttons {
  private Buttons() {}

  /**
   * A button with an id for tests and styles, a text, a tooltip that names its key, and its action.
   */
  public static Button of(String id, String text, String tip, Runnable action) {
    Button b = new Button(text);
    b.setId(id);
    b.setMinWidth(Region.USE_PREF_SIZE); // its words are never cut
    b.setTooltip(new Tooltip(tip));
    b.setOnAction(e -> action.run());
    return b;
  }
}
