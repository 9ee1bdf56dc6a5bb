package looseecho.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.stage.Stage;
import looseecho.activity.Lane;
import looseecho.analysis.Analysis;
import looseecho.analysis.Analyzer;
import looseecho.analysis.Corrections;
import looseecho.audio.AudioReader;
import looseecho.echo.Cell;
import looseecho.echo.Edits;
import looseecho.echo.LogLine;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.echo.TemplateBuilder;
import looseecho.mix.Sounds;
import looseecho.project.CorrectionStore;
import looseecho.project.Project;
import looseecho.project.ProjectFile;
import looseecho.reading.Progress;
import org.junit.jupiter.api.Test;
import org.testfx.framework.junit5.Start;

/** Work left behind by a killed window is offered at the next start, and saved work lately done. */
class RecoverTest extends WindowTest {
  private Path home;
  private Template mine;
  private Path lately;

  @Start
  void start(Stage stage) throws IOException {
    home = Files.createTempDirectory("home");
    Path track = home.resolve("pier.wav");
    ClickTrack.write(track, 12);
    Analysis a =
        new Analyzer()
            .analyse(
                new AudioReader().read(track, Progress.NONE).audio(),
                Corrections.NONE,
                Progress.NONE);
    Template exact = new TemplateBuilder().build(a).orElseThrow();
    mine = Edits.toggle(exact, Cell.step(0, Part.of(Lane.CLAP), 3), 77, true).template();
    Project project =
        new Project(
            new Project.Link(
                "pier.wav", track.toString(), CorrectionStore.fingerprint(track), false),
            Corrections.NONE,
            exact,
            mine,
            Sounds.plain(),
            LogLine.all("Template made", "Put clap on step 4 of every bar"));
    Path unsaved = home.resolve("kept").resolve("unsaved");
    Files.createDirectories(unsaved);
    new ProjectFile().write(project, Optional.empty(), unsaved.resolve("left.looseecho"));
    lately = home.resolve("lately.looseecho");
    new ProjectFile().write(project, Optional.empty(), lately);
    Files.writeString(home.resolve("kept").resolve("recent.txt"), lately + "\n/gone.looseecho\n");
    open(stage, home.resolve("corrections"));
  }

  @Test
  void leftBehindWorkIsTakenUpAndSaved() throws IOException {
    assertTrue(robot.lookup("#forget").tryQuery().isPresent());
    assertEquals("lately.looseecho", robot.lookup("#recent").queryButton().getText());
    fire("#recover");
    until("it is back", () -> mine.equals(session.desk().templateProperty().get()));
    until("its words", () -> text("#message").startsWith("Your work is back"));
    assertTrue(session.papers().keeper().unsavedProperty().get());
    assertEquals(
        List.of("Template made", "Put clap on step 4 of every bar"),
        LogLine.words(session.desk().logProperty().get()));
    until(
        "it is kept anew and the old file goes",
        () -> !Files.exists(home.resolve("kept/unsaved/left.looseecho")));
    Path packed = home.resolve("packed.looseecho");
    robot.interact(() -> session.papers().save(packed, true));
    until("it is saved", () -> text("#message").equals("Saved as packed.looseecho"));
    robot.interact(() -> session.papers().save(packed, false));
    until("once more", () -> !session.lanes().saving().runningProperty().get());
    Files.delete(home.resolve("pier.wav")); // the reference is in the project
    robot.interact(() -> session.papers().open(packed));
    until(
        "it is open without the track",
        () ->
            packed.equals(session.papers().keeper().pathProperty().get())
                && session.lanes().resting());
    assertEquals(mine, session.desk().templateProperty().get());
    robot.interact(() -> session.papers().open(lately));
    until("the lost track is named", () -> text("#message").contains("neither where it was"));
    assertEquals(packed, session.papers().keeper().recent().get(0));
  }
}
