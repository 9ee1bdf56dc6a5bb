package looseecho.desktop.session;

import static looseecho.desktop.session.WorkTest.fx;
import static looseecho.desktop.session.WorkTest.until;
import static org.junit.jupiter.api.Assertions.assertFalse;

import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.CountDownLatch;
import javafx.stage.Stage;
import looseecho.activity.Lane;
import looseecho.analysis.Corrections;
import looseecho.desktop.ClickTrack;
import looseecho.echo.Cell;
import looseecho.echo.Edits;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.notes.Key;
import looseecho.play.OutputDevice;
import looseecho.play.SilentDevice;
import looseecho.project.CorrectionStore;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** A session over short tracks of its own, without a window. */
@ExtendWith(ApplicationExtension.class)
abstract class SessionFixture {
  static final Corrections MINOR = Corrections.NONE.withKey(new Key(9, true));

  @TempDir protected Path dir;
  protected Session session;
  protected Desk desk;
  protected Papers papers;

  @Start
  void start(Stage stage) {
    stage.setTitle("no window is needed");
  }

  @AfterEach
  void close() {
    if (session != null) {
      fx(session::close);
    }
  }

  void begin() {
    begin(new SilentDevice(44100));
  }

  void begin(OutputDevice device) {
    fx(
        () -> {
          session = new Session(device, new CorrectionStore(dir.resolve("corrections")));
          session.matching().byItself(false); // it is tested by itself
          desk = session.desk();
          papers = session.papers();
        });
  }

  Path track(String name, int seconds) throws IOException {
    Path file = dir.resolve(name);
    ClickTrack.write(file, seconds);
    return file;
  }

  void opened(Path file) {
    fx(() -> papers.open(file));
    settled();
    assertFalse(desk.templateProperty().get() == null, desk.messageProperty().get());
  }

  void settled() {
    until(
        "all lanes rest", () -> session.lanes().resting() && desk.analysisProperty().get() != null);
  }

  void says(String words) {
    until("it says: " + words, () -> desk.messageProperty().get().contains(words));
  }

  Edits.Edited clap(int step) {
    Template t = desk.templateProperty().get();
    return Edits.toggle(t, Cell.step(0, Part.of(Lane.CLAP), step), 77, false);
  }

  /** Keeps a lane busy until the latch is opened. */
  static CountDownLatch busy(Work lane) {
    CountDownLatch gate = new CountDownLatch(1);
    fx(
        () ->
            lane.start(
                p -> {
                  gate.await();
                  return "";
                },
                d -> {},
                e -> {}));
    return gate;
  }
}
