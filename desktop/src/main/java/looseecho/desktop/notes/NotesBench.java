package looseecho.desktop.notes;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextInputControl;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import looseecho.desktop.control.BarChooser;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.control.GridWords;
import looseecho.desktop.control.HereMenu;
import looseecho.desktop.control.Legend;
import looseecho.desktop.control.Menus;
import looseecho.desktop.control.Tips;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.EchoMaker;
import looseecho.desktop.session.Playback;
import looseecho.desktop.session.Selection;
import looseecho.desktop.theme.Theme;
import looseecho.echo.ChordShape;
import looseecho.echo.CleanUp;
import looseecho.echo.LinePart;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.echo.Tone;
import looseecho.echo.Turn;
import looseecho.notes.Line;
import looseecho.pulse.Grid;

/** Bass, riff and chords over four bars: heard against the echo, to be edited, turned, cleaned. */
public final class NotesBench extends VBox {
  private final Desk desk;
  private final Selection selection;
  private final Playback playback;
  private final BarChooser chooser;
  private final Label hint = new Label();
  private final NoteEditor editor;
  private final NotesChart chart;
  private final ComboBox<Grid> lines = new ComboBox<>();
  private final Map<LinePart, ToggleButton> chips = new LinkedHashMap<>();
  private final HBox chipRow = new HBox(8);
  private final ToggleGroup group = new ToggleGroup();
  private final ToggleButton alone = new ToggleButton("Alone");
  private final CleanStrip clean = new CleanStrip(this::show, this::cleanUp);

  public NotesBench(Desk desk, Selection selection, Playback playback, EchoMaker maker) {
    super(6);
    this.desk = desk;
    this.selection = selection;
    this.playback = playback;
    getStyleClass().add("bench");
    chooser = new BarChooser(desk, selection, false);
    editor = new NoteEditor(desk, selection, maker);
    chart = new NotesChart(editor, this::choose, hint::setText);
    VBox.setVgrow(chart, Priority.ALWAYS);
    HereMenu.on(
        chart,
        "Add a note",
        "Enter",
        "Take it out",
        "Delete",
        "A degree up",
        "Up",
        "A degree down",
        "Down",
        "A semitone up",
        "Alt+Up",
        "Louder",
        "Shift+Up",
        "Longer",
        "Shift+Right",
        "Hear it",
        "H",
        "This line alone",
        "A");
    hint.getStyleClass().add(Theme.QUIET);
    Label legend =
        new Legend(
            "Hollow: heard; dotted where outside the key. Solid: your echo, paler where softer. A stalk on a kick: a bass note falls with it.");
    getChildren().addAll(chooser, tools(), chart, hint, clean, legend);
    desk.templateProperty().addListener((o, a, b) -> show());
    selection.sectionProperty().addListener((o, a, b) -> fresh());
    chooser.barProperty().addListener((o, a, b) -> show());
    playback.soloProperty().addListener((o, a, b) -> alone.setSelected(b instanceof LinePart));
    addEventHandler(KeyEvent.KEY_PRESSED, this::key);
    choose(Part.of(Line.BASS));
  }

  private HBox tools() {
    chipRow.setAlignment(Pos.CENTER_LEFT);
    HBox box = new HBox(8, chipRow);
    alone.setId("line-alone");
    Tips.on(alone, "This line alone, heard and echo (A)");
    alone.setOnAction(e -> solo(alone.isSelected()));
    Button hear = Buttons.of("hear-note", "Hear note", "The picked note (H)", editor::hear);
    Menus turns = Menus.of("turns", "Turn", "Transforms the picked notes, or the whole line");
    for (Turn turn : Turn.values()) {
      turns.add("turn-" + turn.name(), turn.words(), () -> editor.turn(turn));
    }
    turns.line();
    for (ChordShape shape : ChordShape.values()) {
      turns.add(
          "shape-" + shape.name(),
          shape.words() + ", on its lines",
          () -> editor.shape(shape, editor.grid()));
    }
    lines.setId("note-lines");
    lines.getItems().setAll(Grid.values());
    lines.setConverter(new GridWords());
    lines.setValue(Grid.SIXTEENTH);
    Tips.on(lines, "The lines that notes of this line are moved by");
    lines.setPrefWidth(124);
    lines.setOnAction(
        e -> {
          selection.linesOf(editor.line()).set(lines.getValue());
          show();
        });
    for (Region b : List.of(alone, hear)) {
      b.setMinWidth(Region.USE_PREF_SIZE);
    }
    box.getChildren().addAll(alone, hear, turns.button(), lines);
    box.setAlignment(Pos.CENTER_LEFT);
    return box;
  }

