package looseecho.desktop.control;

import javafx.animation.AnimationTimer;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.stage.Window;
import looseecho.desktop.theme.Theme;

/**
 * Does something on every frame while a node is in a window that shows: a bench that is not looked
 * at costs nothing, and a closed window is let go. Where the person wants it calm, four times a
 * second.
 */
public final class EachFrame extends AnimationTimer {
  private static final long CALM_NANOS = 250_000_000;
  private final Node node;
  private final Runnable what;
  private long last;

  private EachFrame(Node node, Runnable what) {
    this.node = node;
    this.what = what;
  }

  /** Begins and ends with the node's being shown. */
  public static void of(Node node, Runnable what) {
    EachFrame timer = new EachFrame(node, what);
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
    if (!Theme.isCalm(node.getScene()) || now - last >= CALM_NANOS) {
      last = now;
      what.run();
    }
  }
}
