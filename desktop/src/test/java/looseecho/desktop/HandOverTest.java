package looseecho.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import javafx.event.ActionEvent;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import looseecho.activity.Lane;
import looseecho.compare.Finding;
import looseecho.echo.Edits;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.handover.Exporters;
import looseecho.project.Notebook;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.framework.junit5.Start;

/** The end of the job: compared, judged, noted, handed over. */
class HandOverTest extends WindowTest {
  @TempDir private Path dir;

  @Start
  void start(Stage stage) throws IOException {
    openTrack(stage, dir);
  }

  private Template template() {
    return session.desk().templateProperty().get();
  }

  @Test
  void comparedJudgedAndHandedOver() throws IOException {
    until("it is heard", () -> template() != null);
    go("#step-compare");
    Template heard = template();
    robot.interact(() -> session.desk().edit(new Edits.Edited(withoutOneKick(heard), "One less")));
    fire("#compare");
    until("it is compared", () -> session.nearness().comparisonProperty().get() != null);
    ListView<Finding> findings = robot.lookup("#findings").query();
    Finding missing =
        findings.getItems().stream()
            .filter(f -> f.kind() == Finding.Kind.PATTERN && f.of().equals("kick"))
            .findFirst()
            .orElseThrow();
    robot.interact(
        () -> {
          findings.getSelectionModel().select(missing);
          findings.requestFocus();
        });
    robot.type(KeyCode.J);
    assertEquals(
        missing.at().orElseThrow(), session.playback().player().position(), 0.2, "it goes there");
    robot.type(KeyCode.ENTER);
    until("the kick is back", () -> template().equals(heard));
    assertTrue(text("#compare-state").endsWith("before your last changes"));
    robot.interact(
        () ->
            robot
                .lookup("#verdict-kick")
                .<ComboBox<Notebook.Verdict>>query()
                .setValue(Notebook.Verdict.CLOSE));
    assertEquals(Notebook.Verdict.CLOSE, session.desk().notebookProperty().get().of("kick"));
    robot.interact(() -> session.desk().undo());
    assertEquals(Notebook.Verdict.OPEN, session.desk().notebookProperty().get().of("kick"));
    robot.interact(() -> session.desk().redo());
    robot.interact(() -> session.playback().player().seek(9));
    fire("#bare-kick");
    assertTrue(session.playback().player().position() < 9, "where it is heard best");
    robot.interact(() -> session.nearness().compare(dir.resolve("pier.wav")));
    until("the file is heard and compared", () -> session.lanes().resting());
    assertTrue(text("#compare-state").endsWith(" with pier.wav"), text("#compare-state"));
    go("#step-handover");
    robot.interact(
        () -> {
          robot.lookup("#log-question").queryAs(CheckBox.class).setSelected(true);
          TextField note = robot.lookup("#log-note").queryAs(TextField.class);
          note.setText("Is the bell ours?");
          note.fireEvent(new ActionEvent());
          robot.lookup("#log-search").queryAs(TextField.class).setText("bell");
        });
    assertTrue(
        robot.lookup("#log-list").<ListView<?>>query().getItems().toString().contains("bell"));
    assertTrue(robot.lookup("? Is the bell ours?").tryQuery().isPresent(), "it stays open");
    Set<Exporters> kinds = EnumSet.complementOf(EnumSet.of(Exporters.STEMS, Exporters.KIT));
    robot.interact(() -> session.packing().write(kinds, Set.of(), "pier pack", false, dir));
    until("it is written", () -> session.lanes().resting());
    String sheet = Files.readString(dir.resolve("pier pack/sheet.html"));
    assertTrue(sheet.contains("Is the bell ours?") && sheet.contains("kick: close enough"));
    assertTrue(sheet.contains("How near it is"), "the comparison is on it");
    assertTrue(Files.exists(dir.resolve("pier pack/heard.jams")));
    robot.interact(() -> session.packing().write(kinds, Set.of(), "pier pack", false, dir));
    until("it is refused", () -> session.lanes().resting());
    assertTrue(
        session.desk().messageProperty().get().contains("there already"),
        session.desk().messageProperty().get());
  }

  @Test
  void nobodySeesWhatPlaysBlind() {
    until("it is heard", () -> template() != null);
    go("#step-compare");
    robot.interact(() -> session.playback().player().balance(0.3));
    ToggleButton blind = robot.lookup("#blind").queryAs(ToggleButton.class);
    robot.interact(blind::fire);
    for (int k = 0; k < 6; k++) {
      double playing = session.playback().player().balance();
      assertTrue(playing == 0 || playing == 1);
      fire(playing == 1 ? "#blind-echo" : "#blind-track");
    }
    assertTrue(text("#blind-result").startsWith("6 of 6, +1.00: you hear"));
    go("#step-ground");
    assertEquals(0.3, session.playback().player().balance(), 1e-9, "as it was");
    assertFalse(blind.isSelected());
  }

  private static Template withoutOneKick(Template t) {
    var kick = Part.of(Lane.KICK);
    for (int k = 0; k < t.sections().size(); k++) {
      List<looseecho.echo.Stroke> hits = t.sections().get(k).hits(kick);
      if (hits.size() > 2) {
        List<looseecho.echo.Stroke> fewer = new java.util.ArrayList<>(hits);
        fewer.remove(1);
        return t.with(k, t.sections().get(k).with(kick, fewer));
      }
    }
    throw new AssertionError("there must be kicks");
  }
}