  /** A chip per line of notes: the three kinds always, and those that were added. */
  private void chips() {
    Template t = desk.templateProperty().get();
    Map<LinePart, String> wanted = new LinkedHashMap<>();
    for (Line line : Line.SHOWN) {
      wanted.put(Part.of(line), desk.name(Part.of(line)));
      if (t != null) {
        Part.of(t).stream()
            .flatMap(p -> p.asLine().stream())
            .filter(p -> p.line() == line)
            .forEach(p -> wanted.put(p, t.name(p)));
      }
    }
    Map<LinePart, String> now = new LinkedHashMap<>();
    chips.forEach((part, chip) -> now.put(part, chip.getText()));
    if (!new ArrayList<>(now.entrySet()).equals(new ArrayList<>(wanted.entrySet()))) {
      chips.clear();
      wanted.forEach((part, name) -> chips.put(part, chip(part, name)));
      chipRow.getChildren().setAll(chips.values());
    }
    if (!chips.containsKey(editor.line())) {
      choose(Part.of(editor.line().line()));
    }
    chips.get(editor.line()).setSelected(true);
  }

  private ToggleButton chip(LinePart part, String name) {
    ToggleButton b = new ToggleButton(name);
    b.setId("line-" + part.words().replace(' ', '-'));
    b.getStyleClass().add(Theme.CHIP);
    b.setMinWidth(Region.USE_PREF_SIZE);
    b.setToggleGroup(group);
    Tips.on(b, "Work on the " + name + " (L goes to the next line)");
    b.setOnAction(e -> choose(part));
    return b;
  }

  private void choose(LinePart line) {
    editor.line(line);
    lines.setValue(editor.grid());
    if (playback.soloProperty().get() instanceof LinePart) {
      playback.soloProperty().set(line);
    }
    fresh();
  }

  private void solo(boolean on) {
    if (on && !playback.canSlow()) {
      desk.messageProperty().set("This works for tracks of up to a quarter of an hour.");
      alone.setSelected(false);
      return;
    }
    playback.soloProperty().set(on ? editor.line() : null);
  }

  /** Another line or section: the clean-up starts anew. */
  private void fresh() {
    clean.reset();
    show();
  }

  private CleanUp.Result cleaned(NotesView view) {
    return new CleanUp(clean.settings(), view.key().tonic(), view.tickMs()).clean(editor.notes());
  }

  private NotesView view() {
    return NotesView.of(
        desk.analysisProperty().get(),
        desk.templateProperty().get(),
        selection.sectionProperty().get(),
        Math.max(0, chooser.barProperty().get()));
  }

  private void show() {
    chips();
    NotesView view = view();
    List<Tone> preview = null;
    if (!clean.settings().equals(CleanUp.Settings.NOTHING)) {
      CleanUp.Result r = cleaned(view);
      preview = r.notes();
      clean.tell(editor.notes().size(), r);
    }
    chart.show(view, preview);
  }

  private void cleanUp() {
    if (clean.settings().equals(CleanUp.Settings.NOTHING)) {
      desk.messageProperty().set("Move a slider first: each says what it would do.");
      return;
    }
    int before = editor.notes().size();
    CleanUp.Result r = cleaned(view());
    clean.reset();
    editor.replace(
        r.notes(),
        "Cleaned up the "
            + desk.name(editor.line())
            + ": "
            + before
            + " notes, now "
            + r.notes().size());
  }

  private void key(KeyEvent e) {
    if (e.getTarget() instanceof TextInputControl || e.isShortcutDown()) {
      return;
    }
    switch (e.getCode()) {
      case A -> solo(playback.soloProperty().get() == null);
      case H -> editor.hear();
      case L -> {
        List<LinePart> all = List.copyOf(chips.keySet());
        choose(all.get((all.indexOf(editor.line()) + 1) % all.size()));
      }
      default -> {
        return;
      }
    }
    e.consume();
  }
}
