package looseecho.desktop;

import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import looseecho.desktop.control.Cards;
import looseecho.desktop.theme.Theme;
import looseecho.echo.Arithmetic;
import looseecho.echo.Words;
import looseecho.notes.Key;

/** The arithmetic of the trade on a card over the bench: note values, intervals, ratios. */
final class ArithmeticCard {
  private static final String ID = "arithmetic";
  private static final double TWO_BARS = 8;

  private final double bpm;
  private final TextField from = field("sum-from", "C4");
  private final TextField to = field("sum-to", "E4");
  private final TextField other = field("sum-tempo", "");
  private final TextField ms = field("sum-ms", "120");
  private final Label interval = number("sum-interval");
  private final Label ratio = number("sum-ratio");
  private final Label nearest = number("sum-nearest");

  private ArithmeticCard(double bpm) {
    this.bpm = bpm;
    other.setText(String.format(Locale.ROOT, "%.0f", bpm + 6));
  }

  /** Shows the card for a tempo, or takes it away. */
  static void show(StackPane over, double bpm) {
    if (!Cards.close(over, ID)) {
      Button close = new Button("Close");
      close.setOnAction(e -> Cards.close(over, ID));
      Cards.show(over, ID, KeyCode.F2, new ArithmeticCard(bpm).content(), close);
    }
  }

  private VBox content() {
    GridPane values = new GridPane(20, 2);
    int row = 0;
    for (Arithmetic.Value v : Arithmetic.noteValues(bpm)) {
      int line = row / 3;
      int column = row % 3 * 2;
      values.add(new Label(v.name()), column, line);
      values.add(small("%.1f ms  %.2f Hz", v.ms(), v.hertz()), column + 1, line);
      row++;
    }
    for (TextField f : new TextField[] {from, to, other, ms}) {
      f.textProperty().addListener((o, a, b) -> count());
    }
    count();
    Label title =
        new Label(
            "At "
                + Words.bpm(bpm)
                + "; two bars of four last "
                + String.format(Locale.ROOT, "%.2f s", TWO_BARS * 60 / bpm));
    title.getStyleClass().add(Theme.HEADING);
    return new VBox(
        12,
        title,
        values,
        row(word("from"), from, word("to"), to, interval),
        row(word("to a tempo of"), other, ratio),
        row(word("recovery of"), ms, word("ms"), nearest));
  }

  private void count() {
    Integer a = pitch(from.getText());
    Integer b = pitch(to.getText());
    interval.setText(
        a == null || b == null
            ? "a note such as F#3"
            : String.format(
                Locale.ROOT,
                "%+d semitones, ratio %.4f, %+.2f Hz",
                b - a,
                Arithmetic.ratio(b - a),
                Arithmetic.shift(a, b)));
    double tempo = value(other.getText());
    double times = tempo / bpm;
    ratio.setText(
        tempo <= 0
            ? "a number"
            : String.format(
                Locale.ROOT,
                "%.4f times as fast, stretch to %.2f %%, or %+.2f semitones",
                times,
                100 / times,
                Arithmetic.semitones(times)));
    double time = value(ms.getText());
    nearest.setText(
        time <= 0
            ? "a number"
            : String.format(
                Locale.ROOT,
                "is about a %s (%.1f ms)",
                Arithmetic.nearest(time, bpm).name(),
                Arithmetic.nearest(time, bpm).ms()));
  }

  private static Integer pitch(String name) {
    for (int p = 0; p < 128; p++) {
      if (Key.note(p).equalsIgnoreCase(name.trim())) {
        return p;
      }
    }
    return null;
  }

  private static double value(String text) {
    try {
      return Double.parseDouble(text.trim().replace(',', '.'));
    } catch (NumberFormatException e) {
      return -1;
    }
  }

  private static HBox row(Node... nodes) {
    HBox box = new HBox(8, nodes);
    box.setAlignment(Pos.CENTER_LEFT);
    return box;
  }

  private static Label word(String text) {
    Label l = new Label(text);
    l.setMinWidth(Region.USE_PREF_SIZE);
    return l;
  }

  private static TextField field(String id, String text) {
    TextField f = new TextField(text);
    f.setId(id);
    f.setPrefWidth(64);
    return f;
  }

  private static Label number(String id) {
    Label l = new Label();
    l.setId(id);
    l.getStyleClass().add(Theme.NUMBER);
    return l;
  }

  private static Label small(String format, Object... values) {
    Label l = new Label(String.format(Locale.ROOT, format, values));
    l.getStyleClass().add(Theme.SMALL);
    return l;
  }
}
