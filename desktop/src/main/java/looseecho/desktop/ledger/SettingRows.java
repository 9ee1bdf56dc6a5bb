package looseecho.desktop.ledger;

import java.util.Locale;
import java.util.function.DoubleFunction;
import java.util.function.DoubleUnaryOperator;
import java.util.function.Function;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.layout.GridPane;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.EchoMaker;
import looseecho.desktop.theme.Theme;
import looseecho.mix.Colour;
import looseecho.mix.Sounds;

/** Rows of sliders that change the sounds, each with its name and value. */
final class SettingRows extends GridPane {
  private static final double STEEP = 15; // wider ranges are spread by ratio

  private final Desk desk;
  private final EchoMaker maker;
  private final String of;
  private int row;
  private boolean setting;

  /** What a slider's value makes of the sounds. */
  interface Change {
    Sounds of(double value);
  }

  /** {@code of} names in the logbook what the settings belong to. */
  SettingRows(Desk desk, EchoMaker maker, String of) {
    super(8, 2);
    this.desk = desk;
    this.maker = maker;
    this.of = of;
  }

  /** A colour, as bars. */
  void bars(String name, Colour now, Function<Colour, Sounds> change) {
    Label label = new Label(name);
    label.setMinWidth(72);
    ColourBars bars = new ColourBars(name, now, (c, words) -> set(name, words, change.apply(c)));
    addRow(row++, label, bars);
    setColumnSpan(bars, 2);
  }

  /** A setting; it is done when the slider is let go, so that undo takes back one gesture. */
  void slider(String name, double min, double max, double value, String format, Change change) {
    DoubleFunction<String> words = v -> String.format(Locale.ROOT, format, v);
    slider(name, min, max, value, words, change);
  }

  void slider(
      String name,
      double min,
      double max,
      double value,
      DoubleFunction<String> words,
      Change change) {
    boolean steep = min > 0 && max / min > STEEP;
    DoubleUnaryOperator in = steep ? Math::log : v -> v;
    DoubleUnaryOperator out = steep ? Math::exp : v -> v;
    Slider s = new Slider(in.applyAsDouble(min), in.applyAsDouble(max), in.applyAsDouble(value));
    s.setId("sound-" + name.replace(' ', '-'));
    s.setPrefWidth(70);
    s.setBlockIncrement((s.getMax() - s.getMin()) / 20);
    Label number = new Label(words.apply(value));
    number.getStyleClass().add(Theme.SMALL);
    s.valueProperty()
        .addListener(
            (o, a, b) -> {
              double v = out.applyAsDouble(b.doubleValue());
              number.setText(words.apply(v));
              if (!s.isValueChanging()) {
                set(name, words.apply(v), change.of(v));
              }
            });
    s.valueChangingProperty()
        .addListener(
            (o, was, now) -> {
              if (!now) {
                double v = out.applyAsDouble(s.getValue());
                set(name, words.apply(v), change.of(v));
              }
            });
    number.setMinWidth(64);
    Label label = new Label(name);
    label.setMinWidth(72);
    addRow(row++, label, s, number);
  }

  private void set(String name, String value, Sounds to) {
    if (!to.equals(maker.soundsProperty().get())) {
      String words = of + ": " + name + " " + value.replaceAll("\\R", ", ");
      setting = true;
      desk.sound(to, words, of + ": " + name);
      setting = false;
    }
  }

  /** True while one of these rows makes a change: then they must not be made anew under it. */
  boolean isSetting() {
    return setting;
  }

  /** Left, middle or right, in hundredths. */
  static String side(double pan) {
    long share = Math.round(100 * Math.abs(pan));
    return share == 0 ? "middle" : (pan < 0 ? "left " : "right ") + share + " %";
  }

  static String percent(double share) {
    return Math.round(100 * share) + " %";
  }
}
