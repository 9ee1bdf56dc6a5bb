package looseecho.desktop.transport;

import java.util.function.DoubleFunction;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.layout.HBox;
import looseecho.desktop.theme.Theme;

/** A slider with its value beside it; a double click gives back where it began. */
final class ToldSlider extends HBox {
  private static final double LEAST = 56;
  private static final double NUMBER = 40; // of the widest number, so that nothing moves

  /** With what is said of a value. */
  ToldSlider(Slider slider, DoubleFunction<String> words) {
    super(6);
    double usual = slider.getValue();
    Label told = new Label(words.apply(usual));
    told.getStyleClass().add(Theme.SMALL);
    told.setMinWidth(NUMBER);
    slider.valueProperty().addListener((o, a, b) -> told.setText(words.apply(b.doubleValue())));
    slider.setOnMouseClicked(
        e -> {
          if (e.getClickCount() == 2) {
            slider.setValue(usual);
          }
        });
    slider.setMinWidth(LEAST);
    setAlignment(Pos.CENTER_LEFT);
    getChildren().addAll(slider, told);
  }
}
