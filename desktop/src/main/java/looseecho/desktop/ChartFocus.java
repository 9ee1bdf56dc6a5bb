package looseecho.desktop;

import javafx.application.Platform;
import javafx.beans.value.ChangeListener;
import javafx.beans.value.ObservableValue;
import javafx.event.EventTarget;
import javafx.scene.Node;
import javafx.scene.Scene;

/**
 * Brings the focus to the chart of the bench that is shown, so that its keys work at once; who
 * clicked or was led elsewhere meanwhile stays there.
 */
final class ChartFocus {
  private final Node area; // in which one bench takes the place of another

  ChartFocus(Node area) {
    this.area = area;
  }

  /** Before a bench is taken out: its focus would fall to whatever comes next in the window. */
  void hold() {
    Scene scene = area.getScene();
    if (scene != null && (scene.getFocusOwner() == null || within(scene.getFocusOwner()))) {
      area.requestFocus();
    }
  }

  /** The keys of a bench work at once, though it may be laid out a moment later. */
  void give(Node chart) {
    if (chart.getScene() != null) {
      Node before = chart.getScene().getFocusOwner();
      Platform.runLater(
          () -> {
            if (chart.getScene() != null && chart.getScene().getFocusOwner() == before) {
              chart.requestFocus();
            }
          });
      return;
    }
    chart
        .sceneProperty()
        .addListener(
            new ChangeListener<Scene>() {
              @Override
              public void changed(ObservableValue<? extends Scene> o, Scene was, Scene now) {
                if (now != null) {
                  chart.sceneProperty().removeListener(this);
                  Platform.runLater(chart::requestFocus);
                }
              }
            });
  }

  /** True for a part of the bench, which wants its keys itself. */
  boolean isInside(EventTarget target) {
    return target instanceof Node n && n != area && within(n);
  }

  private boolean within(Node n) {
    Node at = n;
    while (at != null && at != area) {
      at = at.getParent();
    }
    return at != null;
  }
}
