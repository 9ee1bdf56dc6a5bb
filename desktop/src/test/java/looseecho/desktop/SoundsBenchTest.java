package looseecho.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Path;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.stage.Stage;
import looseecho.activity.Lane;
import looseecho.echo.Course;
import looseecho.echo.Movement;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.echo.Transition;
import looseecho.mix.Group;
import looseecho.mix.Master;
import looseecho.mix.Sound;
import looseecho.mix.Sounds;
import looseecho.notes.Line;
import looseecho.synth.Moved;
import looseecho.synth.Timbre;
import looseecho.synth.ToneSound;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.framework.junit5.Start;

/** Layers, recipes, mixer and movement by hand, each step taken back by undo. */
class SoundsBenchTest extends WindowTest {
  @TempDir private Path dir;

  @Start
  void start(Stage stage) throws IOException {
    openTrack(stage, dir);
  }

  private Sounds sounds() {
    return session.maker().soundsProperty().get();
  }

  private Template template() {
    return session.desk().templateProperty().get();
  }

  private void bench(Part part) {
    until("it is heard", () -> template() != null);
    robot.interact(() -> session.selection().partProperty().set(part));
    go("#step-sounds");
  }

  private void undo() {
    robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
  }

  @SuppressWarnings("unchecked")
  private <T> void choose(String id, T value) {
    ComboBox<T> box = robot.lookup(id).queryAs(ComboBox.class);
    robot.interact(() -> box.setValue(value));
  }

  @Test
  void layersAreAddedMovedAndTakenAway() {
    Part bass = Part.of(Line.BASS);
    bench(bass);
    Sounds before = sounds();
    pick("#layer-add", "layer-up");
    Sound two = sounds().sound(bass);
    assertEquals(new Moved(1, 12), two.layers().get(1).source());
    Slider level = robot.lookup("#sound-layer-level").queryAs(Slider.class);
    robot.interact(() -> level.setValue(-12));
    assertEquals(-12, sounds().sound(bass).layers().get(1).levelDb(), 1e-6);
    pick("#layer-menu", "layer-mute");
    assertTrue(sounds().sound(bass).layers().get(1).muted());
    pick("#layer-menu", "layer-out");
    assertEquals(1, sounds().sound(bass).layers().size());
    for (int k = 0; k < 4; k++) {
      undo();
    }
    assertEquals(before, sounds());
  }

  @Test
  void aRecipeIsChangedInOneLetterAlone() {
    Part bass = Part.of(Line.BASS);
    bench(bass);
    ComboBox<?> letters = robot.lookup("#sound-letter").queryAs(ComboBox.class);
    robot.interact(() -> letters.getSelectionModel().select(1));
    String letter = template().sections().stream().map(s -> s.label()).sorted().findFirst().get();
    choose("#sound-kind", Timbre.Filter.BAND);
    choose("#sound-shape", Timbre.Wave.PULSE);
    ToneSound own = (ToneSound) sounds().sound(bass, letter).source();
    assertEquals(Timbre.Filter.BAND, own.timbre().filter());
    assertEquals(Timbre.Wave.PULSE, own.timbre().wave());
    assertEquals(Timbre.PLAIN, ((ToneSound) sounds().sound(bass).source()).timbre());
    robot.clickOn("#as-everywhere");
    assertEquals(sounds().sound(bass), sounds().sound(bass, letter));
  }

  @Test
  void groupsAndTheEndOfTheWholeAreSet() {
    bench(Part.of(Lane.KICK));
    Slider drive = robot.lookup("#sound-drums-drive").queryAs(Slider.class);
    robot.interact(() -> drive.setValue(2));
    assertEquals(2, sounds().group(Group.DRUMS).drive(), 1e-6);
    choose("#sound-ends-in", Master.End.CLIPPER);
    assertEquals(Master.End.CLIPPER, sounds().whole().master().end());
    undo();
    assertEquals(Master.End.LIMITER, sounds().whole().master().end());
  }

  @Test
  void theKitIsSwappedWhileHitsAndLevelsStay() {
    Part kick = Part.of(Lane.KICK);
    bench(kick);
    Sounds before = sounds();
    Template hits = template();
    pick("#kit", "kit-deep");
    assertNotEquals(before.sound(kick).layers(), sounds().sound(kick).layers());
    assertEquals(before.strip(kick), sounds().strip(kick));
    assertEquals(before.tone(Part.of(Line.BASS)), sounds().tone(Part.of(Line.BASS)));
    assertEquals(hits, template());
    undo();
    assertEquals(before, sounds());
  }

  @Test
  void aGroupsCompressorTellsWhatItTakesOff() {
    bench(Part.of(Lane.KICK));
    Slider press = robot.lookup("#sound-drums-press").queryAs(Slider.class);
    robot.interact(() -> press.setValue(8));
    until("its rows are there", () -> robot.lookup("#sound-drums-above").tryQuery().isPresent());
    Slider above = robot.lookup("#sound-drums-above").queryAs(Slider.class);
    robot.interact(() -> above.setValue(-40));
    Label told = robot.lookup("#pressed-drums").queryAs(Label.class);
    until(
        "what is told is what the newest echo has taken",
        () ->
            told.getText().matches("up to \\d\\d?\\.\\d dB")
                && Math.abs(
                        told(told)
                            - session.maker().echoProperty().get().pressedDb().get(Group.DRUMS))
                    < 0.06);
    double db = told(told);
    assertTrue(db > 6 && db < 40, told.getText());
  }

  private static double told(Label label) {
    return Double.parseDouble(label.getText().replaceAll("[^0-9.]", ""));
  }

  @Test
  void aCourseIsDrawn() {
    bench(Part.of(Lane.KICK));
    go("#step-echo");
    int section = session.selection().sectionProperty().get();
    pick("#move", "goes");
    Node chart = robot.lookup("#course-chart").query();
    robot.interact(chart::requestFocus);
    robot.type(KeyCode.INSERT);
    Course drawn = template().sections().get(section).movement().courses().get(0);
    assertEquals(3, drawn.points().size());
    double middle = drawn.points().get(1).value();
    robot.type(KeyCode.UP);
    double up =
        template().sections().get(section).movement().courses().get(0).points().get(1).value();
    assertEquals(middle + 3, up, 0.11); // a twentieth of 60 dB
    robot.clickOn(chart, MouseButton.PRIMARY);
    int points = level(section).points().size();
    assertEquals(4, points);
    robot.type(KeyCode.DELETE);
    assertEquals(3, level(section).points().size());
  }

  private Course level(int section) {
    return template().sections().get(section).movement().courses().stream()
        .filter(c -> c.target() == Course.Target.LEVEL && c.scope().equals(Course.ALL))
        .findFirst()
        .orElseThrow();
  }

  @Test
  void aSectionIsBuiltUpAndLedInto() {
    bench(Part.of(Lane.KICK));
    go("#step-echo");
    Template before = template();
    int section = session.selection().sectionProperty().get();
    pick("#move", "build-up-4");
    pick("#lead", "lead-rise");
    Movement m = template().sections().get(section).movement();
    assertTrue(m.courses().stream().anyMatch(c -> c.target() == Course.Target.LOW_CUT));
    assertEquals(Transition.Kind.RISE, m.transitions().get(0).kind());
    pick("#transition", "x-longer");
    Movement longer = template().sections().get(section).movement();
    assertEquals(2 * m.transitions().get(0).before(), longer.transitions().get(0).before());
    Node chip = robot.lookup("#course").query();
    assertTrue(chip.isVisible());
    undo();
    undo();
    undo();
    assertEquals(before, template());
  }
}
