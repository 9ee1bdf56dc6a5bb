package looseecho.desktop.ledger;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.DoubleSupplier;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.control.Choices;
import looseecho.desktop.control.Menus;
import looseecho.desktop.control.Tips;
import looseecho.desktop.session.LayerEar;
import looseecho.form.LayerMark;
import looseecho.layers.HeardLayer;
import looseecho.layers.LayerEdits;

/** What the person can decide about a layer: its name, family, job and edges; which are one. */
final class LayerRows extends GridPane {
  private final LayerEar ear;
  private final HeardLayer layer;
  private final DoubleSupplier playhead;

  LayerRows(LayerEar ear, HeardLayer layer, DoubleSupplier playhead) {
    super(8, 4);
    this.ear = ear;
    this.layer = layer;
    this.playhead = playhead;
    String name = layer.name();
    TextField field = new TextField(name);
    field.setId("layer-name");
    field.setPrefColumnCount(10);
    Tips.on(field, "What you call this layer (Enter)");
    field.setOnAction(e -> rename(field.getText().strip()));
    row("name", field);
    row(
        "family",
        choice(
            "layer-family",
            LayerEdits.FAMILIES,
            layer.family(),
            to -> ear.decide(LayerMark.family(name, to), "The " + name + " belongs to the " + to)));
    row(
        "job",
        choice(
            "layer-job",
            LayerEdits.JOBS,
            layer.job(),
            to -> ear.decide(LayerMark.job(name, to), "The " + name + " is there as " + to)));
    Menus more =
        Menus.of("layer-more", "More", "Join, cut or drop this layer")
            .choices("layer-join", "The same as", this::others)
            .add("layer-split", "Another layer from the playhead on", this::split)
            .add(
                "layer-remove",
                "There is no such layer",
                () -> ear.decide(LayerMark.remove(name), "The " + name + " is no layer"));
    FlowPane tools =
        new FlowPane(
            6,
            4,
            Buttons.of(
                "layer-edge",
                "Edge to the playhead",
                "The nearest entry or exit of this layer is moved to the playhead",
                this::edge),
            more.button());
    add(tools, 0, 3, 2, 1);
  }

  private void row(String name, Region what) {
    Label label = new Label(name);
    label.setMinWidth(USE_PREF_SIZE);
    GridPane.setHgrow(what, Priority.ALWAYS);
    addRow(getRowCount(), label, what);
  }

  private ComboBox<String> choice(
      String id, List<String> values, String now, Consumer<String> chosen) {
    ComboBox<String> box = Choices.of(id, values, now, v -> v, "What you take this layer for");
    box.setOnAction(
        e -> {
          if (!box.getValue().equals(now)) {
            chosen.accept(box.getValue());
          }
        });
    return box;
  }

  private void rename(String to) {
    if (!to.isEmpty() && !to.equals(layer.name())) {
      ear.decide(LayerMark.rename(layer.name(), to), layer.name() + " is called " + to);
    }
  }

  private Map<String, Runnable> others() {
    Map<String, Runnable> out = new LinkedHashMap<>();
    for (HeardLayer o : ear.layersProperty().get()) {
      if (!o.name().equals(layer.name())) {
        String words = o.name() + " is the same as " + layer.name();
        out.put(o.name(), () -> ear.decide(LayerMark.join(layer.name(), o.name()), words));
      }
    }
    return out;
  }

  private void split() {
    double at = playhead.getAsDouble();
    String words =
        String.format(Locale.ROOT, "Another layer than %s from %.1f s on", layer.name(), at);
    ear.decide(LayerMark.split(layer.name(), at), words);
  }

  private void edge() {
    double at = playhead.getAsDouble();
    Optional<Double> edge = LayerEdits.edge(layer, at);
    edge.ifPresent(
        from ->
            ear.decide(
                LayerMark.edge(layer.name(), from, at),
                String.format(
                    Locale.ROOT, "%s: edge from %.1f to %.1f s", layer.name(), from, at)));
  }
}
