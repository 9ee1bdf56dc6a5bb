package looseecho.desktop.ledger;

import java.util.List;
import java.util.Locale;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import looseecho.activity.Lane;
import looseecho.analysis.Analysis;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.Selection;
import looseecho.desktop.theme.Theme;
import looseecho.form.Section;
import looseecho.hits.Hit;
import looseecho.notes.Chord;
import looseecho.notes.Figure;
import looseecho.notes.Harmony;
import looseecho.notes.Interlock;
import looseecho.notes.Key;
import looseecho.notes.Note;
import looseecho.notes.Tonality;

/** Key, chords, bass and riff of the section at work, in words. */
public final class NotesLedger extends VBox {
  private static final int FIGURES = 3;
  private static final int PLACES = 4;
  private final Desk desk;
  private final Selection selection;

  public NotesLedger(Desk desk, Selection selection) {
    super(8);
    this.desk = desk;
    this.selection = selection;
    desk.analysisProperty().addListener((o, a, b) -> show());
    selection.sectionProperty().addListener((o, a, b) -> show());
    show();
  }

  private void show() {
    getChildren().clear();
    Analysis a = desk.analysisProperty().get();
    if (a == null) {
      return;
    }
    Tonality t = a.tonality();
    getChildren()
        .add(new KeyRow(t, k -> desk.correct(c -> c.withKey(k), "Key set to " + k.words())));
    line("Tuning: " + t.tuningWords() + " (440 Hz)");
    int i = selection.sectionProperty().get();
    if (i < 0 || i >= a.form().sections().size()) {
      return;
    }
    Section s = a.form().sections().get(i);
    getChildren().add(GroundLedger.rule());
    getChildren().add(ReadingRow.heading("In " + s.label() + " " + s.role()));
    if (i < t.sectionKeys().size() && !t.sectionKeys().get(i).value().equals(t.key().value())) {
      line("Taken alone it sounds like " + t.sectionKeys().get(i).value().words());
    }
    line(Harmony.chords(t.chords(), t.key().value(), s.start(), s.end()));
    bass(a, s);
    riff(a, s);
  }

  private static List<Note> within(List<Note> notes, Section s) {
    return notes.stream()
        .filter(n -> n.start() >= s.start() - 0.05 && n.start() < s.end() - 0.05)
        .toList();
  }

  private void bass(Analysis a, Section s) {
    List<Note> notes = within(a.tonality().bass(), s);
    getChildren().add(ReadingRow.heading("Bass, " + notes.size() + " notes"));
    if (notes.isEmpty()) {
      return;
    }
    range(notes, a.tonality().key().value());
    String drone = Harmony.drone(notes, a.tonality().key().value(), s.start(), s.end());
    if (!drone.isEmpty()) {
      line(drone);
    }
    List<Double> kicks =
        a.hits().stream()
            .filter(h -> h.lane() == Lane.KICK && h.time() >= s.start() && h.time() < s.end())
            .map(Hit::time)
            .toList();
    line(sentence(Interlock.of(notes, kicks).words()));
    long roots = notes.stream().filter(n -> "root".equals(part(a, n))).count();
    line(percent(roots, notes.size()) + " of the notes are the chord's root");
    long subs = notes.stream().filter(Note::sub).count();
    long slides = notes.stream().filter(n -> n.glide().isPresent()).count();
    line(
        (subs * 2 > notes.size()
                ? "Carried by a sub"
                : subs > 0 ? "A sub under some notes" : "No sub of its own")
            + (slides == 0 ? "" : slides == 1 ? ", 1 slide" : ", " + slides + " slides"));
  }

  private void riff(Analysis a, Section s) {
    List<Note> notes = within(a.tonality().riff(), s);
    getChildren().add(ReadingRow.heading("Riff, " + notes.size() + " notes"));
    if (notes.isEmpty()) {
      return;
    }
    range(notes, a.tonality().key().value());
    long doubled = notes.stream().filter(Note::doubled).count();
    if (doubled * 2 > notes.size()) {
      line("Doubled an octave away");
    }
    for (Figure f : a.tonality().figures().stream().limit(FIGURES).toList()) {
      String places =
          f.at().stream()
              .limit(PLACES)
              .map(String::valueOf)
              .reduce((x, y) -> x + ", " + y)
              .orElse("");
      line(
          String.format(
              Locale.ROOT,
              "Figure %s, %s, %d notes, %s: bars %s%s",
              f.name(),
              f.bars() == 1 ? "1 bar" : f.bars() + " bars",
              f.notes(),
              f.shape(),
              places,
              f.at().size() > PLACES ? " and " + (f.at().size() - PLACES) + " more" : ""));
    }
  }

  private void range(List<Note> notes, Key key) {
    int low = notes.stream().mapToInt(Note::pitch).min().orElseThrow();
    int high = notes.stream().mapToInt(Note::pitch).max().orElseThrow();
    line("From " + key.noteName(low) + " to " + key.noteName(high));
  }

  private static String part(Analysis a, Note n) {
    Chord c = a.tonality().chordAt(n.start() + 0.02);
    return c == null ? "" : c.part(n.pitch());
  }

  private static String percent(long some, int all) {
    return Math.round(100.0 * some / all) + " %";
  }

  private static String sentence(String s) {
    return Character.toUpperCase(s.charAt(0)) + s.substring(1);
  }

  private void line(String text) {
    Label l = new Label(text);
    l.setWrapText(true);
    l.getStyleClass().add(Theme.SMALL);
    getChildren().add(l);
  }
}
