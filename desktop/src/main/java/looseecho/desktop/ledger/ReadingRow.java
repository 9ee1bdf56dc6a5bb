package looseecho.desktop.ledger;

import java.util.List;
import java.util.function.Predicate;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import looseecho.desktop.control.Tips;
import looseecho.desktop.theme.Theme;
import looseecho.reading.Reading;
import looseecho.reading.Reading.Settled;

/**
 * One reading: its name, the value large, how sure it is in words, and the other values as buttons.
 */
final class ReadingRow extends VBox {
  private static final int SHOWN = 4;
  private static final double TITLE = 48;

  /** What happens with a chosen value. */
  interface Choice<T> {
    void chosen(T value);
  }

  /** How a value is written. */
  interface Format<T> {
    String of(T value);
  }

  private ReadingRow() {
    setSpacing(2);
  }

  static <T> ReadingRow of(String name, Reading<T> reading, Format<T> format, Choice<T> choice) {
    return of(name, reading, format, choice, v -> true);
  }

  /**
   * The same with some of the other values only.
   *
   * @param others true for a value that has no button of its own elsewhere
   */
  static <T> ReadingRow of(
      String name, Reading<T> reading, Format<T> format, Choice<T> choice, Predicate<T> others) {
    ReadingRow row = new ReadingRow();
    Label value = new Label(format.of(reading.value()));
    value.getStyleClass().add(Theme.BIG_NUMBER);
    value.setId("reading-" + name.toLowerCase(java.util.Locale.ROOT).replace(' ', '-'));
    Label sure = new Label(words(reading));
    sure.setWrapText(true);
    sure.getStyleClass()
        .addAll(
            Theme.SMALL,
            reading.settledBy() != Settled.MEASURED
                ? Theme.SETTLED
                : reading.confidence() < 0.6 ? Theme.DOUBTFUL : Theme.SMALL);
    row.getChildren().addAll(titled(name, value), sure);
    List<Reading.Alternative<T>> shown =
        reading.alternatives().stream().filter(a -> others.test(a.value())).limit(SHOWN).toList();
    if (!shown.isEmpty()) {
      FlowPane chips = new FlowPane(6, 4);
      shown.forEach(
          a ->
              chips
                  .getChildren()
                  .add(chip(format.of(a.value()), a.reason(), () -> choice.chosen(a.value()))));
      row.getChildren().add(chips);
    }
    return row;
  }

  /** A name and its value in one line. */
  static HBox titled(String name, Label value) {
    Label title = heading(name);
    title.setMinWidth(TITLE);
    HBox line = new HBox(8, title, value);
    line.setAlignment(Pos.BASELINE_LEFT);
    return line;
  }

  /** A sentence in small letters. */
  static Label line(String words) {
    Label label = new Label(words);
    label.setWrapText(true);
    label.getStyleClass().add(Theme.SMALL);
    return label;
  }

  static Label heading(String name) {
    Label l = new Label(name);
    l.getStyleClass().add(Theme.QUIET);
    return l;
  }

  static Button chip(String text, String tip, Runnable action) {
    Button b = new Button(text);
    b.getStyleClass().add(Theme.CHIP);
    b.setOnAction(e -> action.run());
    Tips.on(b, tip);
    return b;
  }

  private static String words(Reading<?> r) {
    String sure =
        switch (r.settledBy()) {
          case CONFIRMED -> "confirmed";
          case CORRECTED -> "";
          case MEASURED ->
              r.confidence() > 0.85 ? "sure" : r.confidence() > 0.6 ? "fairly sure" : "in doubt";
        };
    return sure.isEmpty() ? r.reason() : sure + ": " + r.reason();
  }
}
