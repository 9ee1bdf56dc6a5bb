package looseecho.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Collectors;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.input.DragEvent;
import javafx.scene.input.Dragboard;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import looseecho.desktop.session.Batch;
import looseecho.desktop.session.Preferences;
import looseecho.desktop.session.Settings;
import looseecho.play.SimulatedInput;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mockito.Mockito;
import org.testfx.framework.junit5.Start;

/** What the person sets holds at once, and at the next start. */
class SettingsTest extends WindowTest {
  @TempDir private Path dir;

  @Start
  void start(Stage stage) throws IOException {
    open(stage, dir.resolve("corrections"));
  }

  @SuppressWarnings("unchecked")
  private <T> void choose(String id, T value) {
    robot.interact(
        () -> {
          ComboBox<T> box = (ComboBox<T>) shell.lookup(id);
          assertTrue(box.getItems().contains(value), id + " offers " + box.getItems());
          box.setValue(value);
        });
  }

  private Settings now() {
    return session.preferences().now();
  }

  @Test
  void settingsHoldAtOnceAndAtTheNextStart() {
    robot.type(KeyCode.F4);
    choose("#set-cap", -12);
    choose("#set-rest", 20);
    choose("#set-light", Settings.Light.NIGHT);
    choose("#set-scale", 150);
    choose("#set-tighten", 100);
    choose("#set-source", true);
    choose("#set-low-end", false);
    robot.interact(() -> ((CheckBox) shell.lookup("#set-calm")).fire());
    assertTrue(shell.getStyleClass().containsAll(List.of("night", "calm")));
    assertEquals(now(), Preferences.read(session.folder()), "kept");
    assertEquals(-12, now().sound().capDb());
    robot.type(KeyCode.ESCAPE);
    assertTrue(robot.lookup("#settings").tryQuery().isEmpty());
    robot.type(KeyCode.N);
    assertFalse(shell.getStyleClass().contains("night"));
    assertEquals(Settings.Light.DAY, now().look().light());
  }

  @Test
  void whatIsDamagedCountsAsUsual() throws IOException {
    for (String damaged : List.of("buffer=3", "cap=12", "light=dusk", "scale=\\u1", "delay=x")) {
      Files.writeString(dir.resolve("settings.properties"), damaged);
      assertEquals(Settings.USUAL, Preferences.read(dir), damaged);
    }
  }

  /** An even hand that strikes 8 ms late is told so, and taps are taken back by it. */
  @Test
  void theDelayOfTapsIsMeasured() {
    robot.interact(
        () ->
            session
                .preferences()
                .change(s -> s.with(s.sound().tapOn(SimulatedInput.NAME).delay(99))));
    robot.type(KeyCode.F4);
    fire("#set-measure");
    until("it is measured", () -> now().sound().delayMs() != 99);
    assertTrue(Math.abs(now().sound().delayMs() - 8) < 60, "was " + now().sound().delayMs());
  }

  /** Several files become a list; a wrong one says why, the others open at once. */
  @Test
  void severalTracksAreHeardOneAfterTheOther() throws IOException {
    Path first = dir.resolve("pier.wav");
    Path second = dir.resolve("mole.wav");
    Path wrong = dir.resolve("list.wav");
    ClickTrack.write(first, 12);
    ClickTrack.write(second, 10);
    Files.writeString(wrong, "no sound at all");
    robot.interact(() -> session.preferences().change(s -> s.with(s.schools().tighten(100))));
    Dragboard board = Mockito.mock(Dragboard.class);
    Mockito.when(board.getFiles())
        .thenReturn(List.of(first.toFile(), wrong.toFile(), second.toFile()));
    DragEvent drop = Mockito.mock(DragEvent.class);
    Mockito.when(drop.getDragboard()).thenReturn(board);
    robot.interact(() -> shell.getOnDragDropped().handle(drop));
    List<Batch.State> ends = List.of(Batch.State.HEARD, Batch.State.FAILED, Batch.State.HEARD);
    until("all are heard", () -> states().equals(ends));
    String words = session.batch().rowsProperty().get().get(2).words();
    assertTrue(words.matches("0:10, 1\\d\\d BPM.*"), words);
    robot.type(KeyCode.DOWN, KeyCode.DOWN, KeyCode.ENTER);
    until("it opens", () -> session.desk().templateProperty().get() != null);
    assertEquals("mole.wav", session.desk().referenceProperty().get().name());
    assertTrue(robot.lookup("#batch").tryQuery().isEmpty());
    assertTrue(
        session.desk().templateProperty().get().sections().stream()
            .flatMap(s -> s.drums().values().stream())
            .flatMap(List::stream)
            .allMatch(s -> Math.abs(s.offsetMs()) < 1e-6),
        "a new echo lies on its lines, as this person works");
  }

  private List<Batch.State> states() {
    return session.batch().rowsProperty().get().stream()
        .map(Batch.Row::state)
        .collect(Collectors.toList());
  }
}
