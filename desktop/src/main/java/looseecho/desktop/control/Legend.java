package looseecho.desktop.control;

import javafx.scene.control.Label;
import looseecho.desktop.theme.Theme;

/** The small words under a chart: what its marks mean. In a narrow window they wrap. */
public final class Legend extends Label {
  /** With these words. */
  public Legend(String words) {
    super(words);
    setWrapText(true);
    setMinHeight(USE_PREF_SIZE);
    getStyleClass().add(Theme.SMALL);
  }
}
