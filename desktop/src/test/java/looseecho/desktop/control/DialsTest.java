package looseecho.desktop.control;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Locale;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** Every slider: dragged, typed, put back. */
@ExtendWith(ApplicationExtension.class)
class DialsTest {
  private Slider gain;
  private Label number;

  @Start
  void start(Stage stage) {
    gain = new Slider(0, 1, 0.5);
    number = new Label("-6 dB");
    gain.valueProperty()
        .addListener(
            (o, a, b) ->
                number.setText(
                    String.format(Locale.ROOT, "%.0f dB", 20 * Math.log10(b.doubleValue()))));
    Dials.join(gain, number, db -> Math.pow(10, db / 20));
    stage.setScene(new Scene(new HBox(20, gain, number), 400, 60));
    stage.show();
  }

  private void type(FxRobot robot, String text) {
    robot.clickOn(number).write(text).type(KeyCode.ENTER);
  }

  @Test
  void aDoubleClickGivesBackWhereItBegan(FxRobot robot) {
    robot.interact(() -> gain.setValue(0.1));
    robot.doubleClickOn(gain);
    assertEquals(0.5, gain.getValue(), 1e-9);
  }

  @Test
  void aValueIsTypedInTheUnitThatIsShown(FxRobot robot) {
    type(robot, "-20 dB");
    assertEquals(0.1, gain.getValue(), 1e-9);
    assertEquals("-20 dB", number.getText());
    assertNull(number.getGraphic(), "the number stands there again");
    type(robot, "-3,5");
    assertEquals(Math.pow(10, -3.5 / 20), gain.getValue(), 1e-9);
    type(robot, "40");
    assertEquals(1, gain.getValue(), 1e-9, "no further than it goes");
  }

  @Test
  void whatIsNoNumberIsAskedAgainAndEscapeLeavesIt(FxRobot robot) {
    type(robot, "loud");
    assertEquals(0.5, gain.getValue(), 1e-9);
    robot.write("-20").type(KeyCode.ESCAPE);
    assertEquals(0.5, gain.getValue(), 1e-9);
    assertNull(number.getGraphic());
  }

  @Test
  void theKeyboardDoesTheSame(FxRobot robot) {
    robot.interact(gain::requestFocus);
    robot.type(KeyCode.ENTER).write("-20").type(KeyCode.ENTER);
    assertEquals(0.1, gain.getValue(), 1e-9);
    assertTrue(gain.isFocused(), "the next key goes to the slider again");
    robot.type(KeyCode.BACK_SPACE);
    assertEquals(0.5, gain.getValue(), 1e-9);
  }

  @Test
  void whoLooksElsewhereLeavesItAsItWas(FxRobot robot) {
    robot.clickOn(number).write("-20");
    robot.interact(gain::requestFocus);
    robot.interact(() -> {}); // what was put off is done
    assertNull(number.getGraphic());
    assertEquals(0.5, gain.getValue(), 1e-9);
  }
}
