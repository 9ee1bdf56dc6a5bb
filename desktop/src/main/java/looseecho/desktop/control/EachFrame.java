package looseecho.desktop.control;

import javafx.animation.AnimationTimer;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.stage.Window;

/**
 * Does something on every frame while a node is in a window that shows: a bench that is not looked
 * at costs nothing, and a closed window is let go.
 */
public final class EachFrame extends AnimationTimer {
  private final Runnable what;

  private EachFrame(Runnable what) {
    this.what = what;
  }

  /** Begins and ends with the node's being shown. */
  public static void of(Node node, Runnable what) {
    EachFrame timer = new EachFrame(what);
    node.sceneProperty()
        .flatMap(Scene::windowProperty)
        .flatMap(Window::showingProperty)
        .orElse(false)
        .addListener(
            (o, was, now) -> {
              if (now) {
                timer.start();
              } else {
                timer.stop();
              }
            });
  }

  @Override
  public void handle(long now) {
    what.run();
  }
}
