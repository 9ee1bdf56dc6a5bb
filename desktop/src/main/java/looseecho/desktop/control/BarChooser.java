package looseecho.desktop.control;

import java.util.EnumSet;
import java.util.List;
import javafx.application.Platform;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.SimpleIntegerProperty;
import javafx.geometry.Pos;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import looseecho.activity.Lane;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.Selection;
import looseecho.desktop.theme.Theme;
import looseecho.doubt.Doubt;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.echo.Words;
import looseecho.hits.Variants;
import looseecho.pulse.BarGrid;

/** Picks a section and, in it, one bar or the typical bar. */
public final class BarChooser extends HBox {
  private static final int MAX_BARS = 24;
  private final Desk desk;
  private final Selection selection;
  private static final double WHEEL = 0.15; // of the strip's length
  private final boolean typical;
  private final ComboBox<String> sections = new ComboBox<>();
  private final HBox bars = new HBox(4);
  private final ScrollPane strip = new ScrollPane(bars); // one line, however many bars there are

  private static final double JUST_BEFORE = 0.03; // seconds: early strokes are of the next bar

  /** Stands for the bar that is typical of the section. */
  public static final int TYPICAL = -1;

  private final IntegerProperty bar = new SimpleIntegerProperty(TYPICAL);
  private boolean filling;

  /** {@code typical} offers the typical bar first. */
  public BarChooser(Desk desk, Selection selection, boolean typical) {
    super(12);
    this.desk = desk;
    this.selection = selection;
    this.typical = typical;
    setAlignment(Pos.CENTER_LEFT);
    sections.setId("section-chooser");
    Tips.on(sections, "Which section is shown");
    sections.setVisibleRowCount(12);
    sections.setMinWidth(190);
    HBox.setHgrow(strip, Priority.ALWAYS);
    bars.setAlignment(Pos.CENTER_LEFT);
    strip.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    strip.setVbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    strip.setFitToHeight(true);
    strip.setPannable(true);
    strip.setFocusTraversable(false);
    strip.setMinWidth(0);
    strip.setPrefWidth(0);
    strip.setOnScroll(
        e -> {
          strip.setHvalue(strip.getHvalue() - Math.signum(e.getDeltaY() + e.getDeltaX()) * WHEEL);
          e.consume();
        });
    Label word = new Label("bar");
    word.getStyleClass().add(Theme.QUIET);
    getChildren().addAll(sections, word, strip);
    sections
        .getSelectionModel()
        .selectedIndexProperty()
        .addListener(
            (o, a, b) -> {
              if (!filling && b.intValue() >= 0) {
                selection.sectionProperty().set(b.intValue());
              }
            });
    desk.templateProperty().addListener((o, a, b) -> fill(b));
    selection.sectionProperty().addListener((o, a, b) -> fill(desk.templateProperty().get()));
    selection.spotProperty().addListener((o, a, b) -> go(b));
    fill(desk.templateProperty().get());
  }

  /** To the bar of a place. */
  private void go(Doubt.Spot spot) {
    Template t = desk.templateProperty().get();
    if (spot == null || t == null) {
      return;
    }
    int section = 0;
    while (section + 1 < t.sections().size()
        && t.time(section + 1, 0, 0) <= spot.time() + JUST_BEFORE) {
      section++;
    }
    List<BarGrid.Bar> all = t.grid(section).bars();
    int index = 0;
    while (index + 1 < all.size()
        && t.time(section, all.get(index + 1).from(), 0) <= spot.time() + JUST_BEFORE) {
      index++;
    }
    go(section, index);
  }

  /** The bar in the section from 0, or {@link #TYPICAL}. */
  public IntegerProperty barProperty() {
    return bar;
  }

  /** Goes to a bar of a section, both from 0. */
  public void go(int section, int index) {
    selection.sectionProperty().set(section);
    bar.set(index);
    fill(desk.templateProperty().get());
  }

  private void fill(Template t) {
    filling = true;
    int section = selection.sectionProperty().get();
    if (t == null || section < 0 || section >= t.sections().size()) {
      sections.getItems().clear();
      bars.getChildren().clear();
    } else {
      sections.getItems().setAll(t.sections().stream().map(s -> name(t, s)).toList());
      sections.getSelectionModel().select(section);
      List<BarGrid.Bar> all = t.grid(section).bars();
      int count = Math.min(MAX_BARS, all.size());
      bar.set(Math.max(typical ? TYPICAL : 0, Math.min(bar.get(), count - 1)));
      fillBars(all.subList(0, count));
    }
    filling = false;
  }

  private static String name(Template t, TemplateSection s) {
    return s.label() + "  " + s.role() + ", " + Words.bars((double) s.beats() / t.beatsPerBar());
  }

  private void fillBars(List<BarGrid.Bar> shown) {
    int count = shown.size();
    int firstNumber = shown.get(0).number();
    bars.getChildren().clear();
    ToggleGroup group = new ToggleGroup();
    var a = desk.analysisProperty().get();
    Variants patterns =
        Variants.of(
            a == null ? List.of() : a.hits(),
            EnumSet.allOf(Lane.class),
            firstNumber,
            shown.get(count - 1).number() + 1);
    for (int b = typical ? TYPICAL : 0; b < count; b++) {
      int index = b;
      ToggleButton button =
          new ToggleButton(
              b == TYPICAL
                  ? "typical"
                  : shown.get(b).number() + "  " + patterns.of(shown.get(b).number()));
      button.getStyleClass().add(Theme.CHIP);
      button.setToggleGroup(group);
      button.setSelected(b == bar.get());
      Tips.on(
          button,
          b == TYPICAL
              ? "What most bars of the section play"
              : "Bars with the same letter play the same");
      button.setOnAction(
          e -> {
            button.setSelected(true);
            bar.set(index);
          });
      bars.getChildren().add(button);
    }
    Platform.runLater(() -> strip.setHvalue(count < 2 ? 0 : bar.get() / (count - 1.0)));
  }
}
