package looseecho.desktop;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.StackPane;
import looseecho.desktop.control.Pages;
import looseecho.desktop.find.Deed;
import looseecho.desktop.find.Deeds;
import looseecho.desktop.find.FindCard;

/** Everything that can be done: the window's own, each bench's controls, and the keys of charts. */
final class Finder {
  private final Shell shell;

  Finder(Shell shell) {
    this.shell = shell;
  }

  void toggle(StackPane over) {
    List<Supplier<List<Deed>>> sources = new ArrayList<>();
    sources.add(this::everywhere);
    if (shell.session().desk().referenceProperty().get() != null) {
      for (Bench bench : Bench.values()) {
        sources.add(() -> of(bench));
      }
    }
    FindCard.toggle(over, sources);
  }

  private List<Deed> everywhere() {
    List<Deed> all = new ArrayList<>();
    all.addAll(Deeds.of(shell.getTop(), "everywhere", this::focus));
    all.addAll(Deeds.of(shell.getBottom(), "everywhere", this::focus));
    all.add(new Deed("Tracks heard one after the other", "everywhere", "", shell::tracks));
    for (Bench bench : Bench.values()) {
      all.add(
          new Deed(
              "Go to " + bench.title(),
              bench.title(),
              bench.about() + " (Ctrl+" + (bench.ordinal() + 1) + ")",
              () -> shell.go(bench)));
    }
    return all;
  }

  private List<Deed> of(Bench bench) {
    List<Deed> all = new ArrayList<>();
    for (Node part : shell.parts(bench)) {
      all.addAll(Deeds.of(part, bench.title(), n -> show(bench, n)));
    }
    for (KeysCard.Group g : KeysCard.GROUPS) {
      if (Bench.named(g.name()).filter(b -> b == bench).isPresent()) {
        g.keys().forEach(k -> all.add(key(bench, k)));
      }
    }
    return all;
  }

  /** A key of a bench's chart can't be pressed for someone: the chart has the focus then. */
  private Deed key(Bench bench, KeysCard.Key k) {
    return new Deed(k.words(), bench.title(), "key: " + k.keys(), () -> shell.go(bench));
  }

  private void show(Bench bench, Node control) {
    shell.go(bench);
    focus(control);
    Platform.runLater(() -> Platform.runLater(() -> focus(control))); // after the chart has it
  }

  private void focus(Node control) {
    if (control.getScene() == null) {
      return;
    }
    for (Node up = control.getParent(); up != null; up = up.getParent()) {
      if (up instanceof Pages pages) {
        pages.showPageOf(control);
      }
      if (up instanceof ScrollPane pane && pane.getContent() != null) {
        Node content = pane.getContent();
        Bounds at = content.sceneToLocal(control.localToScene(control.getBoundsInLocal()));
        double room = content.getBoundsInLocal().getHeight() - pane.getViewportBounds().getHeight();
        if (room > 0) {
          double middle = at.getCenterY() - pane.getViewportBounds().getHeight() / 2;
          pane.setVvalue(Math.max(0, Math.min(1, middle / room)));
        }
      }
    }
    control.requestFocus();
  }
}
