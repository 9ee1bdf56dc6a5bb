package looseecho.desktop.control;

import java.util.function.DoubleConsumer;
import java.util.function.DoubleUnaryOperator;
import javafx.application.Platform;
import javafx.scene.control.ContentDisplay;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;

/**
 * What every slider of the program does besides being dragged: a double click or Backspace puts it
 * back, a click on its number or Enter lets a value be typed, and Escape leaves it as it was.
 */
public final class Dials {
  private static final double WIDE = 46; // pixels in which a number can be read as it is typed

  private Dials() {}

  /** A slider whose number is its value, and which is put back to where it stands now. */
  public static void join(Slider slider, Label number) {
    join(slider, number, v -> v);
  }

  /** The same where another number is shown; with what makes the slider's value of it. */
  public static void join(Slider slider, Label number, DoubleUnaryOperator toSlider) {
    join(slider, number, slider.getValue(), toSlider);
  }

  /** The same where the slider's usual value is another than where it stands. */
  public static void join(Slider slider, Label number, double usual, DoubleUnaryOperator toSlider) {
    DoubleConsumer to = v -> slider.setValue(toSlider.applyAsDouble(v));
    Tips.on(number, "Click to type it; a double click on the slider gives the usual value");
    number.setOnMouseClicked(e -> type(number, slider, to));
    slider.setOnMouseClicked(
        e -> {
          if (e.getClickCount() == 2) {
            slider.setValue(usual);
          }
        });
    slider.setOnKeyPressed(
        e -> {
          if (e.getCode() == KeyCode.ENTER) {
            type(number, slider, to);
            e.consume();
          } else if (e.getCode() == KeyCode.BACK_SPACE || e.getCode() == KeyCode.DELETE) {
            slider.setValue(usual);
            e.consume();
          }
        });
  }

  private static void type(Label number, Slider slider, DoubleConsumer to) {
    TextField field = new TextField();
    field.setId("typed");
    field.getStyleClass().add("typed");
    field.setPrefColumnCount(4);
    field.setMinWidth(0);
    field.setPromptText(number.getText().split("\\R", -1)[0]);
    double width = number.getMinWidth();
    Runnable back =
        () -> {
          number.setMinWidth(width);
          number.setGraphic(null);
          number.setContentDisplay(ContentDisplay.LEFT);
        };
    Runnable done =
        () -> {
          back.run();
          slider.requestFocus();
        };
    field.setOnAction(e -> take(field, done, to));
    field.setOnKeyPressed(
        e -> {
          if (e.getCode() == KeyCode.ESCAPE) {
            done.run();
            e.consume();
          }
        });
    field.focusedProperty().addListener((o, was, now) -> Platform.runLater(now ? () -> {} : back));
    number.setMinWidth(Math.max(width, WIDE));
    number.setContentDisplay(ContentDisplay.GRAPHIC_ONLY);
    number.setGraphic(field);
    field.requestFocus();
  }

  private static void take(TextField field, Runnable done, DoubleConsumer to) {
    String text = field.getText().replace(',', '.').replaceAll("[^0-9.+-]", "");
    try {
      double value = Double.parseDouble(text);
      done.run();
      to.accept(value);
    } catch (NumberFormatException wrong) {
      field.clear();
      field.setPromptText("a number");
    }
  }
}
