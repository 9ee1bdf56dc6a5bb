package looseecho.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.util.List;
import java.util.stream.IntStream;
import javafx.geometry.Point2D;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.stage.Stage;
import looseecho.desktop.ground.WaveChart;
import looseecho.form.Section;
import looseecho.pulse.Beat;
import org.junit.jupiter.api.Test;
import org.testfx.framework.junit5.Start;

/** Tempo, bars and sections, set by hand and taken back. */
class GroundTest extends WindowTest {
  @Start
  void start(Stage stage) throws IOException {
    open(stage);
  }

  private void await(String tempo) {
    until(
        "the tempo is " + tempo,
        () -> text("#reading-tempo").equals(tempo) && session.lanes().resting());
  }

  private void settled() {
    until("the correction is in", () -> !session.lanes().hearing().runningProperty().get());
  }

  private List<Section> sections() {
    return session.desk().analysisProperty().get().form().sections();
  }

  private double firstBar() {
    return session.desk().analysisProperty().get().pulse().orElseThrow().beats().stream()
        .filter(b -> b.bar() == 1 && b.position() == 1)
        .mapToDouble(Beat::time)
        .findFirst()
        .orElseThrow();
  }

  @Test
  void tempoBarsAndSectionsAreCorrectedUndoneAndLocked() {
    openDemo();
    assertEquals("108 BPM", text("#reading-tempo"));
    assertEquals("D minor", text("#reading-key"));
    tempoIsHalvedTappedAndTakenBack();
    barOneIsMovedAndNudged();
    sectionsAreDraggedSplitNamedAndJoined();
    fire("#lock");
    settled();
    double one = firstBar();
    fire("#bar-later");
    assertTrue(text("#message").startsWith("The ground is locked"), text("#message"));
    assertEquals(one, firstBar());
    theWaveIsZoomedToSamplesAndPlayedWithAClick();
  }

  private void tempoIsHalvedTappedAndTakenBack() {
    int beats = session.desk().templateProperty().get().beats().size();
    fire("#halve");
    await("54 BPM");
    int half = session.desk().templateProperty().get().beats().size();
    assertTrue(Math.abs(half - beats / 2) <= 4, "half as many beats: " + half);
    robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
    await("108 BPM");
    assertEquals(beats, session.desk().templateProperty().get().beats().size());
    for (int k = 0; k < 5; k++) {
      robot.type(KeyCode.T).sleep(300);
    }
    String tapped = text("#tapped");
    assertTrue(tapped.startsWith("Tapped ") && tapped.contains("speaks for"), tapped);
  }

  private void barOneIsMovedAndNudged() {
    double one = firstBar();
    fire("#bar-later");
    until("bar 1 has moved", () -> Math.abs(firstBar() - one - 60.0 / 108) < 0.02);
    settled();
    fire("#nudge-later");
    until("the grid has moved", () -> text("#bar-one").contains("grid +1 ms"));
    settled();
    robot.press(KeyCode.CONTROL).type(KeyCode.Z, KeyCode.Z).release(KeyCode.CONTROL);
    until("bar 1 is back", () -> firstBar() == one);
    settled();
  }

  private void sectionsAreDraggedSplitNamedAndJoined() {
    List<Section> before = sections();
    double width = robot.lookup("#bands").query().getLayoutBounds().getWidth();
    double start = before.get(0).start();
    double end = before.get(before.size() - 1).end();
    double perSecond = (width - 45) / (end - start);
    double edge = 44 + (before.get(1).start() - start) * perSecond;
    Point2D grip = point("#bands", edge / width, 0.5);
    double beat = 60.0 / 108 * perSecond;
    robot.drag(grip, MouseButton.PRIMARY).dropTo(grip.add(2.2 * beat, 0));
    until("the edge has moved", () -> sections().get(1).start() > before.get(1).start() + 0.5);
    settled();
    assertEquals(before.get(1).start() + 2 * 60.0 / 108, sections().get(1).start(), 0.03);
    robot.clickOn(point("#bands", (edge + 60) / width, 0.5));
    assertEquals(1, session.selection().sectionProperty().get());
    robot.interact(
        () -> session.playback().player().seek(sections().get(1).start() + 4 * 60.0 / 108));
    robot.type(KeyCode.S);
    until("it is split", () -> sections().size() == before.size() + 1);
    settled();
    assertEquals(1.0, sections().get(1).bars(), 1e-9);
    TextField name = robot.lookup("#section-label").queryAs(TextField.class);
    robot.clickOn(name).eraseText(4).write("Q").type(KeyCode.ENTER);
    until("it is named", () -> sections().get(1).label().equals("Q"));
    settled();
    robot.clickOn(point("#bands", (edge + 2.2 * beat + 5) / width, 0.5)).type(KeyCode.J);
    until("it is joined", () -> sections().size() == before.size());
    settled();
    fire("#sections-measured");
    until("they are as heard", () -> sections().equals(before));
    settled();
  }

  private void theWaveIsZoomedToSamplesAndPlayedWithAClick() {
    WaveChart wave = robot.lookup("#wave").queryAs(WaveChart.class);
    robot.clickOn(wave).type(KeyCode.HOME);
    assertEquals(session.desk().referenceProperty().get().peaks().duration(), wave.window().span());
    robot.type(KeyCode.EQUALS);
    assertTrue(wave.window().span() < session.desk().referenceProperty().get().peaks().duration());
    KeyEvent key =
        new KeyEvent(KeyEvent.KEY_PRESSED, "", "", KeyCode.EQUALS, false, false, false, false);
    robot.interact(() -> IntStream.range(0, 40).forEach(k -> wave.fireEvent(key)));
    assertEquals(0.002, wave.window().span(), 1e-9);
    double left = wave.window().left();
    robot.type(KeyCode.LEFT);
    assertEquals(left - 0.0004, wave.window().left(), 1e-9);
    robot.type(KeyCode.K);
    assertTrue(session.playback().clickProperty().get());
    robot.type(KeyCode.SPACE);
    double at = session.playback().player().position();
    until("it plays", () -> session.playback().player().position() > at + 0.3);
    robot.type(KeyCode.SPACE);
    assertFalse(session.playback().player().playing());
  }
}
