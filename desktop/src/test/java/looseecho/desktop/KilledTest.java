package looseecho.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.Slider;
import javafx.stage.Stage;
import looseecho.activity.Lane;
import looseecho.desktop.session.Session;
import looseecho.echo.Cell;
import looseecho.echo.Edits;
import looseecho.echo.LogLine;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.play.SilentDevice;
import looseecho.project.CorrectionStore;
import looseecho.project.ProjectFile;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.framework.junit5.Start;

/**
 * A whole session in real windows: a track is opened, edited, loosened and saved, the process is
 * killed in the middle of more work, and the next window takes the work up and exports it.
 */
class KilledTest extends WindowTest {
  @TempDir private static Path dir;

  /** The killed process: works, says so, and works on until it is killed. */
  public static final class Worker {
    private Worker() {}

    public static void main(String[] args) {
      Path home = Path.of(args[0]);
      Platform.startup(
          () -> {
            Session s =
                new Session(
                    new SilentDevice(44100), new CorrectionStore(home.resolve("corrections")));
            Shell shell = new Shell(s);
            Stage stage = new Stage();
            stage.setScene(new Scene(shell, 1280, 800));
            stage.show();
            s.desk()
                .templateProperty()
                .addListener(
                    (o, a, b) -> {
                      if (a == null && b != null) {
                        Platform.runLater(() -> loosenAndSave(shell, s, home));
                      }
                    });
            s.desk()
                .messageProperty()
                .addListener(
                    (o, a, b) -> {
                      if (b.equals("Saved as beat.looseecho")) {
                        clap(s, 5);
                        System.out.println("edited");
                      }
                    });
            s.papers().open(home.resolve("beat.wav"));
          });
    }

    private static void loosenAndSave(Shell shell, Session s, Path home) {
      ((ButtonBase) shell.lookup("#step-echo")).fire();
      clap(s, 3);
      ((Slider) shell.lookup("#loose-pattern")).setValue(30);
      ((ButtonBase) shell.lookup("#loosen")).fire();
      s.papers().save(home.resolve("beat.looseecho"), false);
    }

    private static void clap(Session s, int step) {
      s.desk()
          .edit(
              Edits.toggle(
                  s.desk().templateProperty().get(),
                  Cell.step(0, Part.of(Lane.CLAP), step),
                  77,
                  false));
    }
  }

  @BeforeAll
  static void workAndBeKilled() throws IOException, InterruptedException {
    ClickTrack.write(dir.resolve("beat.wav"), 12);
    Process worker =
        new ProcessBuilder(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-Dprism.order=sw",
                "-cp",
                System.getProperty("java.class.path"),
                Worker.class.getName(),
                dir.toString())
            .redirectErrorStream(true)
            .start();
    try (BufferedReader out =
        new BufferedReader(
            new InputStreamReader(worker.getInputStream(), StandardCharsets.UTF_8))) {
      StringBuilder said = new StringBuilder();
      String line = out.readLine();
      while (line != null && !line.equals("edited")) {
        said.append(line).append('\n');
        line = out.readLine();
      }
      assertEquals("edited", line, said.toString());
      TimeUnit.SECONDS.sleep(5); // no more than this much work may be lost
    } finally {
      worker.destroyForcibly().waitFor();
    }
  }

  @Start
  void start(Stage stage) throws IOException {
    open(stage, dir.resolve("corrections"));
  }

  private static boolean clapOn(Template t, int step) {
    return t.sections().get(0).hits(Lane.CLAP).stream()
        .anyMatch(h -> h.step() == step && h.velocity() == 77);
  }

  @Test
  void theKilledWorkIsTakenUpAndExported() throws IOException {
    Template saved = new ProjectFile().read(dir.resolve("beat.looseecho")).template();
    fire("#recover");
    until("it is back", () -> session.desk().templateProperty().get() != null);
    Template mine = session.desk().templateProperty().get();
    assertTrue(clapOn(mine, 5), "the edit after saving");
    assertNotEquals(saved, mine);
    assertEquals(
        saved, Edits.toggle(mine, Cell.step(0, Part.of(Lane.CLAP), 5), 77, false).template());
    List<String> log = LogLine.words(session.desk().logProperty().get());
    assertTrue(log.stream().anyMatch(l -> l.contains("Kept: ")), "loosened: " + log);
    until("its words", () -> text("#message").startsWith("Your work is back"));
    robot.interact(() -> session.papers().export(dir.resolve("out")));
    until("the export is written", () -> text("#message").contains("files written"));
    try (var files = Files.list(dir.resolve("out"))) {
      assertTrue(files.anyMatch(f -> f.toString().endsWith("beat echo.mid")));
    }
  }
}
