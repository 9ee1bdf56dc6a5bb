package looseecho.desktop.control;

import java.util.LinkedHashMap;
import java.util.Map;
import javafx.scene.Node;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import looseecho.desktop.theme.Theme;

/** What does not fit below each other: a row of chips, each of which shows a page of its own. */
public final class Pages extends VBox {
  private final FlowPane chips = new FlowPane(5, 5);
  private final Map<ToggleButton, VBox> pages = new LinkedHashMap<>();
  private final ToggleGroup group = new ToggleGroup();

  public Pages() {
    super(10);
    getChildren().add(chips);
    group.selectedToggleProperty().addListener((o, a, b) -> group.selectToggle(b == null ? a : b));
  }

  /** Adds a page; the first is shown until another is wanted. */
  public Pages with(String id, String text, String tip, Node... panels) {
    VBox page = new VBox(10, panels);
    ToggleButton chip = new ToggleButton(text);
    chip.setId(id);
    chip.getStyleClass().addAll(Theme.CHIP, "page-chip");
    chip.setToggleGroup(group);
    Tips.on(chip, tip);
    page.visibleProperty().bind(chip.selectedProperty());
    page.managedProperty().bind(chip.selectedProperty());
    chips.getChildren().add(chip);
    getChildren().add(page);
    pages.put(chip, page);
    if (group.getSelectedToggle() == null) {
      chip.setSelected(true);
    }
    return this;
  }

  /** Shows the page on which something lies. */
  public void showPageOf(Node within) {
    pages.forEach(
        (chip, page) -> {
          for (Node up = within; up != null; up = up.getParent()) {
            if (up == page) {
              chip.setSelected(true);
            }
          }
        });
  }

  /** Shows the page with that id. */
  public void show(String id) {
    pages.keySet().stream().filter(c -> c.getId().equals(id)).forEach(c -> c.setSelected(true));
  }
}
