package looseecho.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import looseecho.activity.Lane;
import looseecho.desktop.hits.StepChart;
import looseecho.echo.Part;
import looseecho.echo.Stroke;
import looseecho.hits.Hit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.framework.junit5.Start;

/** Heard hits corrected and settled by mouse and keys, and a part tapped in. */
class HitsBenchTest extends WindowTest {
  @TempDir private static Path home;

  @Start
  void start(Stage stage) throws IOException {
    open(stage, home.resolve("corrections"));
  }

  private List<Hit> bar(Lane lane, int bar) {
    return session.desk().analysisProperty().get().hits().stream()
        .filter(h -> h.lane() == lane && h.bar() == bar)
        .toList();
  }

  private void settled() {
    until("the correction is in", () -> !session.lanes().hearing().runningProperty().get());
  }

  private boolean shown(String words) {
    return !robot.lookup((Label l) -> l.getText().contains(words)).queryAll().isEmpty();
  }

  private void undo() {
    robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
    settled();
  }

  /** The hits of the demo's second section, the typical bar shown. */
  private StepChart hits() {
    openDemo();
    go("#step-hits");
    robot.interact(() -> session.selection().sectionProperty().set(1));
    StepChart chart = robot.lookup("#steps").queryAs(StepChart.class);
    robot.interact(chart::requestFocus);
    return chart;
  }

  @Test
  void aHitIsAddedMovedAndTakenOut() {
    StepChart chart = hits();
    assertTrue(shown("behind the kick; s"), "the snare lies behind the kick");
    assertTrue(shown("Fills in bar"), "a roll on the toms leads out of the section");
    robot.clickOn("5  a");
    robot.interact(() -> chart.place(Part.of(Lane.KICK), 240));
    robot.interact(chart::requestFocus);
    List<Hit> before = bar(Lane.KICK, 5);
    robot.type(KeyCode.ENTER);
    until("a kick is added", () -> bar(Lane.KICK, 5).size() == before.size() + 1);
    settled();
    assertTrue(
        session.desk().templateProperty().get().sections().get(1).hits(Lane.KICK).stream()
            .anyMatch(h -> h.step() == 1),
        "the template follows");
    Hit added = bar(Lane.KICK, 5).stream().filter(h -> h.step() == 2).findFirst().orElseThrow();
    robot.press(KeyCode.SHIFT).type(KeyCode.UP).release(KeyCode.SHIFT);
    until(
        "it is louder",
        () -> bar(Lane.KICK, 5).stream().anyMatch(h -> h.velocity() == added.velocity() + 6));
    settled();
    robot.press(KeyCode.ALT).type(KeyCode.DOWN).release(KeyCode.ALT);
    until("it is a snare", () -> bar(Lane.SNARE, 5).stream().anyMatch(h -> h.step() == 2));
    settled();
    assertEquals(Part.of(Lane.SNARE), chart.drumProperty().get());
    robot.type(KeyCode.DELETE);
    until("it is gone", () -> bar(Lane.SNARE, 5).stream().noneMatch(h -> h.step() == 2));
    settled();
    undo();
    undo();
    undo();
    undo();
    assertEquals(before, bar(Lane.KICK, 5));
  }

  /** Added, given to another lane and taken out in eleven bars, each time at once. */
  @Test
  void theTypicalBarCorrectsEveryBar() {
    StepChart chart = hits();
    robot.clickOn("typical");
    robot.interact(() -> chart.place(Part.of(Lane.KICK), 240));
    robot.interact(chart::requestFocus);
    assertEquals(0, onStep2(Lane.KICK));
    long snares = onStep2(Lane.SNARE);
    robot.type(KeyCode.ENTER);
    until("a kick in every bar", () -> onStep2(Lane.KICK) == 11);
    settled();
    robot.press(KeyCode.ALT).type(KeyCode.DOWN).release(KeyCode.ALT);
    until("they are snares", () -> onStep2(Lane.SNARE) == snares + 11);
    settled();
    assertEquals(0, onStep2(Lane.KICK));
    undo();
    robot.interact(() -> chart.place(Part.of(Lane.KICK), 240));
    robot.type(KeyCode.DELETE);
    until("they are gone", () -> onStep2(Lane.KICK) == 0);
    settled();
    undo();
    undo();
    assertEquals(0, onStep2(Lane.KICK));
  }

  private long onStep2(Lane lane) {
    return session.desk().analysisProperty().get().hits().stream()
        .filter(h -> h.lane() == lane && h.step() == 2 && h.bar() >= 5 && h.bar() <= 15)
        .count();
  }

  @Test
  void theNextDoubtfulHitIsSettledWithOneKey() {
    hits();
    robot.clickOn("5  a");
    long doubtful = doubtful();
    assertTrue(doubtful > 0);
    robot.type(KeyCode.D);
    assertTrue(text("#message").contains("Y keeps"), text("#message"));
    robot.type(KeyCode.Y);
    until("one doubt less", () -> doubtful() == doubtful - 1);
    settled();
    undo();
    assertEquals(doubtful, doubtful());
  }

  private long doubtful() {
    return session.desk().analysisProperty().get().hits().stream()
        .filter(h -> h.confidence() < 0.6)
        .count();
  }

  @Test
  void oneDrumSoundsAlone() {
    hits();
    robot.type(KeyCode.A);
    assertNotNull(session.playback().soloProperty().get());
    until("it is brought out", () -> !session.playback().slowing().runningProperty().get());
    robot.type(KeyCode.A);
    assertEquals(null, session.playback().soloProperty().get());
  }

  @Test
  void aPartIsTappedInAndKeepsItsFeel() {
    StepChart chart = hits();
    robot.interact(() -> chart.place(Part.of(Lane.CLAP), 0));
    @SuppressWarnings("unchecked")
    ComboBox<String> input = robot.lookup("#tap-input").queryAs(ComboBox.class);
    robot.interact(() -> input.setValue("simulated player"));
    ToggleButton tap = robot.lookup("#tap-in").queryAs(ToggleButton.class);
    robot.interact(tap::fire);
    double start = session.playback().player().position();
    until("it counts in and plays", () -> session.playback().player().position() > start + 3);
    robot.interact(chart::requestFocus);
    robot.type(KeyCode.B);
    robot.interact(tap::fire);
    assertTrue(text("#message").startsWith("Tapped in clap"), text("#message"));
    assertTrue(text("#tap-result").startsWith("last take"), text("#tap-result"));
    List<Stroke> hits = session.desk().templateProperty().get().sections().get(1).hits(Lane.CLAP);
    assertTrue(hits.size() >= 4, "taps on the beats: " + hits);
    undo();
  }
}
