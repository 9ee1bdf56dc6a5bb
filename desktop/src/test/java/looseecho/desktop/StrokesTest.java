package looseecho.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.audio.WavWriter;
import looseecho.desktop.hits.StepChart;
import looseecho.echo.DrumPart;
import looseecho.echo.Edits;
import looseecho.echo.Manner;
import looseecho.echo.Part;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.echo.Tone;
import looseecho.notes.Line;
import looseecho.play.InputDevice;
import looseecho.pulse.Grid;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.framework.junit5.Start;

/** Strokes on the echo bench, by keys and lists, each gesture by itself. */
class StrokesTest extends WindowTest {
  @TempDir private Path dir;

  @Start
  void start(Stage stage) throws IOException {
    openTrack(stage, dir);
  }

  /** On the echo bench, the cursor of the kick on the bar's first step. */
  private StepChart steps() {
    until("it is heard", () -> template() != null);
    go("#step-echo");
    StepChart steps = robot.lookup("#steps").queryAs(StepChart.class);
    robot.interact(
        () -> {
          steps.requestFocus();
          steps.place(Part.of(Lane.KICK), 0);
        });
    return steps;
  }

  private Template template() {
    return session.desk().templateProperty().get();
  }

  private List<Stroke> kicks() {
    return kicksOf(template());
  }

  private static List<Stroke> kicksOf(Template t) {
    return t.sections().get(0).hits(Lane.KICK);
  }

  private Stroke first() {
    return kicks().get(0);
  }

  private void undone(Template before) {
    while (!before.equals(template())) {
      robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
    }
  }

  @Test
  void aStrokeIsPitchedTurnedAndFlammedByKeys() {
    steps();
    Template before = template();
    robot.type(KeyCode.P, 2).type(KeyCode.Y);
    assertEquals(2, first().manner().pitch());
    assertEquals(Manner.Bend.LENGTH_KEPT, first().manner().bend());
    assertTrue(text("#message").contains("2 semitones higher, length kept"), text("#message"));
    robot.type(KeyCode.W, KeyCode.V, KeyCode.U);
    assertTrue(first().manner().reversed());
    assertEquals(25, first().manner().flamMs(), 1e-9);
    undone(before);
    assertEquals(Manner.PLAIN, first().manner());
  }

  @Test
  void finerLinesTakeAStrokeBetweenTheSteps() {
    steps();
    Template before = template();
    Node every = robot.lookup("#every-bar").query();
    robot.interact(() -> ((javafx.scene.control.CheckBox) every).setSelected(false));
    robot.press(KeyCode.SHIFT).type(KeyCode.L).release(KeyCode.SHIFT); // coarser first
    assertEquals(Grid.EIGHTH_TRIPLET, session.selection().gridProperty().get());
    robot.type(KeyCode.L, KeyCode.L, KeyCode.L);
    assertEquals(Grid.THIRTY_SECOND, session.selection().gridProperty().get());
    int count = kicks().size();
    robot.type(KeyCode.RIGHT, KeyCode.ENTER);
    assertEquals(count + 1, kicks().size());
    assertTrue(kicks().stream().anyMatch(h -> h.tick() % 240 == 120), "half a step behind");
    assertTrue(text("#message").startsWith("Put kick on step 1½"), text("#message"));
    robot.interact(
        () -> session.selection().partProperty().set(looseecho.echo.Part.of(Lane.SNARE)));
    assertEquals(Grid.SIXTEENTH, session.selection().gridProperty().get(), "each part has its own");
    undone(before);
  }

  @Test
  void writingWorksFromTheMarkToTheCursor() {
    StepChart steps = steps();
    Template before = template();
    robot.type(KeyCode.B);
    robot.interact(() -> steps.place(Part.of(Lane.KICK), 7 * 240));
    pick("#write", "fill-2");
    long here = kicks().stream().filter(h -> h.tick() < 8 * 240).count();
    assertEquals(4, here, text("#message"));
    pick("#write", "ramp-up");
    assertEquals(35, kicks().get(0).velocity());
    pick("#write", "erase");
    assertEquals(0, kicks().stream().filter(h -> h.tick() < 8 * 240).count());
    pick("#write", "bar-ALL");
    assertTrue(text("#message").contains("in every bar"), text("#message"));
    undone(before);
  }

  @Test
  void aPartIsSplitNamedJoinedAndTakenBack() {
    steps();
    Template before = template();
    DrumPart hat = Part.of(Lane.HAT_CLOSED);
    robot.interact(() -> session.selection().partProperty().set(hat));
    int all = count(hat);
    pick("#new-part", "split-off");
    DrumPart other = hat.numbered(2);
    assertEquals(other, session.selection().partProperty().get(), "the new part is the picked one");
    assertTrue(count(other) > 0 && count(other) + count(hat) == all, text("#message"));
    robot.clickOn("#ledger-part");
    TextField name = robot.lookup("#part-name").queryAs(TextField.class);
    robot.interact(
        () -> {
          name.setText("shaker");
          name.fireEvent(new javafx.event.ActionEvent());
        });
    assertEquals("shaker", template().name(other));
    StepChart steps = robot.lookup("#steps").queryAs(StepChart.class);
    robot.interact(() -> steps.place(other, 480));
    assertTrue(
        robot.lookup("#part-name").queryAs(TextField.class).getText().equals("shaker"),
        "the row under the cursor is the picked part");
    robot.interact(() -> robot.lookup("#part-menu").queryAs(MenuButton.class).show());
    robot.interact(
        () -> {
          Menu join =
              (Menu)
                  robot.lookup("#part-menu").queryAs(MenuButton.class).getItems().stream()
                      .filter(i -> "part-join".equals(i.getId()))
                      .findFirst()
                      .orElseThrow();
          join.getItems().stream()
              .filter(i -> i.getText().equals(hat.words()))
              .findFirst()
              .orElseThrow()
              .fire();
        });
    assertEquals(all, count(hat), text("#message"));
    robot.interact(() -> robot.lookup("#part-menu").queryAs(MenuButton.class).hide());
    undone(before);
    assertEquals(hat, session.selection().partProperty().get(), "what is no more is not picked");
  }

