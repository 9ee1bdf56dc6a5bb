package looseecho.desktop.ledger;

import java.nio.file.Path;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import looseecho.desktop.control.Pages;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.EchoMaker;
import looseecho.desktop.session.Lanes;
import looseecho.desktop.session.Matching;
import looseecho.desktop.session.OwnAudio;
import looseecho.desktop.session.Selection;
import looseecho.desktop.theme.Theme;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.echo.Words;
import looseecho.notes.Line;

/** The template in figures, and the caution about rights. */
public final class EchoLedger extends VBox {
  private static final String GROOVE = "ledger-groove";
  private static final String BEAT = "ledger-beat";
  private static final String RIGHTS =
      "Tempo, key, groove and style are free to learn from in most places; recordings and melodies are often protected. A"
          + " released beat needs its own sounds and its own tune, or a licence. Laws differ: ask a qualified adviser where you live.";

  private final VBox figures = new VBox(2);
  private final Pages pages = new Pages();
  private final GroovePanel groove;

  public EchoLedger(
      Desk desk,
      Selection selection,
      EchoMaker maker,
      Matching matching,
      Lanes lanes,
      OwnAudio own) {
    Label caution = line(RIGHTS);
    caution.getStyleClass().add(Theme.SMALL);
    groove = new GroovePanel(desk, selection, lanes);
    pages
        .with(
            "ledger-part",
            "Part",
            "Sound of the picked part",
            new SoundPanel(desk, selection, maker, lanes, own))
        .with(
            GROOVE,
            "Groove",
            "Timing and loudness from elsewhere",
            groove,
            GroundLedger.rule(),
            caution)
        .with(
            BEAT,
            "Beat",
            "How loose, which tempo and key",
            figures,
            GroundLedger.rule(),
            new LoosePanel(desk, maker),
            GroundLedger.rule(),
            new RetunePanel(desk))
        .with(
            "ledger-whole",
            "Whole",
            "What all parts share, and what was done",
            new SharedSoundPanel(desk, maker, matching),
            GroundLedger.rule(),
            new LogPanel(desk));
    pages.show(BEAT);
    getChildren().add(pages);
    desk.templateProperty().addListener((o, a, b) -> show(b));
    show(desk.templateProperty().get());
  }

  /** Offers the parts and the groove of a MIDI file or a project. */
  public void offer(Path file) {
    pages.show(GROOVE);
    groove.take(file);
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
