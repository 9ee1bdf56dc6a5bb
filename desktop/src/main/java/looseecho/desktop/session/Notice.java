package looseecho.desktop.session;

import java.io.IOException;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import looseecho.reading.Progress;

/** The one line that tells the person what happened. Belongs to the interface's thread. */
final class Notice {
  private final StringProperty words = new SimpleStringProperty("");

  void say(String what) {
    words.set(what);
  }

  /** Says that a job was stopped or failed, and why. */
  void failed(String what, Exception e) {
    if (e instanceof Progress.CancelledException || Thread.interrupted()) {
      say(what + " was stopped. Nothing was changed.");
    } else if (e instanceof IOException) {
      say(e.getMessage());
    } else {
      System.getLogger(getClass().getName()).log(System.Logger.Level.ERROR, what, e);
      say(what + " failed: " + e.getMessage());
    }
  }

  StringProperty property() {
    return words;
  }
}
