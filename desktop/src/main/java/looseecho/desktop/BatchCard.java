package looseecho.desktop;

import java.nio.file.Path;
import java.util.List;
import java.util.function.Consumer;
import javafx.beans.value.ChangeListener;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.control.Cards;
import looseecho.desktop.session.Batch;
import looseecho.desktop.theme.Theme;

/** Several tracks on a card over the bench: what was heard of each, and a way to it. */
final class BatchCard {
  private static final String ID = "batch";
  private static final double WIDTH = 620;
  private static final double HEIGHT = 380;

  private BatchCard() {}

  /** Shows the list; {@code open} takes up one of its tracks. */
  static void show(StackPane over, Batch batch, Consumer<Path> open) {
    ListView<Batch.Row> list = new ListView<>();
    list.setId("batch-list");
    list.setAccessibleText("Tracks; Enter opens one");
    list.setPrefSize(WIDTH, HEIGHT);
    list.setCellFactory(l -> new Cell());
    Label told = new Label();
    told.setId("batch-told");
    told.getStyleClass().add(Theme.QUIET);
    ChangeListener<List<Batch.Row>> follow =
        (o, a, b) -> {
          int at = Math.max(0, list.getSelectionModel().getSelectedIndex());
          list.getItems().setAll(b);
          list.getSelectionModel().select(at);
          told.setText(told(b));
        };
    batch.rowsProperty().addListener(follow);
    list.sceneProperty()
        .addListener(
            (o, a, b) -> {
              if (b == null) {
                batch.rowsProperty().removeListener(follow);
              }
            });
    Runnable close = () -> Cards.close(over, ID);
    Runnable take =
        () -> {
          Batch.Row r = list.getSelectionModel().getSelectedItem();
          if (r != null) {
            close.run();
            open.accept(r.file());
          }
        };
    list.setOnKeyPressed(
        e -> {
          if (e.getCode() == KeyCode.ENTER) {
            take.run();
            e.consume();
          }
        });
    list.setOnMouseClicked(
        e -> {
          if (e.getClickCount() == 2) {
            take.run();
          }
        });
    Button opens = Buttons.of("batch-open", "Open", "Takes the picked one up (Enter)", take);
    Label title = new Label("Tracks");
    title.getStyleClass().add(Theme.TITLE);
    Region gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    HBox tools =
        new HBox(
            12,
            told,
            gap,
            opens,
            Buttons.of("batch-stop", "Stop", "Leaves out what has not been heard yet", batch::stop),
            Buttons.of("batch-close", "Close", "They are heard on; Escape", close));
    Cards.show(over, ID, KeyCode.ESCAPE, title, list, tools);
    follow.changed(batch.rowsProperty(), List.of(), batch.rowsProperty().get());
    list.requestFocus();
  }

  private static String told(List<Batch.Row> rows) {
    long heard = rows.stream().filter(r -> r.state() == Batch.State.HEARD).count();
    long failed = rows.stream().filter(r -> r.state() == Batch.State.FAILED).count();
    return heard + " of " + rows.size() + " heard" + (failed == 0 ? "" : ", " + failed + " not");
  }

  private static final class Cell extends ListCell<Batch.Row> {
    @Override
    protected void updateItem(Batch.Row row, boolean empty) {
      super.updateItem(row, empty);
      setText(null);
      if (empty || row == null) {
        setGraphic(null);
        return;
      }
      Label name = new Label(row.name());
      Label words = new Label(row.words());
      words.getStyleClass().add(Theme.SMALL);
      words.setWrapText(true);
      if (row.state() == Batch.State.FAILED) {
        words.getStyleClass().add(Theme.DOUBTFUL);
      }
      setGraphic(new VBox(name, words));
      setAccessibleText(row.name() + ": " + row.words());
    }
  }
}
