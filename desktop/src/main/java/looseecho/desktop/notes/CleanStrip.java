package looseecho.desktop.notes;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.DoubleFunction;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.control.Dials;
import looseecho.desktop.control.Tips;
import looseecho.desktop.theme.Theme;
import looseecho.echo.CleanUp;
import looseecho.notes.Scale;

/** The steps of a clean-up, each with its strength, and what they would leave. */
final class CleanStrip extends FlowPane {
  private static final String AS_IT_IS = "pitches as they are";

  private final Runnable changed;
  private final Slider join =
      slider("clean-join", 0, 200, "Notes of one pitch with a shorter gap become one");
  private final Slider tooShort = slider("clean-short", 0, 250, "Shorter notes are left out");
  private final Slider tooSoft = slider("clean-soft", 0, 100, "Softer notes are left out");
  private final Slider even =
      slider("clean-even", 0, 100, "Brings the loudness of all notes together");
  private final Slider pull = slider("clean-pull", 0, 100, "Pulls every note towards its step");
  private final ComboBox<String> scale = new ComboBox<>();
  private final Label counts = new Label();
  private boolean quiet;

  /**
   * A strip.
   *
   * @param changed called when a strength changes
   * @param apply called when the person wants it done
   */
  CleanStrip(Runnable changed, Runnable apply) {
    super(14, 4);
    this.changed = changed;
    setId("clean-strip");
    setAlignment(Pos.CENTER_LEFT);
    List<String> scales = new ArrayList<>(List.of(AS_IT_IS));
    for (Scale s : Scale.values()) {
      scales.add(s.words());
    }
    scale.setId("clean-scale");
    scale.getItems().setAll(scales);
    scale.setValue(AS_IT_IS);
    Tips.on(scale, "Moves every note to the nearest one of this scale on the key's home");
    scale.setOnAction(e -> fire());
    Button done = Buttons.of("clean-apply", "Clean up", "Does it; undo takes it back", apply);
    done.setMinWidth(USE_PREF_SIZE);
    counts.setId("clean-counts");
    counts.getStyleClass().add(Theme.SMALL);
    getChildren()
        .addAll(
            step(
                "join gaps", join, v -> v == 0 ? "none" : String.format(Locale.ROOT, "%.0f ms", v)),
            step(
                "drop shorter",
                tooShort,
                v -> v == 0 ? "none" : String.format(Locale.ROOT, "%.0f ms", v)),
            step(
                "drop softer",
                tooSoft,
                v -> v == 0 ? "none" : String.format(Locale.ROOT, "%.0f", v)),
            step("even loudness", even, v -> String.format(Locale.ROOT, "%.0f %%", v)),
            step("pull to steps", pull, v -> String.format(Locale.ROOT, "%.0f %%", v)),
            new VBox(2, small("hold to"), scale),
            done,
            counts);
  }

  private static Slider slider(String id, double min, double max, String tip) {
    Slider s = new Slider(min, max, 0);
    s.setId(id);
    Tips.on(s, tip);
    s.setPrefWidth(96);
    s.setBlockIncrement((max - min) / 20);
    return s;
  }

  private static Label small(String text) {
    Label l = new Label(text);
    l.getStyleClass().add(Theme.SMALL);
    return l;
  }

  private VBox step(String name, Slider s, DoubleFunction<String> words) {
    Label l = small(name + ": " + words.apply(0));
    l.setMinWidth(132);
    s.valueProperty()
        .addListener(
            (o, a, b) -> {
              l.setText(name + ": " + words.apply(Math.rint(b.doubleValue())));
              fire();
            });
    Dials.join(s, l);
    return new VBox(2, l, s);
  }

  private void fire() {
    if (!quiet) {
      changed.run();
    }
  }

  CleanUp.Settings settings() {
    Scale chosen = null;
    for (Scale s : Scale.values()) {
      chosen = s.words().equals(scale.getValue()) ? s : chosen;
    }
    return new CleanUp.Settings(
        Math.rint(join.getValue()),
        Math.rint(tooShort.getValue()),
        (int) Math.rint(tooSoft.getValue()),
        chosen,
        even.getValue() / 100,
        pull.getValue() / 100);
  }

  /** Sets every strength to nothing. */
  void reset() {
    quiet = true;
    for (Slider s : List.of(join, tooShort, tooSoft, even, pull)) {
      s.setValue(0);
    }
    scale.setValue(AS_IT_IS);
    quiet = false;
    counts.setText("");
  }

  /** Says what would be left. */
  void tell(int before, CleanUp.Result after) {
    List<String> parts = new ArrayList<>();
    String[] words = {"joined", "too short", "too soft", "moved to the scale"};
    int[] numbers = {after.joined(), after.tooShort(), after.tooSoft(), after.offScale()};
    for (int i = 0; i < words.length; i++) {
      if (numbers[i] > 0) {
        parts.add(numbers[i] + " " + words[i]);
      }
    }
    counts.setText(
        before
            + " notes before, "
            + after.notes().size()
            + " after"
            + (parts.isEmpty() ? "" : ": " + String.join(", ", parts)));
  }
}
