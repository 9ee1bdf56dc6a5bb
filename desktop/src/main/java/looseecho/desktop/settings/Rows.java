package looseecho.desktop.settings;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import looseecho.desktop.control.Choices;
import looseecho.desktop.control.Tips;
import looseecho.desktop.theme.Theme;

/** Names and their controls, one below the other. */
final class Rows extends GridPane {
  private int row;

  Rows() {
    super(16, 6);
    setId("settings-rows");
  }

  /** One of several values. */
  <T> void choice(
      String name,
      String id,
      String tip,
      List<T> values,
      T is,
      Function<T, String> words,
      Consumer<T> set) {
    List<T> all = new ArrayList<>(values);
    if (!all.contains(is)) {
      all.add(is);
    }
    var box = Choices.of(id, all, is, words, tip);
    box.setPrefWidth(260);
    box.setOnAction(e -> set.accept(box.getValue()));
    row(name, box);
  }

  /** Something that is wanted or not. */
  void check(String name, String id, String words, boolean is, Consumer<Boolean> set) {
    CheckBox box = new CheckBox(words);
    box.setId(id);
    box.setSelected(is);
    Tips.on(box, name);
    box.setOnAction(e -> set.accept(box.isSelected()));
    row(name, box);
  }

  /** A heading over the rows that follow. */
  void heading(String words) {
    Label l = new Label(words);
    l.getStyleClass().add(Theme.HEADING);
    add(l, 0, row++, 2, 1);
  }

  /** A control with its name. */
  void row(String name, Node control) {
    Label l = new Label(name);
    l.setMinWidth(180);
    addRow(row++, l, new VBox(control));
  }
}
