package looseecho.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import looseecho.analysis.Analysis;
import looseecho.echo.Template;
import looseecho.hits.Hit;
import looseecho.mix.Sounds;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

/** The whole job from the heard track to the written pack without the mouse. */
class KeyboardJobTest extends WindowTest {
  @TempDir private Path dir;

  @Start
  void start(Stage stage) throws IOException {
    openTrack(stage, dir);
  }

  private void with(KeyCode held, KeyCode key) {
    robot.press(held).type(key).release(held);
  }

  private void bench(Bench wanted) {
    with(KeyCode.CONTROL, KeyCode.valueOf("DIGIT" + (wanted.ordinal() + 1)));
    assertEquals(wanted, shell.bench());
  }

  /** Says in words what is wanted, and has the first that fits. */
  private void find(String words) {
    robot.type(KeyCode.F3);
    until("it asks", () -> shell.getScene().getFocusOwner() instanceof TextField);
    robot.write(words);
    WaitForAsyncUtils.waitForFxEvents(20);
    robot.type(KeyCode.ENTER);
    WaitForAsyncUtils.waitForFxEvents();
  }

  private Template echo() {
    return session.desk().templateProperty().get();
  }

  @Test
  void fromTheGroundToThePack() throws IOException {
    until("it is heard", () -> echo() != null);
    Template heard = echo();

    bench(Bench.GROUND);
    find("double");
    until("the tempo is doubled", () -> echo().bpm() > 1.9 * heard.bpm());
    with(KeyCode.CONTROL, KeyCode.Z);
    until("and as it was", () -> Math.abs(echo().bpm() - heard.bpm()) < 0.01);

    bench(Bench.HITS);
    long open = open(session.desk().analysisProperty().get());
    assertTrue(open > 0);
    robot.type(KeyCode.F5, KeyCode.Y);
    until("one doubt is settled", () -> open(session.desk().analysisProperty().get()) < open);

    bench(Bench.NOTES);
    int notes = notes();
    robot.type(KeyCode.ENTER);
    until("a note is written", () -> notes() == notes + 1);
    Template low = echo();
    robot.type(KeyCode.UP);
    assertNotEquals(low, echo(), "it moves");

    bench(Bench.LAYERS);
    until("the layers are heard", () -> !session.layers().layersProperty().get().isEmpty());
    robot.type(KeyCode.DOWN);
    until("one is picked", () -> session.layers().pickedProperty().get() != null);

    bench(Bench.ECHO);
    Template before = echo();
    robot.type(KeyCode.DOWN, KeyCode.ENTER);
    assertNotEquals(before, echo(), "a stroke");
    Template stroke = echo();
    find("looseness of the timing");
    robot.type(KeyCode.RIGHT, KeyCode.RIGHT, KeyCode.RIGHT);
    find("loosen step by step");
    until("it is looser", () -> !echo().equals(stroke));

    bench(Bench.SOUNDS);
    Sounds plain = session.maker().soundsProperty().get();
    find("room damped"); // on a page that is not in view
    robot.type(KeyCode.RIGHT);
    until("a sound is other", () -> !session.maker().soundsProperty().get().equals(plain));

    bench(Bench.PALETTE);
    until("sounds are compared", () -> !session.palette().rowsProperty().get().isEmpty());

    bench(Bench.COMPARE);
    assertNull(session.nearness().comparisonProperty().get());
    find("compare now");
    until("it is measured", () -> session.nearness().comparisonProperty().get() != null);

    Path results = Files.createDirectories(dir.resolve("results"));
    robot.interact(() -> session.preferences().change(s -> s.with(s.folders().results(results))));
    find("write the pack");
    until("the pack is there", () -> sheets(results).size() == 1);
    until("all is done", () -> session.lanes().resting());
    assertEquals(Bench.HANDOVER, shell.bench());
  }

  private static List<Path> sheets(Path folder) throws IOException {
    try (Stream<Path> all = Files.walk(folder)) {
      return all.filter(p -> p.toString().endsWith(".html")).toList();
    }
  }

  private static long open(Analysis a) {
    return a.hits().stream().filter(Hit::doubtful).count();
  }

  private int notes() {
    return echo().sections().stream()
        .mapToInt(s -> s.lines().values().stream().mapToInt(List::size).sum())
        .sum();
  }
}
