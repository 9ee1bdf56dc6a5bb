package looseecho.desktop;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.function.ToIntFunction;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.embed.swing.SwingFXUtils;
import javafx.scene.control.ToggleButton;
import javafx.util.Duration;
import javax.imageio.ImageIO;
import looseecho.desktop.ground.WaveChart;
import looseecho.desktop.session.Session;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.notes.Line;

/** Pictures of the window, taken when the reference has been heard and the echo rendered. */
final class Shots {
  private static final double POLL_SECONDS = 0.2;
  private static final double SETTLE_SECONDS = 0.6;
  private static final int MAX_POLLS = 900;
  private final Shell shell;
  private int polls;

  Shots(Shell shell) {
    this.shell = shell;
  }

  /** One picture of what is shown; the program goes on. */
  void one(Path file) {
    whenReady(() -> write(file));
  }

  /** Measures how smoothly the wave is drawn; then the program ends. */
  void frames() {
    whenReady(() -> new FrameMeter((WaveChart) shell.lookup("#wave")).start());
  }

  /** A picture per step of the job, by day, and one by night; then the program ends. */
  void all(Path folder) {
    whenReady(
        () -> {
          Session session = shell.session();
          shell.hints().off();
          shell.appearance().show(false);
          session
              .selection()
              .sectionProperty()
              .set(most(session.desk().templateProperty().get(), Shots::hits));
          session
              .playback()
              .player()
              .seek(
                  session
                      .desk()
                      .templateProperty()
                      .get()
                      .time(session.selection().sectionProperty().get(), 6, 0));
          Deque<Runnable> jobs = new ArrayDeque<>();
          for (Bench bench : Bench.values()) {
            jobs.add(() -> shell.go(bench));
            if (bench == Bench.NOTES) {
              jobs.add(
                  () ->
                      session
                          .selection()
                          .sectionProperty()
                          .set(most(session.desk().templateProperty().get(), Shots::riff)));
            }
            if (bench == Bench.LAYERS) {
              jobs.add(
                  () ->
                      session.layers().layersProperty().get().stream()
                          .filter(l -> l.family().equals("bass"))
                          .findFirst()
                          .ifPresent(session.layers()::pick));
            }
            if (bench == Bench.COMPARE) {
              jobs.add(session.nearness()::compare);
            }
            jobs.add(
                () ->
                    write(
                        folder.resolve(bench.name().toLowerCase(java.util.Locale.ROOT) + ".png")));
          }
          jobs.add(() -> shell.go(Bench.ECHO));
          jobs.add(() -> ((ToggleButton) shell.lookup("#ledger-part")).fire());
          jobs.add(() -> write(folder.resolve("echo-part.png")));
          jobs.add(() -> shell.appearance().show(true));
          jobs.add(() -> shell.go(Bench.HITS));
          jobs.add(() -> write(folder.resolve("hits-night.png")));
          jobs.add(Platform::exit);
          next(jobs);
        });
  }

  /** The section that has most of something shows most. */
  private static int most(Template t, ToIntFunction<TemplateSection> count) {
    int best = 0;
    for (int s = 1; s < t.sections().size(); s++) {
      boolean more =
          count.applyAsInt(t.sections().get(s)) > count.applyAsInt(t.sections().get(best));
      best = more ? s : best;
    }
    return best;
  }

  private static int hits(TemplateSection s) {
    return s.drums().values().stream().mapToInt(List::size).sum();
  }

  private static int riff(TemplateSection s) {
    return s.notes(Line.RIFF).size();
  }

  private void next(Deque<Runnable> jobs) {
    if (!jobs.isEmpty()) {
      jobs.poll().run();
      after(SETTLE_SECONDS, () -> rested(jobs));
    }
  }

  /** Goes on once what a job set off is done, such as hearing the layers. */
  private void rested(Deque<Runnable> jobs) {
    if (shell.session().lanes().resting()) {
      next(jobs);
    } else {
      after(SETTLE_SECONDS, () -> rested(jobs));
    }
  }

  private void whenReady(Runnable then) {
    Session s = shell.session();
    boolean busy =
        !s.lanes().resting()
            || s.desk().templateProperty().get() != null && s.maker().echoProperty().get() == null;
    if (busy && polls++ < MAX_POLLS) {
      after(POLL_SECONDS, () -> whenReady(then));
    } else {
      after(SETTLE_SECONDS, then);
    }
  }

  private static void after(double seconds, Runnable then) {
    PauseTransition pause = new PauseTransition(Duration.seconds(seconds));
    pause.setOnFinished(e -> Platform.runLater(then));
    pause.play();
  }

  private void write(Path file) {
    try {
      if (file.toAbsolutePath().getParent() != null) {
        Files.createDirectories(file.toAbsolutePath().getParent());
      }
      ImageIO.write(
          SwingFXUtils.fromFXImage(shell.getScene().snapshot(null), null), "png", file.toFile());
    } catch (IOException e) {
      shell
          .session()
          .desk()
          .messageProperty()
          .set("The picture could not be written: " + e.getMessage());
    }
  }
}
