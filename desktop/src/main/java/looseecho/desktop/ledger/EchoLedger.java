package looseecho.desktop.ledger;

import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.EchoMaker;
import looseecho.desktop.session.Lanes;
import looseecho.desktop.session.Selection;
import looseecho.desktop.theme.Theme;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.echo.Words;
import looseecho.notes.Line;

/** The template in figures, and the caution about rights. */
public final class EchoLedger extends VBox {
  private static final String RIGHTS =
      "Tempo, key, groove and style are free to learn from in most places; recordings and melodies are often protected. A"
          + " released beat needs its own sounds and its own tune, or a licence. Laws differ: ask a qualified adviser where you live.";

  private final VBox figures = new VBox(2);

  public EchoLedger(Desk desk, Selection selection, EchoMaker maker, Lanes lanes) {
    super(10);
    Label caution = line(RIGHTS);
    caution.getStyleClass().add(Theme.SMALL);
    getChildren()
        .addAll(
            figures,
            GroundLedger.rule(),
            new LoosePanel(desk, maker),
            GroundLedger.rule(),
            new SoundPanel(desk, selection, maker),
            GroundLedger.rule(),
            new SharedSoundPanel(desk, maker),
            GroundLedger.rule(),
            new GroovePanel(desk, selection, lanes),
            GroundLedger.rule(),
            new RetunePanel(desk),
            GroundLedger.rule(),
            new LogPanel(desk),
            GroundLedger.rule(),
            caution);
    desk.templateProperty().addListener((o, a, b) -> show(b));
    show(desk.templateProperty().get());
  }

  private void show(Template t) {
    figures.getChildren().clear();
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
            .mapToDouble(Stroke::offsetMs)
            .filter(o -> Math.abs(o) >= 5)
            .count();
    int notes = t.sections().stream().mapToInt(s -> s.notes(Line.BASS).size()).sum();
    figures
        .getChildren()
        .addAll(
            ReadingRow.heading("Your template"),
            big(Words.bpm(t.bpm())),
            line(t.key().words() + ", " + t.sections().size() + " sections"),
            line(hits + " hits, " + moved + " of them 5 ms or more off the grid"),
            line(notes + " bass notes"));
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
