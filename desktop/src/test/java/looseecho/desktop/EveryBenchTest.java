package looseecho.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertSame;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.BiConsumer;
import javafx.scene.Node;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ComboBoxBase;
import javafx.scene.control.Control;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Slider;
import javafx.scene.control.Spinner;
import javafx.scene.control.TextInputControl;
import javafx.scene.control.ToggleButton;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

/** What holds on all benches, with the demo as a usual track. */
class EveryBenchTest extends WindowTest {
  @Start
  void start(Stage stage) throws IOException {
    this.stage = stage;
    open(stage);
  }

  private Stage stage;
  private int seen;
  private int pages;

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

  /** Whatever can be pressed, moved or typed into says what it does, to the eye and to a reader. */
  private void speaks(Bench bench, Set<String> mute) {
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

  /** At 1280x800 a whole ledger is seen at once. */
  private void fits(Bench bench, String page) {
    ScrollPane ledger = robot.lookup(".ledger").queryAs(ScrollPane.class);
    double wanted = ledger.getContent().prefHeight(ledger.getViewportBounds().getWidth());
    double room = ledger.getViewportBounds().getHeight();
    assertTrue(wanted <= room, bench + " " + page + " wants " + wanted + " of " + room);
    pages += room > 500 ? 1 : 0;
  }

  /** What is cut at its right, or has too little room for its words. */
  private void whole(Bench bench, Set<String> cut) {
    for (Node n : shell.lookupAll("*")) {
      if (n instanceof Control c && shown(n) && !(n instanceof ScrollPane)) {
        String words = c instanceof Labeled l ? l.getText() : "";
        String what = bench + " " + c.getClass().getSimpleName() + " #" + c.getId() + " " + words;
        double right = c.localToScene(c.getBoundsInLocal()).getMaxX();
        for (Node up = c.getParent(); up != null; up = up.getParent()) {
          Node clip = up.getClip();
          if (clip != null && right > up.localToScene(clip.getBoundsInLocal()).getMaxX() + 1) {
            cut.add(what + ": beyond the edge of its pane");
          }
        }
        if (c instanceof Labeled l
            && !l.isWrapText()
            && l.getWidth() < Math.floor(l.prefWidth(-1))) {
          cut.add(what + ": " + l.getWidth() + " of " + l.prefWidth(-1));
        }
      }
    }
  }

  /** Every page of every ledger, one after the other. */
  private void eachPage(BiConsumer<Bench, String> look) {
    for (Bench bench : Bench.values()) {
      robot.interact(() -> shell.go(bench));
      until("all is shown", () -> session.lanes().resting());
      Set<ToggleButton> chips = robot.lookup(".ledger .page-chip").queryAllAs(ToggleButton.class);
      for (ToggleButton chip : chips) {
        robot.interact(chip::fire);
        robot.interact(shell::layout);
        look.accept(bench, chip.getText());
      }
      if (chips.isEmpty()) {
        robot.interact(shell::layout);
        look.accept(bench, "");
      }
    }
  }

  /** What is taken out of the window may not throw the focus on: its keys would get lost. */
  private void theKeysOfABenchWorkAtOnce() {
    for (Bench bench : List.of(Bench.ECHO, Bench.LAYERS, Bench.HITS, Bench.NOTES)) {
      Node[] meanwhile = {null};
      robot.interact(
          () -> {
            shell.go(bench);
            meanwhile[0] = shell.getScene().getFocusOwner();
          });
      WaitForAsyncUtils.waitForFxEvents();
      Node chart = robot.lookup(bench.chart()).query();
      assertSame(chart, shell.getScene().getFocusOwner(), bench + " has its keys");
      assertSame(shell.getScene(), meanwhile[0].getScene(), bench + ": the focus is in the window");
    }
  }

  private void aLongMessageMovesNothing() {
    Node bench = shell.getCenter();
    Node click = robot.lookup("#click").query();
    robot.interact(() -> session.desk().say(""));
    robot.interact(shell::layout);
    var place = click.localToScene(click.getBoundsInLocal());
    var room = bench.localToScene(bench.getBoundsInLocal());
    robot.interact(() -> session.desk().say("A message that goes on and on. ".repeat(6)));
    robot.interact(shell::layout);
    assertEquals(place, click.localToScene(click.getBoundsInLocal()));
    assertEquals(room, bench.localToScene(bench.getBoundsInLocal()));
    Label message = robot.lookup("#message").queryAs(Label.class);
    assertTrue(message.getHeight() > 25, "two lines of it are read: " + message.getHeight());
  }

  @Test
  void everyControlSpeaksNoLedgerScrollsAndNothingIsCutAt1024() {
    openDemo();
    Set<String> mute = new TreeSet<>();
    eachPage(
        (bench, page) -> {
          fits(bench, page);
          speaks(bench, mute);
        });
    assertTrue(seen > 300, "the benches are full of controls: " + seen);
    assertEquals(Bench.values().length + 4, pages, "four pages of the echo, two of the sounds");
    assertEquals(Set.of(), mute, String.join("\n", mute));
    aLongMessageMovesNothing();
    theKeysOfABenchWorkAtOnce();

    robot.interact(
        () -> {
          stage.setWidth(1024);
          stage.setHeight(700);
        });
    assertTrue(shell.getWidth() < 1100, "the window is narrow");
    Set<String> cut = new TreeSet<>();
    eachPage((bench, page) -> whole(bench, cut));
    assertEquals(Set.of(), cut, String.join("\n", cut));
  }
}
