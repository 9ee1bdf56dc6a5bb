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
import javafx.scene.control.Spinner;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import looseecho.activity.Lane;
import looseecho.compare.Finding;
import looseecho.desktop.handover.HandoverBench;
import looseecho.desktop.session.Packing;
import looseecho.echo.Edits;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.exchange.StemNames;
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
  void comparedMendedAndJudged() {
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
    assertTrue(text("#compare-state").contains(" with pier.wav, "), text("#compare-state"));
  }

  @Test
  void notedAndHandedOver() throws IOException {
    until("it is heard", () -> template() != null);
    go("#step-compare");
    fire("#compare");
    until("it is compared", () -> session.nearness().comparisonProperty().get() != null);
    robot.interact(() -> session.nearness().judge("kick", Notebook.Verdict.CLOSE));
    assertTrue(text("#message").matches("kick: close enough \\(measured \\d+ of 100\\)"));
    go("#step-handover");
    robot.interact(
        () -> {
          session.playback().player().seek(4.1);
          robot.lookup("#log-question").queryAs(CheckBox.class).setSelected(true);
          robot.lookup("#log-here").queryAs(CheckBox.class).setSelected(true);
          robot.lookup("#log-about").<ComboBox<String>>query().setValue("snare");
          TextField note = robot.lookup("#log-note").queryAs(TextField.class);
          note.setText("Is the bell ours?");
          note.fireEvent(new ActionEvent());
          robot.lookup("#log-search").queryAs(TextField.class).setText("bell");
        });
    assertTrue(
        robot.lookup("#log-list").<ListView<?>>query().getItems().toString().contains("bell"));
    String open = "? snare, bar 3: Is the bell ours?";
    assertTrue(robot.lookup(open).tryQuery().isPresent(), "it stays open");
    ListView<?> log = robot.lookup("#log-list").query();
    robot.interact(
        () -> {
          session.playback().player().seek(0);
          log.getSelectionModel().select(0);
          log.requestFocus();
        });
    robot.type(KeyCode.ENTER);
    assertEquals(4.1, session.playback().player().position(), 0.1, "it goes there");
    Set<Exporters> kinds = EnumSet.complementOf(EnumSet.of(Exporters.STEMS, Exporters.KIT));
    Packing.Wish wish =
        new Packing.Wish(kinds, Set.of(), Set.of(), "pier pack", StemNames.USUAL, false);
    robot.interact(() -> session.packing().write(wish, dir));
    until("it is written", () -> session.lanes().resting());
    String sheet = Files.readString(dir.resolve("pier pack/sheet.html"));
    assertTrue(
        sheet.contains("snare, bar 3: Is the bell ours?") && sheet.contains("kick: close enough"));
    assertTrue(sheet.contains("How near it is"), "the comparison is on it");
    assertTrue(sheet.contains("All sounds are synthesised; nothing of the track's"));
    assertTrue(Files.exists(dir.resolve("pier pack/heard.jams")));
    robot.interact(() -> session.packing().write(wish, dir));
    until("it is refused", () -> session.lanes().resting());
    assertTrue(
        session.desk().messageProperty().get().contains("there already"),
        session.desk().messageProperty().get());
  }

  @Test
  void aFormerVersionIsComparedAndWhatIsEnoughIsSet() {
    until("it is heard", () -> template() != null);
    Path former = dir.resolve("former.looseecho");
    robot.interact(() -> session.papers().save(former, false));
    until("it is saved", () -> session.lanes().resting() && Files.exists(former));
    go("#step-compare");
    robot.interact(
        () -> session.desk().edit(new Edits.Edited(withoutOneKick(template()), "One less")));
    robot.interact(() -> session.nearness().compare(former));
    until("it is compared", () -> session.nearness().comparisonProperty().get() != null);
    until("all is done", () -> session.lanes().resting());
    List<Finding> found = session.nearness().comparisonProperty().get().differences();
    assertTrue(
        found.stream().anyMatch(f -> f.words().startsWith("The kick misses 1 of ")),
        found.toString());
    assertTrue(text("#compare-state").contains(" with former.looseecho, "));
    assertTrue(text("#score-kick").startsWith("✓"), text("#score-kick"));
    robot.interact(
        () -> {
          Spinner<Integer> enough = robot.lookup("#enough").query();
          enough.getValueFactory().setValue(98);
        });
    assertEquals(98, session.desk().notebookProperty().get().enough());
    assertFalse(text("#score-kick").startsWith("✓"), "not near enough any more");
    assertTrue(text("#score-snare").startsWith("✓"), text("#score-snare"));
    robot.interact(() -> session.desk().undo());
    assertEquals(
        (int) Notebook.ENOUGH, robot.lookup("#enough").<Spinner<Integer>>query().getValue());
  }

  @Test
  void aPackOfWhatIsChosenAndAReasonInTheLogbook() throws IOException {
    until("it is heard", () -> template() != null);
    go("#step-handover");
    ListView<?> log = robot.lookup("#log-list").query();
    TextField why = robot.lookup("#log-why").query();
    assertTrue(why.isDisabled(), "no line is picked");
    robot.interact(
        () -> {
          log.getSelectionModel().select(log.getItems().size() - 1);
          why.setText("as the track has it");
          why.fireEvent(new ActionEvent());
        });
    assertTrue(session.desk().logProperty().get().get(0).told().endsWith("as the track has it"));
    assertTrue(log.getItems().toString().contains("as the track has it"));
    HandoverBench bench = robot.lookup("#handover").query();
    robot.interact(
        () -> {
          for (Exporters e : Exporters.values()) {
            String id = "#pack-" + e.name().toLowerCase(java.util.Locale.ROOT);
            boolean in = e == Exporters.STEMS || e == Exporters.SHEET;
            robot.lookup(id).queryAs(CheckBox.class).setSelected(in);
          }
        });
    List<ToggleButton> sections = new java.util.ArrayList<>();
    for (int k = 0; k < template().sections().size(); k++) {
      sections.add(robot.lookup("#pack-section-" + k).query());
    }
    robot.interact(() -> sections.forEach(s -> s.setSelected(false)));
    robot.interact(() -> bench.write(dir));
    assertTrue(text("#message").endsWith("at least one part and section."), text("#message"));
    robot.interact(
        () -> {
          sections.get(0).setSelected(true);
          robot.lookup("#pack-part-kick").queryAs(ToggleButton.class).setSelected(false);
          robot.lookup("#pack-name").queryAs(TextField.class).setText("quay");
          robot.lookup("#pack-stem-names").queryAs(TextField.class).setText("{name}");
          bench.write(dir);
        });
    assertEquals("Names need {part}, or all stems would be called alike.", text("#message"));
    robot.interact(
        () -> {
          robot.lookup("#pack-stem-names").queryAs(TextField.class).setText("{part} of {name}");
          bench.write(dir);
        });
    until("it is written", () -> session.lanes().resting() && Files.exists(dir.resolve("quay")));
    List<String> stems = List.of(dir.resolve("quay/stems").toFile().list());
    assertTrue(stems.contains("snare of quay.wav") && stems.contains("of quay.wav"), stems + "");
    assertFalse(stems.contains("kick of quay.wav"), stems.toString());
    String sheet = Files.readString(dir.resolve("quay/sheet.html"));
    assertTrue(sheet.contains("as the track has it"));
    assertFalse(Files.exists(dir.resolve("quay/score.musicxml")));
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
