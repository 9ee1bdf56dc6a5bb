package looseecho.desktop.palette;

import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.control.Legend;
import looseecho.desktop.control.SoundFiles;
import looseecho.desktop.control.Tips;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.PairEar;
import looseecho.desktop.session.PaletteEar;
import looseecho.desktop.theme.Theme;

/** The track's drums beside the echo's, and the samples of one's own that come nearest. */
public final class PaletteBench extends HBox {
  private static final double LIST_WIDTH = 250;
  private static final double LEAST_WIDTH = 190;
  private static final double WITH_SIZE = 440; // width of the tools that leaves room for the count
  private static final double LEFT_WIDTH = 420; // it takes what is left, too
  private static final String HELP =
      "Outline: the track's; filled: the echo's. Enter plays the one, with Shift the other. In the"
          + " list Enter takes a sample, with Shift it comes beside what is there. Cuts are for study.";

  public PaletteBench(Desk desk, PaletteEar ear, PairEar pairs) {
    super(16);
    getStyleClass().add("bench");
    PaletteChart chart = new PaletteChart(ear);
    VBox.setVgrow(chart, Priority.ALWAYS);
    PairPicture pair = new PairPicture();
    ear.pickedProperty().addListener((o, a, b) -> pair.show(b));
    pair.show(ear.pickedProperty().get());
    Label help = new Legend(HELP);
    Label size = new Label();
    size.setId("drawer-size");
    size.getStyleClass().add(Theme.SMALL);
    ear.drawer()
        .sizeProperty()
        .addListener((o, a, b) -> size.setText(b.intValue() > 0 ? b + " samples" : ""));
    HBox tools =
        new HBox(
            8,
            Buttons.of(
                "palette-heard",
                "Track's",
                "The picked sound of the track (Enter)",
                () -> ear.play(false)),
            Buttons.of(
                "palette-echo",
                "Echo's",
                "The echo's sound, as loud (Shift+Enter)",
                () -> ear.play(true)),
            Buttons.of(
                "drawer-add",
                "Add folder…",
                "Measures the samples in a folder, so that they can be found by their sound",
                () -> SoundFiles.folder("A folder of your samples").ifPresent(ear.drawer()::add)),
            size);
    tools.setAlignment(Pos.CENTER_LEFT);
    size.visibleProperty().bind(tools.widthProperty().greaterThan(WITH_SIZE));
    size.managedProperty().bind(size.visibleProperty());
    VBox left = new VBox(8, tools, chart, pair, help);
    HBox.setHgrow(left, Priority.ALWAYS);
    left.setPrefWidth(
        LEFT_WIDTH); // and not that of its longest words, which would squeeze the list
    MatchList matches = new MatchList(ear);
    matches.setMinWidth(LEAST_WIDTH);
    matches.setPrefWidth(LIST_WIDTH);
    getChildren().addAll(left, samples(ear, pairs, matches, tools));
    sceneProperty()
        .addListener(
            (o, a, b) -> {
              if (b != null) {
                ear.hear();
              } else {
                ear.rest();
              }
            });
    desk.analysisProperty()
        .addListener(
            (o, a, b) -> {
              if (getScene() != null) {
                ear.hear();
              }
            });
  }

  /** The nearest samples, or pairs of them, whichever is looked for. */
  private static StackPane samples(PaletteEar ear, PairEar pairs, MatchList matches, HBox tools) {
    PairList both = new PairList(ear, pairs);
    ToggleButton asPair = new ToggleButton("Kick and snare");
    asPair.setId("as-pair");
    asPair.setMinWidth(Region.USE_PREF_SIZE);
    Tips.on(
        asPair, "Kick and snare sought as a pair: near the track's two, and with their contrast");
    both.visibleProperty().bind(asPair.selectedProperty());
    matches.visibleProperty().bind(asPair.selectedProperty().not());
    asPair.setOnAction(
        e -> {
          if (asPair.isSelected()) {
            pairs.look();
          }
        });
    tools.getChildren().add(tools.getChildren().size() - 1, asPair);
    return new StackPane(matches, both);
  }
}
