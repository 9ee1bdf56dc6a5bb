package looseecho.desktop.sounds;

import javafx.beans.binding.Bindings;
import javafx.geometry.Insets;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.ledger.SettingRows;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.EchoMaker;
import looseecho.desktop.session.OwnAudio;
import looseecho.desktop.session.Selection;
import looseecho.desktop.theme.Theme;
import looseecho.mix.Layer;
import looseecho.mix.Sound;
import looseecho.synth.Moved;

/** What each part is stacked from: parts and layers at the left, the picked layer beside them. */
public final class SoundsBench extends HBox {
  private static final double LIST = 210;
  private static final double LIST_SHARE = 0.27; // of a narrow window's bench

  private final Desk desk;
  private final EchoMaker maker;
  private final Picked picked;
  private final LayerList list;
  private final SoundPicture picture = new SoundPicture();
  private final Label title = new Label();
  private final HBox dials = new HBox(14);
  private SettingRows[] rows = new SettingRows[0];

  public SoundsBench(Desk desk, Selection selection, EchoMaker maker, OwnAudio own) {
    super(16);
    this.desk = desk;
    this.maker = maker;
    this.picked = new Picked(desk, selection, maker);
    getStyleClass().add("bench");
    list = new LayerList(desk, selection, picked, own);
    ScrollPane parts = scrolled(list);
    parts.minWidthProperty().bind(Bindings.min(LIST, widthProperty().multiply(LIST_SHARE)));
    parts.prefWidthProperty().bind(parts.minWidthProperty());
    title.getStyleClass().add(Theme.HEADING);
    Button hear =
        Buttons.of("layer-hear", "Hear it", "The part once, as it sounds now", this::hear);
    HBox head = new HBox(12, title, hear);
    ScrollPane turned = scrolled(dials);
    VBox.setVgrow(turned, Priority.ALWAYS);
    VBox right = new VBox(8, head, picture, turned);
    HBox.setHgrow(right, Priority.ALWAYS);
    getChildren().addAll(parts, right);
    selection.partProperty().addListener((o, a, b) -> show());
    picked.layerProperty().addListener((o, a, b) -> show());
    picked.letterProperty().addListener((o, a, b) -> show());
    desk.templateProperty().addListener((o, a, b) -> show());
    maker.soundsProperty().addListener((o, a, b) -> changed());
    show();
  }

  private static ScrollPane scrolled(javafx.scene.layout.Region content) {
    content.setPadding(new Insets(2, 8, 2, 2));
    ScrollPane pane = new ScrollPane(content);
    pane.setFitToWidth(true);
    pane.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    pane.setFocusTraversable(false);
    return pane;
  }

  /** A dial that is being turned is not made anew under the hand. */
  private void changed() {
    for (SettingRows r : rows) {
      if (r.isSetting()) {
        list.show();
        draw();
        return;
      }
    }
    show();
  }

  private void hear() {
    picked
        .part()
        .asDrum()
        .ifPresentOrElse(
            d -> maker.audition(d, 110),
            () ->
                picked
                    .part()
                    .asLine()
                    .ifPresent(l -> maker.audition(l, java.util.List.of(48), 100)));
  }

  private void show() {
    list.show();
    dials.getChildren().clear();
    if (desk.templateProperty().get() == null) {
      title.setText("Open a track first: its parts get their sounds here.");
      return;
    }
    title.setText(picked.name() + ", layer " + (picked.layerProperty().get() + 1));
    String of = picked.name();
    SettingRows source = new SettingRows(desk, maker, of);
    new SourceDials(source, picked).show();
    SettingRows layer = new SettingRows(desk, maker, of);
    new LayerDials(layer, picked).place();
    new LayerDials(layer, picked).chain();
    rows = new SettingRows[] {source, layer};
    HBox.setHgrow(source, Priority.ALWAYS);
    HBox.setHgrow(layer, Priority.ALWAYS);
    dials.getChildren().addAll(source, layer);
    draw();
  }

  /** The layer alone, drawn when it has been rendered. */
  private void draw() {
    Layer own = picked.layer();
    Layer layer = own.source() instanceof Moved ? own.with(picked.origin()) : own;
    Sound alone = new Sound(java.util.List.of(layer.muted(false)), picked.sound().strip());
    maker.picture(picked.part(), alone, picture::show);
  }
}
