package looseecho.desktop;

import javafx.animation.PauseTransition;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.stage.Stage;
import javafx.util.Duration;
import looseecho.desktop.session.Session;
import looseecho.desktop.theme.Theme;
import looseecho.mix.EchoRenderer;
import looseecho.play.OutputDevice;
import looseecho.project.CorrectionStore;

/** The JavaFX application. */
public final class App extends Application {
  private static final double WIDTH = 1280;
  private static final double HEIGHT = 800;
  private Session session;

  @Override
  public void start(Stage stage) {
    Options options = Options.parse(getParameters().getRaw());
    session = new Session(OutputDevice.open(EchoRenderer.RATE), CorrectionStore.ofUser());
    Shell shell = new Shell(session);
    Scene scene = new Scene(shell, WIDTH, HEIGHT);
    Theme.apply(scene);
    stage.setScene(scene);
    stage.setTitle("Loose Echo");
    stage.setMinWidth(1024);
    stage.setMinHeight(700);
    stage.setOnCloseRequest(
        e -> {
          if (!shell.mayClose()) {
            e.consume();
          }
        });
    stage.show();
    if (options.night()) {
      shell.switchLight();
    }
    options.file().ifPresent(session.papers()::open);
    if (options.demo()) {
      session.papers().openDemo();
    }
    options.seconds().ifPresent(s -> after(s, Platform::exit));
    options.shot().ifPresent(file -> new Shots(shell).one(file));
    if (options.frames()) {
      new Shots(shell).frames();
    }
    options.shots().ifPresent(folder -> new Shots(shell).all(folder));
  }

  private static void after(double seconds, Runnable then) {
    PauseTransition pause = new PauseTransition(Duration.seconds(seconds));
    pause.setOnFinished(e -> then.run());
    pause.play();
  }

  @Override
  public void stop() {
    if (session != null) {
      session.close();
    }
  }
}
