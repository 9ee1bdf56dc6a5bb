package looseecho.desktop;

import java.util.List;
import java.util.Optional;
import javafx.animation.PauseTransition;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.geometry.Rectangle2D;
import javafx.scene.Scene;
import javafx.stage.Screen;
import javafx.stage.Stage;
import javafx.util.Duration;
import looseecho.desktop.session.Session;
import looseecho.desktop.theme.Theme;

/** The JavaFX application. */
public final class App extends Application {
  private static final double WIDTH = 1280;
  private static final double HEIGHT = 800;

  /** Seconds from the window on: its first pictures are drawn by then. */
  private static final double RESTS = 0.2;

  private Session session;
  private Shell shell;
  private Stage stage;
  private boolean picture; // nobody sits before it: nothing is remembered

  @Override
  public void start(Stage first) {
    stage = first;
    Options options = Options.parse(getParameters().getRaw());
    session = Ahead.session();
    shell = new Shell(session);
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
    picture = options.shot().isPresent() || options.shots().isPresent();
    comeBack(picture ? Remembered.NOTHING : Remembered.read(session.folder()), options.night());
    options.file().ifPresent(session.papers()::open);
    if (options.demo()) {
      session.papers().openDemo();
    }
    if (!picture) {
      after(RESTS, session.papers()::rehearse);
    }
    options.seconds().ifPresent(s -> after(s, Platform::exit));
    options.shot().ifPresent(file -> new Shots(shell).one(file));
    if (options.frames()) {
      new Shots(shell).frames();
    }
    options.shots().ifPresent(folder -> new Shots(shell).all(folder));
  }

  /** The window as it was left. */
  private void comeBack(Remembered r, boolean night) {
    List<Rectangle2D> screens = Screen.getScreens().stream().map(Screen::getVisualBounds).toList();
    Rectangle2D place = r.placeOn(screens).orElseGet(App::first);
    stage.setX(place.getMinX());
    stage.setY(place.getMinY());
    stage.setWidth(place.getWidth());
    stage.setHeight(place.getHeight());
    stage.setMaximized(r.full());
    stage.show();
    session.selection().waveSecondsProperty().set(r.zoom());
    shell.go(r.bench());
    shell.appearance().begin(night);
  }

  /** In the middle of the screen, and never larger than it. */
  private static Rectangle2D first() {
    Rectangle2D screen = Screen.getPrimary().getVisualBounds();
    double width = Math.min(WIDTH, screen.getWidth());
    double height = Math.min(HEIGHT, screen.getHeight());
    return new Rectangle2D(
        screen.getMinX() + (screen.getWidth() - width) / 2,
        screen.getMinY() + (screen.getHeight() - height) / 2,
        width,
        height);
  }

  private void keep() {
    Rectangle2D place =
        new Rectangle2D(stage.getX(), stage.getY(), stage.getWidth(), stage.getHeight());
    new Remembered(
            Optional.of(place),
            stage.isMaximized(),
            shell.bench(),
            session.selection().waveSecondsProperty().get())
        .keep(session.folder());
  }

  private static void after(double seconds, Runnable then) {
    PauseTransition pause = new PauseTransition(Duration.seconds(seconds));
    pause.setOnFinished(e -> then.run());
    pause.play();
  }

  @Override
  public void stop() {
    if (shell != null && !picture) {
      keep();
    }
    if (session != null) {
      session.close();
    }
  }
}
