package looseecho.desktop.palette;

import java.util.Locale;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.session.PairEar;
import looseecho.desktop.session.PaletteEar;
import looseecho.desktop.theme.Theme;
import looseecho.drawer.PairMatcher.Pair;

/** Pairs of one's own samples for kick and snare: arrows play them, Enter takes both. */
final class PairList extends VBox {
  PairList(PaletteEar palette, PairEar ear) {
    super(6);
    PlayedList<Pair> list = new PlayedList<>(ear::play, (pair, shift) -> ear.take(pair));
    Label head = new Label("Kick and snare of yours");
    head.getStyleClass().add(Theme.HEADING);
    list.setId("pairs");
    list.setAccessibleText("Pairs: arrows play both, Enter takes them");
    list.setCellFactory(l -> new Cell());
    list.setPlaceholder(new Label("Looking for pairs"));
    list.setFixedCellSize(60);
    VBox.setVgrow(list, Priority.ALWAYS);
    palette.drawer().pairsProperty().addListener((o, a, b) -> list.fill(b));
    getChildren()
        .addAll(
            head,
            Buttons.of(
                "pair-heard", "Track's two", "The track's kick, then its snare", ear::playHeard),
            list);
  }

  private static final class Cell extends ListCell<Pair> {
    private final Label kick = new Label();
    private final Label snare = new Label();
    private final Label about = new Label();
    private final VBox box = new VBox(kick, snare, about);

    Cell() {
      about.getStyleClass().add(Theme.SMALL);
      setPrefWidth(0); // as wide as the list, what is longer is cut with dots
    }

    @Override
    protected void updateItem(Pair p, boolean empty) {
      super.updateItem(p, empty);
      if (empty || p == null) {
        setGraphic(null);
        return;
      }
      kick.setText(PairEar.name(p.kick()));
      snare.setText(PairEar.name(p.snare()));
      about.setText(
          String.format(
              Locale.ROOT,
              "%.1f and %.1f dB off%s",
              p.kick().distance(),
              p.snare().distance(),
              p.together() ? ", from one folder" : ""));
      setGraphic(box);
    }
  }
}
