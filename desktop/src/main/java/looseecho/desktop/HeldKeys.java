package looseecho.desktop;

import java.util.EnumMap;
import java.util.Map;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

/**
 * Tells a key that is held down from one that is struck again: letters, Enter, Space and the F keys
 * switch things, and a slow finger, or a busy machine, must not switch them back. Arrows and signs
 * go on while they are held.
 */
final class HeldKeys {
  private static final long FORGOTTEN_NS = 1_000_000_000; // its release may have gone elsewhere

  private final Map<KeyCode, Long> down = new EnumMap<>(KeyCode.class);

  /** To be asked once for every press. */
  boolean repeats(KeyEvent pressed) {
    KeyCode code = pressed.getCode();
    if (!code.isLetterKey()
        && !code.isFunctionKey()
        && code != KeyCode.ENTER
        && code != KeyCode.SPACE) {
      return false;
    }
    long now = System.nanoTime();
    Long last = down.put(code, now);
    return last != null && now - last < FORGOTTEN_NS;
  }

  void released(KeyEvent released) {
    down.remove(released.getCode());
  }
}
