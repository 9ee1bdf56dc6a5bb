package looseecho.desktop.palette;

import java.util.List;
import java.util.Locale;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.TextField;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import looseecho.desktop.control.Choices;
import looseecho.desktop.control.Tips;
import looseecho.desktop.session.PaletteEar;
import looseecho.desktop.theme.Theme;
import looseecho.drawer.Match;
import looseecho.palette.Region;

/** One's own samples nearest to the picked sound: arrows play them, Enter takes one. */
final class MatchList extends VBox {
  private static final double LEAST = 100;
  private static final double EDGES = 36; // of a cell, and the bar that scrolls

  MatchList(PaletteEar ear) {
    super(6);
    PlayedList<Match> list = new PlayedList<>(ear::play, ear::take);
    Label head = new Label("Nearest of yours");
    head.getStyleClass().add(Theme.HEADING);
    TextField words = new TextField();
    words.setId("match-words");
    words.setPromptText("words: short dark, clap, a name");
    Tips.on(words, "Only samples that these words fit; Enter looks");
    words.setOnAction(e -> ear.drawer().words(words.getText()));
    ComboBox<Region> regions =
        Choices.of(
            "match-region",
            List.of(Region.values()),
            Region.WHOLE,
            Region::words,
            "What is sought: all of it, or a layer that brings one part");
    regions.setMaxWidth(Double.MAX_VALUE);
    regions.valueProperty().addListener((o, x, b) -> ear.drawer().region(b));
    list.setId("matches");
    list.setAccessibleText("Nearest samples: arrows play, Enter takes, Shift and Enter beside it");
    list.setCellFactory(l -> new Cell());
    list.setPlaceholder(new Label("Pick a sound"));
    list.widthProperty().addListener((o, was, now) -> list.refresh()); // what wraps, wraps anew
    VBox.setVgrow(list, Priority.ALWAYS);
    ear.drawer().matchesProperty().addListener((o, a, b) -> list.fill(b));
    getChildren().addAll(head, words, regions, list);
    list.fill(ear.drawer().matchesProperty().get());
  }

  private static final class Cell extends ListCell<Match> {
    private final Label name = new Label();
    private final Label about = new Label();
    private final VBox box = new VBox(name, about);

    Cell() {
      about.getStyleClass().add(Theme.SMALL);
      about.setWrapText(true);
      setPrefWidth(0); // as wide as the list
    }

    @Override
    protected void updateItem(Match m, boolean empty) {
      super.updateItem(m, empty);
      if (empty || m == null) {
        setGraphic(null);
        return;
      }
      name.setText(m.entry().file().getFileName().toString().replaceFirst("\\.[^.]*$", ""));
      about.setText(
          String.format(
              Locale.ROOT,
              "%.1f dB off, %s, %s",
              m.distance(),
              m.entry().what().words(),
              m.remedy()));
      about.setMaxWidth(Math.max(LEAST, getListView().getWidth() - EDGES));
      setGraphic(box);
    }
  }
}
