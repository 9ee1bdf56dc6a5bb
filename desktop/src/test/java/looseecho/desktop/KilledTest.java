package looseecho.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
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
import looseecho.activity.Lane;
import looseecho.desktop.session.Session;
import looseecho.echo.Edits;
import looseecho.project.CorrectionStore;
import looseecho.project.ProjectFile;
import looseecho.sound.SilentDevice;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A real process is killed in the middle of the work, and the work is found again. */
class KilledTest {
  @TempDir private Path dir;

  /**
   * What the killed process does: opens a track, edits, says so, and works on until it is killed.
   */
  public static final class Worker {
    private Worker() {}

    public static void main(String[] args) {
      Platform.startup(
          () -> {
            Session s = new Session(new SilentDevice(44100), new CorrectionStore(Path.of(args[0])));
            s.templateProperty()
                .addListener(
                    (o, a, b) -> {
                      if (a == null && b != null) {
                        Platform.runLater(
                            () -> {
                              s.edit(Edits.toggle(b, 0, Lane.CLAP, 3, 77, false));
                              System.out.println("edited");
                            });
                      }
                    });
            s.open(Path.of(args[1]));
          });
    }
  }

  @Test
  void fiveSecondsOfWorkAreLostAtMost() throws IOException, InterruptedException {
    Path track = dir.resolve("beat.wav");
    ClickTrack.write(track, 12);
    Path corrections = dir.resolve("corrections");
    Process worker =
        new ProcessBuilder(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-Dprism.order=sw",
                "-cp",
                System.getProperty("java.class.path"),
                Worker.class.getName(),
                corrections.toString(),
                track.toString())
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
      TimeUnit.SECONDS.sleep(5);
    } finally {
      worker.destroyForcibly().waitFor();
    }
    Path unsaved = dir.resolve("kept").resolve("unsaved");
    List<Path> left;
    try (var files = Files.list(unsaved)) {
      left = files.filter(f -> f.toString().endsWith(".looseecho")).toList();
    }
    assertEquals(1, left.size());
    var project = new ProjectFile().read(left.get(0));
    assertTrue(
        project.template().sections().get(0).hits(Lane.CLAP).stream()
            .anyMatch(h -> h.step() == 3 && h.velocity() == 77));
    assertTrue(
        project.log().get(project.log().size() - 1).startsWith("Put clap"),
        project.log().toString());
  }
}
