package looseecho.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Slider;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import looseecho.activity.Lane;
import looseecho.desktop.ledger.GroovePanel;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.exchange.MidiWriter;
import looseecho.exchange.TemplateExport;
import looseecho.mix.Sounds;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.framework.junit5.Start;

/** A whole session on the echo: arranged, loosened, coloured, saved, damaged, opened again. */
class EchoBenchTest extends WindowTest {
  @TempDir private Path dir;

  @Start
  void start(Stage stage) throws IOException {
    open(stage);
  }

  private Template template() {
    return session.desk().templateProperty().get();
  }

  private void undo() {
    robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
  }

  @Test
  void arrangedLoosenedSavedAndOpenedAgain() throws IOException {
    openDemoAndItsEcho();
    go("#step-echo");
    Template exact = template();
    Node chart = robot.lookup("#arrangement").query();
    robot.interact(chart::requestFocus);
    robot.interact(() -> session.selection().partProperty().set(Part.of(Lane.KICK)));
    robot.interact(() -> session.selection().sectionProperty().set(0));
    robot.type(KeyCode.RIGHT, KeyCode.DOWN);
    assertEquals(1, session.selection().sectionProperty().get());
    assertEquals(Part.of(Lane.SNARE), session.selection().partProperty().get());
    robot.type(KeyCode.I);
    assertTrue(template().sections().get(1).hits(Lane.SNARE).isEmpty(), text("#message"));
    robot.type(KeyCode.I);
    assertEquals(exact, template(), "back as it is heard");
    robot.type(KeyCode.R);
    assertEquals(exact.sections().size() + 1, template().sections().size());
    robot.type(KeyCode.MINUS);
    assertEquals(exact.sections().get(1).beats() - 1, template().sections().get(1).beats());
    robot.type(KeyCode.A);
    assertEquals(Part.of(Lane.SNARE), session.playback().soloProperty().get());
    robot.type(KeyCode.UP);
    assertEquals(Part.of(Lane.KICK), session.playback().soloProperty().get());
    robot.type(KeyCode.A).type(KeyCode.DOWN);
    assertEquals(null, session.playback().soloProperty().get());
    robot.type(KeyCode.E);
    assertEquals(exact.sections().size() + 2, template().sections().size());
    for (int i = 0; i < 5; i++) {
      undo();
    }
    assertEquals(exact, template());
    stepsAreShapedInOneGesture(exact);
    theGrooveOfAFileIsPutOnOneDrum(exact);
    loosenedAndTakenBack(exact);
    robot.type(KeyCode.F2);
    assertTrue(text("#sum-interval").contains("+4 semitones"), text("#sum-interval"));
    robot.type(KeyCode.F2);
    theSoundIsChanged();
    savedDamagedAndOpened();
  }

  private void stepsAreShapedInOneGesture(Template exact) {
    Node steps = robot.lookup("#steps").query();
    robot.interact(steps::requestFocus);
    robot.interact(() -> session.selection().sectionProperty().set(1));
    robot.type(KeyCode.HOME).type(KeyCode.DELETE).type(KeyCode.ENTER);
    Template put = template();
    robot.press(KeyCode.SHIFT).type(KeyCode.DOWN, 3).release(KeyCode.SHIFT);
    assertNotEquals(put, template());
    undo();
    assertEquals(put, template(), "three keys are one gesture");
    robot.press(KeyCode.ALT).type(KeyCode.LEFT).release(KeyCode.ALT);
    assertTrue(text("#message").contains("lasts 4.0 sixteenths"), text("#message"));
    while (!exact.equals(template())) {
      undo();
    }
  }

