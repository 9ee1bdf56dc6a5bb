package looseecho.desktop.ledger;

import java.util.List;
import java.util.Locale;
import java.util.function.DoubleFunction;
import java.util.function.DoubleUnaryOperator;
import java.util.function.Function;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import looseecho.desktop.control.Choices;
import looseecho.desktop.control.Dials;
import looseecho.desktop.control.Tips;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.EchoMaker;
import looseecho.desktop.theme.Theme;
import looseecho.mix.Colour;
import looseecho.mix.Sounds;

/** Rows of sliders that change the sounds, each with its name and value. */
public final class SettingRows extends GridPane {
  private static final double STEEP = 15; // wider ranges are spread by ratio

  private final Desk desk;
  private final EchoMaker maker;
  private final String of;
  private int row;
  private boolean setting;

  /** What a slider's value makes of the sounds. */
  public interface Change {
    Sounds of(double value);
  }

  /** {@code of} names in the logbook what the settings belong to. */
  public SettingRows(Desk desk, EchoMaker maker, String of) {
    super(6, 2);
    this.desk = desk;
    this.maker = maker;
    this.of = of;
  }

  /** A colour, as bars. */
  public void bars(String name, Colour now, Function<Colour, Sounds> change) {
    Label label = new Label(name);
    label.setMinWidth(72);
    ColourBars bars = new ColourBars(name, now, (c, words) -> set(name, words, change.apply(c)));
    addRow(row++, label, bars);
    setColumnSpan(bars, 2);
  }

  /** From where to where a dial goes, and its usual value, which a double click gives back. */
  public record Range(double min, double max, double usual) {}

  /**
   * A setting that can be dragged, typed in or put back, as {@link Dials} says; it is done when the
   * slider is let go, so that undo takes back one gesture.
   */
  public void dial(
      String name, Range range, double value, DoubleFunction<String> words, Change change) {
    double min = range.min();
    double max = range.max();
    boolean steep = min > 0 && max / min > STEEP;
    DoubleUnaryOperator in = steep ? Math::log : v -> v;
    DoubleUnaryOperator out = steep ? Math::exp : v -> v;
    Slider s = new Slider(in.applyAsDouble(min), in.applyAsDouble(max), in.applyAsDouble(value));
    s.setId("sound-" + name.replace(' ', '-'));
    s.setPrefWidth(70);
    s.setMinWidth(30);
    s.setMaxWidth(170);
    GridPane.setHgrow(s, Priority.SOMETIMES);
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
    label.setMinWidth(Region.USE_PREF_SIZE);
    String keys =
        "Drag it, click its number or press Enter to type, double click or Backspace for the usual value";
    Tips.on(label, keys);
    Tips.on(s, keys);
    s.setAccessibleText(of + ": " + name);
    DoubleUnaryOperator within = v -> in.applyAsDouble(Math.max(min, Math.min(max, v)));
    Dials.join(s, number, within.applyAsDouble(range.usual()), within);
    addRow(row++, label, s, number);
  }

  /** The same with the number as a format tells it. */
  public void dial(String name, Range range, double value, String format, Change change) {
    dial(
        name,
        range,
        value,
        (DoubleFunction<String>) v -> String.format(Locale.ROOT, format, v),
        change);
  }

  /** A setting of a few values. */
  public <T> void choice(
      String name, List<T> values, T now, Function<T, String> words, Function<T, Sounds> change) {
    ComboBox<T> box =
        Choices.of("sound-" + name.replace(' ', '-'), values, now, words, "Sets: " + name);
    box.setOnAction(e -> set(name, words.apply(box.getValue()), change.apply(box.getValue())));
    Label label = new Label(name);
    label.setMinWidth(72);
    addRow(row++, label, box);
    setColumnSpan(box, 2);
  }

  /** Something that is told, not set; its words are put into the label of that id. */
  public void told(String name, String id) {
    Label words = new Label();
    words.setId(id);
    words.getStyleClass().add(Theme.SMALL);
    addRow(row++, new Label(name), words);
    setColumnSpan(words, 2);
  }

  /** A heading over the rows that follow. */
  public void heading(String words) {
    Label label = new Label(words);
    label.getStyleClass().add(Theme.HEADING);
    add(label, 0, row++, 3, 1);
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
  public boolean isSetting() {
    return setting;
  }

  /** Left, middle or right, in hundredths. */
  public static String side(double pan) {
    long share = Math.round(100 * Math.abs(pan));
    return share == 0 ? "middle" : (pan < 0 ? "left " : "right ") + share + " %";
  }

  public static String percent(double share) {
    return Math.round(100 * share) + " %";
  }
}
