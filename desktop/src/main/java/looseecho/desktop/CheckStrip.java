package looseecho.desktop;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.control.Tips;
import looseecho.desktop.session.Checklist;
import looseecho.desktop.theme.Theme;
import looseecho.doubt.Doubt;

/** A line over a bench that says what is worth checking on it, and goes there. */
final class CheckStrip extends HBox {
  private final Doubt.Topic topic;
  private final Checklist checklist;
  private final Label words = new Label();
  private final Button fine;

  /** {@code next} goes to the next one. */
  CheckStrip(Doubt.Topic topic, Checklist checklist, Runnable next) {
    super(8);
    this.topic = topic;
    this.checklist = checklist;
    setAlignment(Pos.CENTER_LEFT);
    getStyleClass().add("checks");
    words.setId("check-words");
    words.setMaxWidth(Double.MAX_VALUE);
    words.setMinWidth(0);
    words.setWrapText(true);
    setMinHeight(USE_PREF_SIZE);
    HBox.setHgrow(words, Priority.ALWAYS);
    words.getStyleClass().add(Theme.SMALL);
    Button go = Buttons.of("check-next", "Next", "Goes to the next one worth checking (F5)", next);
    go.getStyleClass().add(Theme.CHIP);
    fine =
        Buttons.of(
            "check-fine",
            "It's fine",
            "Leaves it as it is; it does not come again (Shift+F5)",
            checklist::fine);
    fine.getStyleClass().add(Theme.CHIP);
    getChildren().addAll(words, go, fine);
    managedProperty().bind(visibleProperty());
    Consumer<Object> show = o -> show();
    checklist.doubtsProperty().addListener((o, a, b) -> show.accept(b));
    checklist.lookedProperty().addListener((o, a, b) -> show.accept(b));
    show();
  }

  private void show() {
    List<Doubt> all = checklist.of(topic);
    setVisible(!all.isEmpty());
    if (all.isEmpty()) {
      return;
    }
    Optional<Doubt> looked =
        Optional.ofNullable(checklist.lookedProperty().get()).filter(all::contains);
    Doubt shown = looked.orElse(all.get(0));
    words.setText(
        "Worth checking, " + (all.indexOf(shown) + 1) + " of " + all.size() + ": " + shown.words());
    Tips.on(words, shown.words());
    fine.setDisable(looked.isEmpty());
  }
}
