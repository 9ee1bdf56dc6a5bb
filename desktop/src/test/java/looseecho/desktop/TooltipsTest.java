package looseecho.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Set;
import java.util.TreeSet;
import javafx.scene.Node;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ComboBoxBase;
import javafx.scene.control.Control;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.control.Slider;
import javafx.scene.control.Spinner;
import javafx.scene.control.TextInputControl;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.framework.junit5.Start;

/** Whatever can be pressed, moved or typed into says what it does, to the eye and to a reader. */
class TooltipsTest extends WindowTest {
  @TempDir private Path dir;

  @Start
  void start(Stage stage) throws IOException {
    openTrack(stage, dir);
  }

  private static boolean works(Node n) {
    boolean kind =
        n instanceof ButtonBase
            || n instanceof Slider
            || n instanceof Spinner
            || n instanceof ComboBoxBase
            || n instanceof TextInputControl;
    boolean part = false; // of another control, which speaks for it
    for (Node up = n.getParent(); up != null; up = up.getParent()) {
      part |= up instanceof Spinner || up instanceof ComboBoxBase;
    }
    return kind && !part && shown(n);
  }

  private static boolean shown(Node n) {
    return n == null || n.isVisible() && shown(n.getParent());
  }

  /** What a screen reader says of it beside its kind. */
  private static boolean named(Control c) {
    boolean text = c instanceof Labeled l && l.getText() != null && !l.getText().isBlank();
    boolean prompt =
        c instanceof TextInputControl t
            && t.getPromptText() != null
            && !t.getPromptText().isEmpty();
    boolean accessible = c.getAccessibleText() != null && !c.getAccessibleText().isBlank();
    return text || prompt || accessible || c.getTooltip() != null;
  }

  @Test
  void everyControlOfEveryBench() {
    until("it is heard", () -> session.desk().templateProperty().get() != null);
    Set<String> mute = new TreeSet<>();
    int seen = 0;
    for (Bench bench : Bench.values()) {
      robot.interact(() -> shell.go(bench));
      until("all is shown", () -> session.lanes().resting());
      for (Node n : shell.lookupAll("*")) {
        if (works(n)) {
          Control c = (Control) n;
          seen++;
          String words = c instanceof Labeled l ? l.getText() : "";
          String what = bench + " " + c.getClass().getSimpleName() + " #" + c.getId() + " " + words;
          if (c.getTooltip() == null || c.getTooltip().getText().isBlank()) {
            mute.add(what + ": no tooltip");
          }
          if (!named(c)) {
            mute.add(what + ": no name");
          }
        }
      }
    }
    assertTrue(seen > 300, "the benches are full of controls: " + seen);
    assertEquals(Set.of(), mute, String.join("\n", mute));
    assertEquals(1, robot.lookup("#message").queryAllAs(Label.class).size());
  }
}
