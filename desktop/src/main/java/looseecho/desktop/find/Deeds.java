package looseecho.desktop.find;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ComboBoxBase;
import javafx.scene.control.Control;
import javafx.scene.control.CustomMenuItem;
import javafx.scene.control.Labeled;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Slider;
import javafx.scene.control.Spinner;
import javafx.scene.control.TextInputControl;

/** All that can be done in a part of the window, told by its controls: none can be forgotten. */
public final class Deeds {
  private final String where;
  private final Consumer<Node> go;
  private final List<Deed> deeds = new ArrayList<>();

  private Deeds(String where, Consumer<Node> go) {
    this.where = where;
    this.go = go;
  }

  /**
   * Those of a node and all within it.
   *
   * @param where the bench's name
   * @param go shows the bench and gives a control of it the focus
   */
  public static List<Deed> of(Node root, String where, Consumer<Node> go) {
    Deeds d = new Deeds(where, go);
    d.walk(root);
    return List.copyOf(d.deeds);
  }

  private void walk(Node n) {
    if (n instanceof MenuButton menu) {
      menu.getItems().forEach(i -> item(menu, i));
    } else if (n instanceof ButtonBase b) {
      add(b, () -> press(b));
    } else if (n instanceof Slider
        || n instanceof ComboBoxBase
        || n instanceof Spinner
        || n instanceof TextInputControl) {
      add((Control) n, () -> go.accept(n));
    } else if (n instanceof ScrollPane pane && pane.getContent() != null) {
      walk(pane.getContent());
    } else if (n instanceof Parent p) {
      p.getChildrenUnmodifiable().forEach(this::walk);
    }
  }

  private void press(ButtonBase b) {
    go.accept(b);
    if (!b.isDisabled()) {
      b.fire();
    }
  }

  private void item(MenuButton menu, MenuItem item) {
    if (item instanceof Menu || item instanceof CustomMenuItem || item.getText() == null) {
      return; // what these offer is known only once they are opened
    }
    deeds.add(
        new Deed(
            item.getText(),
            where,
            menu.getText(),
            () -> {
              go.accept(menu);
              if (!item.isDisable()) {
                item.fire();
              }
            }));
  }

  private void add(Control c, Runnable run) {
    String tip = c.getTooltip() == null ? "" : c.getTooltip().getText();
    String text = c instanceof Labeled l && l.getText() != null ? l.getText() : "";
    boolean worded = text.chars().filter(Character::isLetter).count() > 1;
    String said = c.getAccessibleText() == null ? tip : c.getAccessibleText();
    String name = worded ? text : said.lines().findFirst().orElse("");
    deeds.add(new Deed(name, where, worded ? tip : "", run));
  }
}
