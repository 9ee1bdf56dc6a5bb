package looseecho.desktop.ledger;

import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import looseecho.desktop.session.Session;
import looseecho.desktop.theme.Theme;
import looseecho.echo.StepHit;
import looseecho.echo.Template;
import looseecho.echo.Words;
import looseecho.notes.Line;

/** The template in figures, and the caution about rights. */
public final class EchoLedger extends VBox {
  private static final String RIGHTS =
      "Tempo, key, groove and style are free to learn from in most places; recordings and melodies are often protected. A"
          + " released beat needs its own sounds and its own tune, or a licence. Laws differ: ask a qualified adviser where you live.";

  public EchoLedger(Session session) {
    super(12);
    session.templateProperty().addListener((o, a, b) -> show(b));
    show(session.templateProperty().get());
  }

  private void show(Template t) {
    getChildren().clear();
    if (t == null) {
      return;
    }
    int hits =
        t.sections().stream()
            .mapToInt(s -> s.drums().values().stream().mapToInt(java.util.List::size).sum())
            .sum();
    long moved =
        t.sections().stream()
            .flatMap(s -> s.drums().values().stream())
            .flatMap(java.util.List::stream)
            .mapToDouble(StepHit::offsetMs)
            .filter(o -> Math.abs(o) >= 5)
            .count();
    int notes = t.sections().stream().mapToInt(s -> s.notes(Line.BASS).size()).sum();
    getChildren()
        .addAll(
            ReadingRow.heading("Your template"),
            big(Words.bpm(t.bpm())),
            line(t.key().words()),
            line(t.sections().size() + " sections"),
            line(hits + " drum hits, " + moved + " off the grid by 5 ms or more"),
            line(notes + " bass notes"));
    Label caution = line(RIGHTS);
    caution.getStyleClass().add(Theme.SMALL);
    getChildren().addAll(GroundLedger.rule(), caution);
  }

  private static Label big(String text) {
    Label l = new Label(text);
    l.getStyleClass().add(Theme.BIG_NUMBER);
    return l;
  }

  private static Label line(String text) {
    Label l = new Label(text);
    l.setWrapText(true);
    return l;
  }
}
