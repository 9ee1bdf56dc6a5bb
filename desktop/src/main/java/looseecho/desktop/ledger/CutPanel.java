package looseecho.desktop.ledger;

import java.io.IOException;
import java.util.List;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.control.Choices;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.EchoMaker;
import looseecho.desktop.session.Lanes;
import looseecho.desktop.session.SameTrack;
import looseecho.desktop.session.Selection;
import looseecho.dsp.Attacks;
import looseecho.echo.DrumPart;
import looseecho.echo.Loops;
import looseecho.echo.Template;
import looseecho.mix.EchoRenderer;
import looseecho.synth.SampleSound;
import looseecho.synth.Slices;

/** How a recording of one's own is cut up, fitted to the tempo, and laid. */
final class CutPanel extends VBox {
  private static final List<Double> BEATS =
      List.of(0.0, 1.0, 2.0, 3.0, 4.0, 6.0, 8.0, 12.0, 16.0, 24.0, 32.0, 48.0, 64.0);
  private static final List<Double> GATES = List.of(1.0, 0.75, 0.5, 0.25);

  private final Desk desk;
  private final Selection selection;
  private final EchoMaker maker;
  private final Lanes lanes;
  private final DrumPart drum;
  private final ComboBox<Loops.Order> order;
  private final ComboBox<Double> gate;

  /** How it is cut. */
  private enum Cut {
    WHOLE("whole"),
    ATTACKS("at its attacks"),
    BEATS("in beats"),
    EIGHTHS("in 8ths"),
    SIXTEENTHS("in 16ths");

    private final String words;

    Cut(String words) {
      this.words = words;
    }

    private Slices of(SampleSound sample) throws IOException {
      Slices s = sample.slices();
      return switch (this) {
        case WHOLE -> s.whole();
        case BEATS -> s.every(1);
        case EIGHTHS -> s.every(0.5);
        case SIXTEENTHS -> s.every(0.25);
        case ATTACKS -> {
          float[] x = sample.render(EchoRenderer.RATE).mono();
          yield s.at(
              new Attacks().find(x, EchoRenderer.RATE), (double) x.length / EchoRenderer.RATE);
        }
      };
    }
  }

  CutPanel(
      Desk desk,
      Selection selection,
      EchoMaker maker,
      Lanes lanes,
      DrumPart drum,
      SampleSound own) {
    super(4);
    this.desk = desk;
    this.selection = selection;
    this.maker = maker;
    this.lanes = lanes;
    this.drum = drum;
    setId("cut");
    Slices s = own.slices();
    ComboBox<Double> beats =
        box(
            "cut-beats",
            BEATS,
            s.beats(),
            b -> b == 0 ? "one-shot" : Math.round(b) + " beats",
            "How long the recording lasts in beats");
    beats.setOnAction(e -> slices(x -> x.lasting(beats.getValue()), "lasts " + beats.getValue()));
    ComboBox<Slices.Fit> fit =
        box(
            "cut-fit",
            List.of(Slices.Fit.values()),
            s.fit(),
            Slices.Fit::words,
            "What becomes of it at another tempo");
    fit.setOnAction(e -> slices(x -> x.fitted(fit.getValue()), fit.getValue().words()));
    ComboBox<Cut> cut =
        box("cut-how", List.of(Cut.values()), null, c -> c.words, "Where it is cut into pieces");
    cut.setPromptText(s.starts().isEmpty() ? "whole" : s.count() + " pieces");
    cut.setOnAction(e -> cut(cut.getValue()));
    order =
        box(
            "cut-order",
            List.of(Loops.Order.values()),
            Loops.Order.AS_RECORDED,
            Loops.Order::words,
            "In which order the pieces are laid");
    gate =
        box(
            "cut-gate",
            GATES,
            1.0,
            g -> Math.round(100 * g) + " % of its time",
            "How much of its time each piece sounds");
    getChildren()
        .addAll(
            row("lasts", beats),
            row("cut", cut),
            row("fit", fit),
            row("order", order),
            row("gate", gate));
    if (s.beats() > 0) {
      getChildren()
          .add(
              new FlowPane(
                  6,
                  4,
                  Buttons.of(
                      "lay",
                      "Lay it here",
                      "In the section at work, round and round",
                      () -> lay(false)),
                  Buttons.of(
                      "lay-all",
                      "Lay it through",
                      "Through the song, over the edges of sections",
                      () -> lay(true))));
    }
  }

  private static HBox row(String name, Node control) {
    Label label = new Label(name);
    label.setMinWidth(52);
    HBox row = new HBox(8, label, control);
    row.setAlignment(Pos.CENTER_LEFT);
    return row;
  }

  private static <T> ComboBox<T> box(
      String id, List<T> all, T now, Function<T, String> words, String tip) {
    ComboBox<T> box = Choices.of(id, all, now, words, tip);
    box.setPrefWidth(160);
    return box;
  }

  private SampleSound own() {
    return maker.soundsProperty().get().sample(drum).orElseThrow();
  }

  private void slices(UnaryOperator<Slices> how, String words) {
    SampleSound to = own().cut(how.apply(own().slices()));
    desk.sound(maker.soundsProperty().get().with(drum, to), desk.name(drum) + ": " + words);
  }

  private void cut(Cut how) {
    SampleSound now = own();
    lanes
        .reading()
        .start(
            p -> how.of(now),
            SameTrack.only(
                desk,
                cut -> {
                  if (maker.soundsProperty().get().sample(drum).filter(now::equals).isPresent()) {
                    slices(s -> cut, "cut " + how.words);
                  } else {
                    desk.say("The part has another sound by now: it was not cut.");
                  }
                }),
            e -> desk.say(String.valueOf(e.getMessage())));
  }

  private void lay(boolean through) {
    Template t = desk.templateProperty().get();
    Slices s = own().slices();
    if (t == null || s.beats() == 0) {
      return;
    }
    int here = selection.sectionProperty().get();
    Loops.Loop loop = new Loops.Loop(s.beats(), s.starts(), order.getValue(), gate.getValue());
    desk.edit(
        Loops.lay(t, drum, loop, through ? 0 : here, through ? t.sections().size() - 1 : here));
  }
}
