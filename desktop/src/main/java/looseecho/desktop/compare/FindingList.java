package looseecho.desktop.compare;

import java.util.List;
import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.text.TextAlignment;
import looseecho.compare.Comparison;
import looseecho.compare.Finding;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.session.Nearness;
import looseecho.desktop.session.Playback;
import looseecho.desktop.theme.Theme;

/** What differs, the most noticed first, with a way there and a mend where there is one. */
final class FindingList extends VBox {
  private static final double NARROW = 260;
  private final Nearness nearness;
  private final Playback playback;
  private final ListView<Finding> list = new ListView<>();

  FindingList(Nearness nearness, Playback playback) {
    super(6);
    this.nearness = nearness;
    this.playback = playback;
    Label head = new Label("Noticed first");
    head.getStyleClass().add(Theme.HEADING);
    list.setId("findings");
    list.setAccessibleText("Differences: Enter mends, J goes there");
    list.setCellFactory(l -> new Cell());
    list.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
    VBox.setVgrow(list, Priority.ALWAYS);
    list.widthProperty().addListener((o, was, now) -> list.refresh()); // what wraps, wraps anew
    getChildren().addAll(head, list);
    nearness.comparisonProperty().addListener((o, a, b) -> show(b));
    show(nearness.comparisonProperty().get());
  }

  private void show(Comparison c) {
    list.getItems().setAll(c == null ? List.of() : c.differences());
    Label none =
        new Label(c == null ? "Compare, and it stands here" : "Nothing that could be told");
    none.setWrapText(true);
    none.setTextAlignment(TextAlignment.CENTER);
    list.setPlaceholder(none);
  }

  private void key(KeyEvent e) {
    Finding f = list.getSelectionModel().getSelectedItem();
    if (f == null || e.isShortcutDown() || e.isAltDown()) {
      return;
    }
    switch (e.getCode()) {
      case ENTER -> nearness.mend(f);
      case J -> there(f);
      default -> {
        return;
      }
    }
    e.consume();
  }

  private void there(Finding f) {
    f.at().ifPresent(playback.player()::seek);
  }

  private final class Cell extends ListCell<Finding> {
    @Override
    protected void updateItem(Finding f, boolean empty) {
      super.updateItem(f, empty);
      setText(null);
      setGraphic(empty || f == null ? null : row(f));
    }

    private HBox row(Node... nodes) {
      HBox out = new HBox(8, nodes);
      out.setAlignment(Pos.CENTER_LEFT);
      return out;
    }

    private VBox row(Finding f) {
      Label words = new Label(f.words());
      words.setWrapText(true);
      words.setMaxWidth(Math.max(120, list.getWidth() - 40));
      Label what = new Label(f.kind().words());
      what.getStyleClass().add(Theme.SMALL);
      Region gap = new Region();
      HBox.setHgrow(gap, Priority.ALWAYS);
      boolean narrow = list.getWidth() < NARROW; // what can be done goes below the words then
      Pane below = narrow ? new VBox(4, what) : row(what, gap);
      f.at()
          .ifPresent(
              t ->
                  below
                      .getChildren()
                      .add(
                          small(
                              String.format(
                                  Locale.ROOT, "Go to %d:%02d", (int) t / 60, (int) t % 60),
                              "To the first place where it differs (J)",
                              () -> there(f))));
      f.mend()
          .ifPresent(
              m ->
                  below
                      .getChildren()
                      .add(small(m.words(f.of()), "Sets it right (Enter)", () -> mend(f))));
      return new VBox(2, words, below);
    }

    private void mend(Finding f) {
      list.getSelectionModel().select(f);
      nearness.mend(f);
    }

    private static Button small(String words, String tip, Runnable action) {
      Button b = Buttons.of("finding-action", words, tip, action);
      b.getStyleClass().add(Theme.CHIP);
      b.setFocusTraversable(false);
      return b;
    }
  }
}
