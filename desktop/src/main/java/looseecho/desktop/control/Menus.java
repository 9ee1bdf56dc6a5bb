package looseecho.desktop.control;

import java.util.Map;
import java.util.function.Supplier;
import javafx.scene.control.CustomMenuItem;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.TextField;
import javafx.scene.layout.Region;
import looseecho.desktop.theme.Theme;

/** Makes a button that opens a list of actions. */
public final class Menus {
  private final MenuButton button;

  private Menus(MenuButton button) {
    this.button = button;
  }

  /** A list under a name, with an id for tests and styles. */
  public static Menus of(String id, String text, String tip) {
    MenuButton b = new MenuButton(text);
    b.setId(id);
    b.getStyleClass().add(Theme.CHIP);
    b.setMinWidth(Region.USE_PREF_SIZE);
    Tips.on(b, tip);
    b.setFocusTraversable(true);
    return new Menus(b);
  }

  /** One more action; its words name its key where it has one. */
  public Menus add(String id, String text, Runnable action) {
    MenuItem item = new MenuItem(text);
    item.setId(id);
    item.setOnAction(e -> action.run());
    button.getItems().add(item);
    return this;
  }

  /** A field to type in. */
  public Menus field(String id, TextField field) {
    CustomMenuItem item = new CustomMenuItem(field, false);
    item.setId(id);
    button.getItems().add(item);
    return this;
  }

  /** A list within the list; what it offers is asked for whenever the list is opened. */
  public Menus choices(String id, String text, Supplier<Map<String, Runnable>> offered) {
    Menu menu = new Menu(text);
    menu.setId(id);
    button.setOnShowing(
        e -> {
          menu.getItems().clear();
          offered
              .get()
              .forEach(
                  (words, action) -> {
                    MenuItem item = new MenuItem(words);
                    item.setOnAction(a -> action.run());
                    menu.getItems().add(item);
                  });
          menu.setDisable(menu.getItems().isEmpty());
        });
    button.getItems().add(menu);
    return this;
  }

  /** A line between groups. */
  public Menus line() {
    button.getItems().add(new SeparatorMenuItem());
    return this;
  }

  public MenuButton button() {
    return button;
  }
}
