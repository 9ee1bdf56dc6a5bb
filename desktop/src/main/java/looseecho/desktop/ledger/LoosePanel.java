package looseecho.desktop.ledger;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import javafx.beans.binding.Bindings;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.control.Dials;
import looseecho.desktop.control.Tips;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.EchoMaker;
import looseecho.desktop.theme.Theme;
import looseecho.echo.Template;
import looseecho.loose.Aspect;
import looseecho.loose.Loosener;
import looseecho.loose.Originality;
import looseecho.loose.SoundLoosener;
import looseecho.mix.Sounds;

/** How loose each aspect shall get, and how far the echo is from the reference by now. */
final class LoosePanel extends VBox {
  private final Desk desk;
  private final EchoMaker maker;
  private final Map<Aspect, Slider> amounts = new EnumMap<>(Aspect.class);
  private final Map<Aspect, Label> readings = new EnumMap<>(Aspect.class);
  private final Label last = new Label();
  private long seed = 1;
  private int steps; // of the last loosening, to be undone together
  private Template loosened; // what came of it; null before the first
  private Sounds sounded;

  LoosePanel(Desk desk, EchoMaker maker) {
    super(4);
    this.desk = desk;
    this.maker = maker;
    getChildren().add(ReadingRow.heading("Loosen, and how new it is"));
    GridPane grid = new GridPane(6, 2);
    grid.addRow(0, small(""), small("loose"), small(""), small("new"));
    for (Aspect aspect : Aspect.values()) {
      Slider s = new Slider(0, 100, 0);
      s.setId("loose-" + aspect.words());
      s.setPrefWidth(58);
      s.setBlockIncrement(10);
      Tips.on(s, String.join("\n", Loosener.operations().get(aspect)));
      s.setAccessibleText("Looseness of the " + aspect.words());
      Label now = new Label("0 %");
      now.setId("new-" + aspect.words());
      now.getStyleClass().add(Theme.NUMBER);
      amounts.put(aspect, s);
      readings.put(aspect, now);
      Label name = new Label(aspect.words());
      name.setMinWidth(80);
      now.setMinWidth(44);
      Label amount = new Label();
      amount.getStyleClass().add(Theme.NUMBER);
      amount.setMinWidth(28);
      amount
          .textProperty()
          .bind(
              Bindings.createStringBinding(() -> "" + Math.round(s.getValue()), s.valueProperty()));
      Dials.join(s, amount);
      grid.addRow(aspect.ordinal() + 1, name, s, amount, now);
    }
    last.setId("loose-last");
    last.setWrapText(true);
    last.getStyleClass().add(Theme.SMALL);
    last.managedProperty().bind(last.textProperty().isNotEmpty());
    FlowPane buttons =
        new FlowPane(
            6,
            6,
            Buttons.of(
                "loosen",
                "Loosen",
                "Does it, step by step; undo takes each step back",
                this::loosen),
            Buttons.of(
                "loosen-other",
                "Another way",
                "Undoes it and draws again; after edits of your own it goes on from them",
                this::again));
    getChildren().addAll(grid, buttons, last);
    desk.templateProperty().addListener((o, a, b) -> read());
    maker.soundsProperty().addListener((o, a, b) -> read());
    read();
  }

  private static Label small(String words) {
    Label l = new Label(words);
    l.getStyleClass().add(Theme.SMALL);
    return l;
  }

  private void read() {
    Template t = desk.templateProperty().get();
    Template exact = desk.exact();
    if (t != null && exact != null) {
      Originality.of(exact, t, desk.near(), maker.soundsProperty().get())
          .forEach((aspect, v) -> readings.get(aspect).setText(Math.round(v) + " %"));
    }
  }

  private void loosen() {
    Template t = desk.templateProperty().get();
    if (t == null) {
      return;
    }
    Map<Aspect, Integer> wanted = new EnumMap<>(Aspect.class);
    amounts.forEach((aspect, s) -> wanted.put(aspect, (int) Math.round(s.getValue())));
    List<Loosener.Step> done = new Loosener().loosen(t, wanted, seed);
    List<SoundLoosener.Step> sounds =
        new SoundLoosener()
            .loosen(maker.soundsProperty().get(), t, wanted.get(Aspect.SOUNDS), seed);
    steps = done.size() + sounds.size();
    done.forEach(s -> desk.edit(s.edit()));
    sounds.forEach(s -> desk.sound(s.sounds(), s.words()));
    loosened = desk.templateProperty().get();
    sounded = maker.soundsProperty().get();
    last.setText(
        steps == 0
            ? "Move a slider first: how far may each go?"
            : steps + (steps == 1 ? " step" : " steps") + ", listed under Whole");
  }

  private void again() {
    boolean untouched =
        desk.templateProperty().get() == loosened && maker.soundsProperty().get() == sounded;
    for (int i = 0; untouched && i < steps; i++) {
      desk.undo();
    }
    // What the person did since stays: then the other way is laid on top of it.
    seed++;
    loosen();
  }
}
