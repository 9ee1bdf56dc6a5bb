package looseecho.desktop.ledger;

import java.nio.file.Path;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import looseecho.desktop.control.Tips;
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
  private static final String RIGHTS =
      "Tempo, key, groove and style are free to learn from in most places; recordings and melodies are often protected. A"
          + " released beat needs its own sounds and its own tune, or a licence. Laws differ: ask a qualified adviser where you live.";

  private final VBox figures = new VBox(2);
  private final ToggleGroup group = new ToggleGroup();
  private final GroovePanel groove;

  public EchoLedger(
      Desk desk,
      Selection selection,
      EchoMaker maker,
      Matching matching,
      Lanes lanes,
      OwnAudio own) {
    super(10);
    Label caution = line(RIGHTS);
    caution.getStyleClass().add(Theme.SMALL);
    groove = new GroovePanel(desk, selection, lanes);
    VBox part =
        pages(new SoundPanel(desk, selection, maker, lanes, own), GroundLedger.rule(), groove);
    VBox beat =
        pages(
            figures,
            GroundLedger.rule(),
            new LoosePanel(desk, maker),
            GroundLedger.rule(),
            new RetunePanel(desk));
    VBox whole =
        pages(new SharedSoundPanel(desk, maker, matching), GroundLedger.rule(), new LogPanel(desk));
    HBox chips =
        new HBox(
            6,
            chip("ledger-part", "Part", "Sound and groove of the picked part", part),
            chip("ledger-beat", "New beat", "How loose, which tempo and key", beat),
            chip("ledger-whole", "Whole", "What all parts share, and what was done", whole));
    getChildren().addAll(chips, part, beat, whole, GroundLedger.rule(), caution);
    group.selectToggle(group.getToggles().get(1));
    group.selectedToggleProperty().addListener((o, a, b) -> group.selectToggle(b == null ? a : b));
    desk.templateProperty().addListener((o, a, b) -> show(b));
    show(desk.templateProperty().get());
  }

  /** Offers the parts and the groove of a MIDI file or a project. */
  public void offer(Path file) {
    group.selectToggle(group.getToggles().get(0));
    groove.take(file);
  }

  private static VBox pages(Node... panels) {
    return new VBox(10, panels);
  }

  /** A chip that shows its page and hides the others. */
  private ToggleButton chip(String id, String text, String tip, VBox page) {
    ToggleButton chip = new ToggleButton(text);
    chip.setId(id);
    chip.getStyleClass().add(Theme.CHIP);
    chip.setToggleGroup(group);
    Tips.on(chip, tip);
    page.visibleProperty().bind(chip.selectedProperty());
    page.managedProperty().bind(chip.selectedProperty());
    return chip;
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
