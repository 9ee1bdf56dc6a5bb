package looseecho.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertSame;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Path;
import javafx.event.EventType;
import javafx.scene.Node;
import javafx.scene.control.Slider;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.stage.Stage;
import looseecho.activity.Lane;
import looseecho.echo.Arrangement;
import looseecho.echo.Part;
import looseecho.echo.Template;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.framework.junit5.Start;

/** Small things that the hand expects, one habit each. */
class HabitsTest extends WindowTest {
  @TempDir private Path dir;

  @Start
  void start(Stage stage) throws IOException {
    openTrack(stage, dir);
  }

  private Template ready() {
    until("it is heard", () -> session.desk().templateProperty().get() != null);
    return session.desk().templateProperty().get();
  }

  private Node focus() {
    return shell.getScene().getFocusOwner();
  }

  private void key(Node at, KeyCode code) {
    key(at, KeyEvent.KEY_PRESSED, code);
  }

  private void key(Node at, EventType<KeyEvent> kind, KeyCode code) {
    robot.interact(
        () -> at.fireEvent(new KeyEvent(kind, "", "", code, false, false, false, false)));
  }

  /** Each bench by its digit, with nothing to click, and its own keys on the card. */
  @Test
  void everyBenchHasItsDigit() {
    ready();
    KeyCode[] digits = {
      KeyCode.DIGIT1,
      KeyCode.DIGIT2,
      KeyCode.DIGIT3,
      KeyCode.DIGIT4,
      KeyCode.DIGIT5,
      KeyCode.DIGIT6,
      KeyCode.DIGIT7,
      KeyCode.DIGIT8,
      KeyCode.DIGIT9
    };
    assertEquals(digits.length, Bench.values().length);
    String[] shown = {
      "#wave",
      "#steps",
      "#notes",
      "#layer-chart",
      "#steps",
      "#layers",
      "#palette-chart",
      "#findings",
      "#log-list"
    };
    for (int k = digits.length - 1; k >= 0; k--) {
      robot.press(KeyCode.CONTROL).type(digits[k]).release(KeyCode.CONTROL);
      String id = "#step-" + Bench.values()[k].name().toLowerCase(java.util.Locale.ROOT);
      assertTrue(robot.lookup(id).queryAs(ToggleButton.class).isSelected(), id);
      assertTrue(robot.lookup(shown[k]).tryQuery().isPresent(), shown[k]);
    }
    go("#step-handover");
    Node note = robot.lookup("#log-note").query();
    robot.interact(note::requestFocus);
    robot.write("quay").press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
    assertEquals(1, session.desk().logProperty().get().size(), "the text is undone, not the work");
    robot.press(KeyCode.CONTROL).type(KeyCode.DIGIT8).release(KeyCode.CONTROL);
    assertTrue(robot.lookup("#step-compare").queryAs(ToggleButton.class).isSelected());
  }

  @Test
  void aBenchTakesItsKeysAtOnceAndWhateverHasTheFocus() {
    ready();
    go("#step-echo");
    Node steps = robot.lookup("#steps").query();
    until("the steps have the focus as the bench is shown", () -> steps == focus());
    Template before = session.desk().templateProperty().get();
    Node help = robot.lookup("#help").query();
    robot.interact(help::requestFocus);
    key(help, KeyCode.V);
    until("V puts a flam on the hit", () -> session.desk().templateProperty().get() != before);
  }

  @Test
  void aLetterThatIsHeldActsOnce() {
    ready();
    go("#step-echo");
    Node chart = robot.lookup("#arrangement").query();
    robot.interact(chart::requestFocus);
    for (int k = 0; k < 4; k++) { // as a keyboard repeats it
      key(chart, KeyEvent.KEY_PRESSED, KeyCode.A);
    }
    key(chart, KeyEvent.KEY_RELEASED, KeyCode.A);
    assertNotNull(session.playback().soloProperty().get(), "not off again");
    robot.type(KeyCode.A); // struck anew
    assertNull(session.playback().soloProperty().get());
  }

  @Test
  void enterHeldDownPutsOneStroke() {
    ready();
    go("#step-echo");
    Node chart = robot.lookup("#steps").query();
    robot.interact(chart::requestFocus);
    robot.type(KeyCode.DOWN);
    var before = session.desk().templateProperty().get();
    for (int k = 0; k < 4; k++) {
      key(chart, KeyEvent.KEY_PRESSED, KeyCode.ENTER);
    }
    key(chart, KeyEvent.KEY_RELEASED, KeyCode.ENTER);
    assertNotEquals(before, session.desk().templateProperty().get(), "not taken out again");
    robot.interact(() -> session.desk().undo());
    assertEquals(before, session.desk().templateProperty().get(), "one step of the history");
  }

  @Test
  void aSliderKeepsTheFocusWhileItIsMovedByKeys() {
    ready();
    go("#step-echo");
    go("#ledger-part");
    Slider level = robot.lookup("#sound-level").queryAs(Slider.class);
    double before = level.getValue();
    robot.interact(level::requestFocus);
    key(level, KeyCode.LEFT);
    key(level, KeyCode.LEFT);
    assertSame(level, focus());
    assertTrue(level.getValue() < before, "both steps went to one slider");
    double now = session.maker().soundsProperty().get().strip(Part.of(Lane.KICK)).levelDb();
    assertEquals(level.getValue(), now, 1e-9);

    robot.interact(() -> session.selection().partProperty().set(Part.of(Lane.SNARE)));
    robot.interact(() -> session.selection().partProperty().set(Part.of(Lane.KICK)));
    Slider again = robot.lookup("#sound-level").queryAs(Slider.class);
    assertEquals(now, again.getValue(), 1e-9);
    robot.interact(again::requestFocus);
    key(again, KeyCode.BACK_SPACE);
    double usual = session.desk().near().strip(Part.of(Lane.KICK)).levelDb();
    assertEquals(usual, session.maker().soundsProperty().get().strip(Part.of(Lane.KICK)).levelDb());
    assertNotEquals(now, usual, "not where it stood when it was shown again");
  }

  @Test
  void aBenchOpensWhereItHasSomethingToShow() {
    Template t = ready();
    robot.interact(
        () -> {
          session.desk().edit(Arrangement.insert(t, 0, 4));
          int empty = 0;
          while (!session.desk().templateProperty().get().sections().get(empty).drums().isEmpty()) {
            empty++;
          }
          session.selection().sectionProperty().set(empty);
        });
    go("#step-hits");
    int at = session.selection().sectionProperty().get();
    assertTrue(!session.desk().templateProperty().get().sections().get(at).drums().isEmpty());
  }

  /** A second track that is still being heard can't be edited, and nothing goes to the first. */
  @Test
  void nothingReachesTheTrackBeforeWhileAnotherIsOpened() throws IOException {
    ready();
    Path second = dir.resolve("second.wav");
    ClickTrack.write(second, 23); // no other test has heard it
    robot.interact(() -> session.papers().open(second));
    until("it is seen", () -> session.desk().referenceProperty().get().name().equals("second.wav"));
    robot.interact(
        () -> {
          session.desk().correct(c -> c.withBarOneAt(1), "bar one");
          session.desk().undo();
          session.papers().save(dir.resolve("x.looseecho"), false);
        });
    until("it is heard, too", () -> session.desk().templateProperty().get() != null);
    assertTrue(session.desk().correctionsProperty().get().pulse().barOneAt().isEmpty());
    assertTrue(!java.nio.file.Files.exists(dir.resolve("x.looseecho")));
  }
}
