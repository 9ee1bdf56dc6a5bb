package looseecho.desktop.control;

import java.util.List;
import java.util.function.Function;
import javafx.scene.control.ComboBox;
import javafx.util.StringConverter;

/** Makes lists to choose one value from. */
public final class Choices {
  private Choices() {}

  /**
   * A list of values in words, one of them chosen; it is not typed into; {@code tip} says what for.
   */
  public static <T> ComboBox<T> of(
      String id, List<T> values, T now, Function<T, String> words, String tip) {
    ComboBox<T> box = new ComboBox<>();
    box.setId(id);
    box.getItems().setAll(values);
    box.setConverter(
        new StringConverter<>() {
          @Override
          public String toString(T value) {
            return value == null ? "" : words.apply(value);
          }

          @Override
          public T fromString(String text) {
            return null;
          }
        });
    box.setValue(now);
    Tips.on(box, tip);
    return box;
  }
}
