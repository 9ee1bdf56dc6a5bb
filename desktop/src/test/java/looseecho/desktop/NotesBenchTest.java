package looseecho.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.util.List;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.MenuButton;
import javafx.scene.control.Slider;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.stage.Stage;
import looseecho.echo.Part;
import looseecho.echo.Tone;
import looseecho.notes.Key;
import looseecho.notes.Line;
import looseecho.notes.Scale;
import org.junit.jupiter.api.Test;
import org.testfx.framework.junit5.Start;

/** Notes picked, changed by keys and mouse, turned, cleaned and heard, and all of it undone. */
class NotesBenchTest extends WindowTest {
  @Start
  void start(Stage stage) throws IOException {
    open(stage);
  }

  private List<Tone> notes(Line line) {
    return session.desk().templateProperty().get().sections().get(1).notes(line);
  }

  private void undo() {
    robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
  }

  @Test
  void linesAreEditedTurnedCleanedAndHeard() {
    openDemoAndItsEcho();
    go("#step-notes");
    robot.interact(() -> session.selection().sectionProperty().set(1));
    Node chart = robot.lookup("#notes").query();
    robot.interact(chart::requestFocus);
    List<Tone> before = notes(Line.BASS);
    assertTrue(before.size() > 20, "the demo has a bass");
    keysChangeAPickedNote(before);
    theMouseAddsAndDragsANote(chart, before);
    aLineIsTurnedAndCleaned(before);
    robot.interact(chart::requestFocus);
    robot.type(KeyCode.A);
    assertNotNull(session.playback().soloProperty().get());
    until("the bass is brought out", () -> !session.playback().slowing().runningProperty().get());
    robot.type(KeyCode.L);
    assertEquals(Part.of(Line.CHORDS), session.playback().soloProperty().get());
    assertTrue(robot.lookup("#line-chords").queryAs(ToggleButton.class).isSelected());
    robot.type(KeyCode.A);
    theKeyIsChosenAndDegreesFollow();
  }

  private void keysChangeAPickedNote(List<Tone> before) {
    robot.type(KeyCode.PERIOD, KeyCode.UP);
    Key key = session.desk().templateProperty().get().key();
    Tone first = before.get(0);
    assertEquals(key.pitch(key.rung(first.pitch()) + 1), notes(Line.BASS).get(0).pitch());
    robot.press(KeyCode.SHIFT).type(KeyCode.RIGHT, KeyCode.DOWN).release(KeyCode.SHIFT);
    assertEquals(first.lengthTicks() + 240, notes(Line.BASS).get(0).lengthTicks());
    assertEquals(first.velocity() - 6, notes(Line.BASS).get(0).velocity());
    robot.type(KeyCode.DELETE);
    assertEquals(before.size() - 1, notes(Line.BASS).size());
    for (int i = 0; i < 4; i++) {
      undo();
    }
    assertEquals(before, notes(Line.BASS));
  }

  private void theMouseAddsAndDragsANote(Node chart, List<Tone> before) {
    // low in the bass's band, behind the last note of the second bar's end
    Point2D spot =
        chart.localToScreen(
            chart.getBoundsInLocal().getWidth() * 0.31, chart.getBoundsInLocal().getHeight() - 34);
    robot.moveTo(spot).clickOn(MouseButton.PRIMARY).doubleClickOn(spot, MouseButton.PRIMARY);
    until("a note is added", () -> notes(Line.BASS).size() == before.size() + 1);
    Tone added =
        notes(Line.BASS).stream().filter(n -> !before.contains(n)).findFirst().orElseThrow();
    robot
        .moveTo(spot)
        .press(MouseButton.PRIMARY)
        .moveBy(30, 0)
        .moveBy(30, 0)
        .release(MouseButton.PRIMARY);
    Tone moved =
        notes(Line.BASS).stream().filter(n -> !before.contains(n)).findFirst().orElseThrow();
    assertTrue(moved.step() > added.step(), added + " became " + moved);
    assertEquals(added.pitch(), moved.pitch());
    undo();
    undo();
    assertEquals(before, notes(Line.BASS));
  }

  private void aLineIsTurnedAndCleaned(List<Tone> before) {
    robot.type(KeyCode.ESCAPE); // nothing picked: the whole line
    MenuButton turns = robot.lookup("#turns").queryAs(MenuButton.class);
    robot.interact(() -> turns.getItems().get(2).fire());
    assertEquals(before.get(3).pitch() + 12, notes(Line.BASS).get(3).pitch(), "an octave up");
    undo();
    Slider soft = robot.lookup("#clean-short").queryAs(Slider.class);
    robot.interact(() -> soft.setValue(140));
    String counts = text("#clean-counts");
    assertTrue(counts.startsWith(before.size() + " notes before"), counts);
    assertEquals(before, notes(Line.BASS), "only tried so far");
    robot.interact(() -> robot.lookup("#clean-apply").queryAs(Button.class).fire());
    assertTrue(text("#message").contains("Cleaned up the bass"), text("#message"));
    assertNotEquals(before.size(), notes(Line.BASS).size());
    undo();
    assertEquals(before, notes(Line.BASS));
  }

  private void theKeyIsChosenAndDegreesFollow() {
    Key dorian = new Key(2, Scale.DORIAN);
    robot.clickOn("D dorian");
    until(
        "the key is set",
        () ->
            session.desk().analysisProperty().get().tonality().key().value().equals(dorian)
                && session.desk().templateProperty().get().key().equals(dorian));
    undo();
  }
}
