package looseecho.desktop.session;

import java.io.IOException;
import java.nio.file.Path;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import looseecho.audio.SampleSink;
import looseecho.disk.CrashReport;
import looseecho.reading.Progress;

/** The one line that tells the person what happened. Belongs to the interface's thread. */
final class Notice {
  private final StringProperty words = new SimpleStringProperty("");
  private final Path reports;

  /** Reports of the program's own faults go into a folder. */
  Notice(Path reports) {
    this.reports = reports;
  }

  void say(String what) {
    words.set(what);
  }

  /**
   * Says that a job was stopped or failed, and why.
   *
   * @param what the job, such as "Opening"
   * @param state what is true now that it has ended early, as a sentence
   */
  void failed(String what, Throwable e, String state) {
    if (e instanceof Progress.CancelledException) {
      say(what + " was stopped. " + state);
    } else if (e instanceof IOException || e instanceof SampleSink.NoRoomException) {
      say(e.getMessage());
    } else if (e instanceof OutOfMemoryError) {
      say(what + " needs more memory than there is. " + state);
    } else {
      say(what + " failed. " + CrashReport.write(reports, what, e));
    }
  }

  StringProperty property() {
    return words;
  }
}
