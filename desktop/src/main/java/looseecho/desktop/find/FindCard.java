package looseecho.desktop.find;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.List;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import looseecho.desktop.control.Cards;
import looseecho.desktop.theme.Theme;

/** A question on a card over the bench: words find what can be done, Enter does it. */
public final class FindCard {
  /** The key that shows it and takes it away. */
  public static final KeyCode KEY = KeyCode.F3;

  private static final String ID = "find";
  private static final double WIDTH = 640;
  private static final double HEIGHT = 400;

  private FindCard() {}

  /**
   * Shows it, or takes it away.
   *
   * @param sources asked one after the other, between frames: a bench that nobody has looked at yet
   *     is made first
   */
  public static void toggle(StackPane over, List<Supplier<List<Deed>>> sources) {
    if (Cards.close(over, ID)) {
      return;
    }
    TextField words = new TextField();
    words.setId("find-words");
    words.setPromptText("what do you want to do?");
    List<Deed> deeds = new ArrayList<>();
    ListView<Deed> list = new ListView<>();
    list.setId("find-list");
    list.setAccessibleText("What fits");
    list.setPrefSize(WIDTH, HEIGHT);
    list.setFocusTraversable(false); // the arrows work from the words
    list.setCellFactory(l -> new Cell());
    Label none = new Label("Nothing in this window does that");
    list.setPlaceholder(none);
    Runnable fill =
        () -> {
          int at = list.getSelectionModel().getSelectedIndex();
          list.getItems()
              .setAll(
                  deeds.stream()
                      .filter(d -> d.fit(words.getText()) >= 0)
                      .sorted(Comparator.comparingInt(d -> d.fit(words.getText())))
                      .toList());
          if (!words.getText().equals(list.getUserData())) {
            list.setUserData(words.getText()); // else the list has only grown
            list.getSelectionModel().select(0);
            list.scrollTo(0);
          } else {
            list.getSelectionModel().select(Math.max(0, at));
          }
        };
    words.textProperty().addListener((o, a, b) -> fill.run());
    Runnable run =
        () -> {
          Deed d = list.getSelectionModel().getSelectedItem();
          if (d != null) {
            Cards.close(over, ID);
            d.run().run();
          }
        };
    words.addEventFilter(KeyEvent.KEY_PRESSED, e -> key(e, list, run));
    list.setOnMouseClicked(e -> run.run());
    Cards.show(over, ID, KEY, words, list);
    ask(new ArrayDeque<>(sources), deeds, fill, list);
    words.requestFocus();
  }

  private static void ask(
      Deque<Supplier<List<Deed>>> sources, List<Deed> deeds, Runnable fill, Node shown) {
    if (!sources.isEmpty() && shown.getScene() != null) {
      deeds.addAll(sources.poll().get());
      fill.run();
      Platform.runLater(() -> ask(sources, deeds, fill, shown));
    }
  }

  private static void key(KeyEvent e, ListView<Deed> list, Runnable run) {
    int at = list.getSelectionModel().getSelectedIndex();
    switch (e.getCode()) {
      case DOWN -> at++;
      case UP -> at--;
      case PAGE_DOWN -> at += 8;
      case PAGE_UP -> at -= 8;
      case ENTER -> {
        e.consume();
        run.run();
        return;
      }
      default -> {
        return;
      }
    }
    e.consume();
    int to = Math.max(0, Math.min(list.getItems().size() - 1, at));
    list.getSelectionModel().select(to);
    list.scrollTo(Math.max(0, to - 3));
  }

  private static final class Cell extends ListCell<Deed> {
    @Override
    protected void updateItem(Deed d, boolean empty) {
      super.updateItem(d, empty);
      setText(null);
      if (empty || d == null) {
        setGraphic(null);
        return;
      }
      Label where = new Label(d.where());
      where.getStyleClass().add(Theme.SMALL);
      where.setMinWidth(Region.USE_PREF_SIZE);
      Label name = new Label(d.name());
      Region gap = new Region();
      HBox.setHgrow(gap, Priority.ALWAYS);
      HBox top = new HBox(12, name, gap, where);
      VBox both = new VBox(top);
      if (!d.more().isEmpty()) {
        Label more = new Label(d.more().lines().findFirst().orElse(""));
        more.getStyleClass().add(Theme.SMALL);
        both.getChildren().add(more);
      }
      both.setMaxWidth(WIDTH - 48);
      setGraphic(both);
      setAccessibleText(d.name() + ", " + d.where());
    }
  }
}
