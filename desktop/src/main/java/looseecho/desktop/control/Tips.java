package looseecho.desktop.control;

import javafx.scene.control.Control;
import javafx.scene.control.Labeled;
import javafx.scene.control.Tooltip;

/** Says what a control does, to the eye and to a screen reader. */
public final class Tips {
  private Tips() {}

  /** Puts words on a control; where it has no text of its own they are its name, too. */
  public static void on(Control control, String words) {
    control.setTooltip(new Tooltip(words));
    if (!(control instanceof Labeled)) {
      control.setAccessibleText(words);
    }
  }
}