  @Test
  void aRecordingOfOnesOwnIsCutAndLaid() throws IOException {
    steps();
    Template before = template();
    Path loop = dir.resolve("rattle.wav");
    float[] x = new float[2 * 44100];
    for (int k = 0; k < 8; k++) {
      for (int i = 0; i < 3000; i++) {
        x[k * 11025 + i] = (float) (0.6 * Math.exp(-i / 600.0) * Math.sin(i * 0.4 + k));
      }
    }
    new WavWriter().write(new Audio(x, x, 44100), loop);
    robot.interact(() -> session.ownAudio().take(loop));
    DrumPart part = nextPercussion(before);
    until("it is laid", () -> count(part) > 0);
    assertEquals("rattle", template().name(part));
    assertEquals(8, session.maker().soundsProperty().get().sample(part).get().slices().count());
    robot.clickOn("#ledger-part");
    @SuppressWarnings("unchecked")
    ComboBox<Double> beats = robot.lookup("#cut-beats").queryAs(ComboBox.class);
    robot.interact(() -> beats.setValue(8.0));
    int here = count(part);
    robot.interact(() -> robot.lookup("#lay").queryButton().fire());
    assertEquals(here / 2.0, count(part), 4, "twice as long, so half as often");
    undone(before);
  }

  /** The part that a recording becomes: beside the percussion of the track, where it has any. */
  private static DrumPart nextPercussion(Template t) {
    DrumPart first = Part.of(Lane.PERCUSSION);
    return Part.of(t).contains(first) ? first.numbered(2) : first;
  }

  /** An input that plays four clicks a second for two seconds. */
  private static final class Clicks implements InputDevice {
    private int at;

    @Override
    public int read(float[] out, int samples) {
      int count = Math.min(samples, 2 * 44100 - at);
      for (int i = 0; i < count; i++) {
        double age = (at + i) % 11025;
        out[2 * i] = (float) (0.5 * Math.exp(-age / 400) * Math.sin(age * 0.3));
        out[2 * i + 1] = out[2 * i];
      }
      at += count;
      return count;
    }

    @Override
    public void close() {}
  }

  @Test
  void whatTheInputHearsBecomesAPartInOneStep() {
    steps();
    Template before = template();
    session.ownAudio().inputs(() -> Optional.of(new Clicks()));
    robot.interact(() -> session.ownAudio().record());
    DrumPart part = nextPercussion(before);
    until("it is laid", () -> count(part) > 0);
    assertTrue(template().name(part).startsWith("take"));
    robot.interact(() -> session.desk().undo());
    assertEquals(before, template(), "with its sound, in one step");
    session.ownAudio().inputs(Optional::empty);
    robot.interact(() -> session.ownAudio().record());
    until("it is told", () -> session.desk().messageProperty().get().contains("No sound input"));
  }

  @Test
  void onePartIsShownBarUnderBar() {
    steps();
    Template before = template();
    robot.clickOn("#one-part");
    robot.interact(() -> robot.lookup("#steps").query().requestFocus());
    Node every = robot.lookup("#every-bar").query();
    robot.interact(() -> ((javafx.scene.control.CheckBox) every).setSelected(false));
    robot.type(KeyCode.DOWN, KeyCode.RIGHT, KeyCode.ENTER);
    Template after = template();
    assertNotEquals(before, after);
    List<Stroke> changed = new java.util.ArrayList<>(kicks());
    List<Stroke> gone = new java.util.ArrayList<>(kicksOf(before));
    changed.removeAll(kicksOf(before));
    gone.removeAll(kicks());
    changed.addAll(gone);
    assertEquals(1, changed.size());
    int due = before.grid(0).bars().get(1).from() + Grid.SIXTEENTH.ticks();
    assertEquals(due, changed.get(0).tick(), "in the second bar, on its second step");
    robot.clickOn("#one-part");
    undone(before);
  }

  private int count(Part part) {
    return template().sections().stream().mapToInt(part::size).sum();
  }

  @Test
  void notesMoveByTheLinesOfTheirOwn() {
    steps();
    go("#step-notes");
    Template bare = template();
    Tone note = Tone.onStep(4, 0, 2, 40, 90);
    robot.interact(
        () ->
            session.desk().edit(Edits.line(bare, 0, Part.of(Line.BASS), List.of(note), "A note")));
    Node chart = robot.lookup("#notes").query();
    robot.interact(chart::requestFocus);
    @SuppressWarnings("unchecked")
    ComboBox<Grid> lines = robot.lookup("#note-lines").queryAs(ComboBox.class);
    robot.interact(() -> lines.setValue(Grid.SIXTEENTH_TRIPLET));
    robot.interact(chart::requestFocus);
    robot.type(KeyCode.PERIOD, KeyCode.RIGHT);
    assertEquals(note.tick() + 160, template().sections().get(0).notes(Line.BASS).get(0).tick());
    robot.type(KeyCode.L); // the chords keep sixteenths
    assertEquals(Grid.SIXTEENTH, lines.getValue());
  }
}