  private void theGrooveOfAFileIsPutOnOneDrum(Template exact) throws IOException {
    Path midi = dir.resolve("groove.mid");
    new MidiWriter().write(TemplateExport.song(exact), midi);
    fire("#groove-tight");
    assertEquals(0, latest(Lane.SNARE) + latest(Lane.KICK), 1e-9, "all on the grid");
    GroovePanel panel = robot.lookup("#groove").queryAs(GroovePanel.class);
    robot.interact(() -> panel.take(midi));
    until("it is read", () -> "groove.mid".equals(box("#groove-from").getValue()));
    robot.interact(() -> box("#groove-lane").setValue(Lane.SNARE.words()));
    robot.interact(() -> box("#groove-onto").setValue(Lane.SNARE.words()));
    robot.interact(() -> robot.lookup("#groove-strength").queryAs(Slider.class).setValue(50));
    fire("#groove-put");
    double half = latest(Lane.SNARE);
    assertTrue(half > 1, "the snare is late again: " + half);
    assertEquals(0, latest(Lane.KICK), 1e-9, "the kick keeps its place");
    assertEquals("Groove of the snare on the snare, 50 %", text("#message"));
    while (!exact.equals(template())) {
      undo();
    }
  }

  @SuppressWarnings("unchecked")
  private ComboBox<String> box(String id) {
    return robot.lookup(id).queryAs(ComboBox.class);
  }

  /** Milliseconds by which the section's latest hit of a lane is off the grid. */
  private double latest(Lane lane) {
    return template().sections().get(1).hits(lane).stream()
        .mapToDouble(h -> Math.abs(h.offsetMs()))
        .max()
        .orElseThrow();
  }

  private void loosenedAndTakenBack(Template exact) {
    assertEquals("0 %", text("#new-pattern"));
    Slider pattern = robot.lookup("#loose-pattern").queryAs(Slider.class);
    robot.interact(() -> pattern.setValue(30));
    fire("#loosen");
    assertNotEquals(exact, template());
    assertNotEquals("0 %", text("#new-pattern"));
    assertTrue(text("#message").contains("Kept: "), text("#message"));
    assertTrue(text("#loose-last").matches("[1-9][0-9]* steps, .*"), text("#loose-last"));
    Template one = template();
    fire("#loosen-other");
    assertNotEquals(one, template());
    assertTrue(session.papers().keeper().unsavedProperty().get());
  }

  private void theSoundIsChanged() {
    robot.interact(() -> session.selection().partProperty().set(Part.of(Lane.KICK)));
    Slider level = robot.lookup("#sound-level").queryAs(Slider.class);
    robot.interact(() -> level.setValue(-20));
    Sounds sounds = session.maker().soundsProperty().get();
    assertEquals(-20, sounds.strip(Part.of(Lane.KICK)).levelDb(), 1e-6);
    Slider recovery = robot.lookup("#sound-recovery").queryAs(Slider.class);
    double sixteenth = 15000 / template().bpm();
    robot.interact(() -> recovery.setValue(Math.log(sixteenth)));
    assertTrue(text("#message").endsWith("ms, 16th"), text("#message"));
    until("it is rendered", () -> session.maker().echoProperty().get().template() == template());
  }

  private void savedDamagedAndOpened() throws IOException {
    Template mine = template();
    Sounds sounds = session.maker().soundsProperty().get();
    Path file = dir.resolve("tide.looseecho");
    robot.interact(() -> session.papers().save(file, false));
    until("it is saved", () -> text("#message").equals("Saved as tide.looseecho"));
    assertFalse(session.papers().keeper().unsavedProperty().get());
    undo();
    assertTrue(session.papers().keeper().unsavedProperty().get());
    robot.interact(() -> session.papers().open(file));
    until("it is open", () -> mine.equals(template()) && session.lanes().resting());
    assertEquals(sounds, session.maker().soundsProperty().get());
    assertFalse(session.papers().keeper().unsavedProperty().get());
    Files.write(file, new byte[] {80, 75, 3, 4, 0, 0});
    robot.interact(() -> session.papers().open(file));
    until("it is refused", () -> text("#message").contains("damaged and was not opened"));
    assertEquals(mine, template(), "what was open stays");
    until("what is kept of it is offered", () -> robot.lookup("#take-up").tryQuery().isPresent());
    undo();
    fire("#take-up");
    until("the kept version is back", () -> mine.equals(template()));
    until(
        "it belongs to its project",
        () -> file.equals(session.papers().keeper().pathProperty().get()));
    until("saving it mends the project", () -> session.papers().keeper().unsavedProperty().get());
  }
}
