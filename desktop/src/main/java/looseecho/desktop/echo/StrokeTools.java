package looseecho.desktop.echo;

import java.util.Optional;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import javafx.geometry.Pos;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import looseecho.desktop.control.GridWords;
import looseecho.desktop.control.Menus;
import looseecho.desktop.control.Tips;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.Selection;
import looseecho.desktop.theme.Theme;
import looseecho.echo.Brush;
import looseecho.echo.Cell;
import looseecho.echo.DrumPart;
import looseecho.echo.Edits;
import looseecho.echo.Gap;
import looseecho.echo.Manner;
import looseecho.echo.Part;
import looseecho.echo.Pockets;
import looseecho.echo.Stretch;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.echo.Words;
import looseecho.notes.Line;
import looseecho.pulse.Grid;

/** The row over the steps: the grid, how the stroke under the cursor is struck, quicker writing. */
final class StrokeTools extends HBox {
  private static final int LOUD = 100;
  private static final int SOFT = 35;
  private static final double FLAM_STEP_MS = 3;

  private final Desk desk;
  private final Selection selection;
  private final Place place;
  private Pockets pockets = Pockets.NONE;
  private long draws;
  private final CheckBox everyBar = new CheckBox("in every bar");

  /** Where the bench's cursor is. */
  interface Place {
    /** The place under the cursor; empty where the bar has none. */
    Optional<Cell> cell(Template t);

    /** From the mark to the cursor, or the bar shown. */
    Stretch stretch(Template t);

    /** Index of the bar shown. */
    int bar();
  }

  StrokeTools(Desk desk, Selection selection, Place place, Runnable copyBar) {
    super(8);
    this.desk = desk;
    this.selection = selection;
    this.place = place;
    setAlignment(Pos.CENTER_LEFT);
    everyBar.setId("every-bar");
    Tips.on(everyBar, "What you put or take is put or taken in every bar of the section");
    everyBar.setSelected(true);
    ComboBox<Grid> grid = new ComboBox<>();
    grid.setId("grid");
    grid.getItems().setAll(Grid.values());
    grid.setConverter(new GridWords());
    grid.valueProperty().bindBidirectional(selection.gridProperty());
    Tips.on(grid, "The lines of this part (L, Shift+L)");
    grid.setPrefWidth(128);
    Label lines = new Label("lines");
    lines.getStyleClass().add(Theme.QUIET);
    getChildren().addAll(lines, grid, everyBar, stroke().button(), write(copyBar).button());
  }

  private Menus stroke() {
    return Menus.of("stroke", "Stroke", "How the hit under the cursor is struck")
        .add("ornament", "Flam or roll, round and round  (V)", this::ornament)
        .add("flam-wider", "Flam wider  (U)", () -> flam(FLAM_STEP_MS))
        .add("flam-closer", "Flam closer  (Shift+U)", () -> flam(-FLAM_STEP_MS))
        .line()
        .add("pitch-up", "A semitone higher  (P)", () -> pitch(1))
        .add("pitch-down", "A semitone lower  (Shift+P)", () -> pitch(-1))
        .add("pitch-kind", "Pitched by speed, length kept, in hertz  (Y)", this::bend)
        .line()
        .add("reverse", "Backwards, ending here  (W)", this::reverse)
        .line()
        .add("throw-room", "Thrown into the room, or not", () -> thrown(true))
        .add("throw-delay", "Thrown into the delay, or not", () -> thrown(false));
  }

  private Menus write(Runnable copyBar) {
    Menus menu =
        Menus.of(
            "write",
            "Write",
            "Quicker writing in the bar, or from the mark (B) to the cursor, for the picked part");
    for (int n = 1; n <= 4; n++) {
      int lines = n;
      String words = n == 1 ? "Fill every line" : "Fill " + Words.nth(n) + " line";
      menu.add("fill-" + n, words, () -> fill(lines));
    }
    menu.line()
        .add(
            "ramp-up",
            "Louder and louder",
            () -> drum((t, l, s) -> Brush.ramp(t, l, s, SOFT, LOUD)))
        .add(
            "ramp-down",
            "Softer and softer",
            () -> drum((t, l, s) -> Brush.ramp(t, l, s, LOUD, SOFT)))
        .add(
            "climb",
            "Each hit a semitone higher",
            () -> drum((t, l, s) -> Brush.pitch(t, l, s, 1, 1, false)))
        .add(
            "every-second-lower",
            "Every second hit two lower",
            () -> drum((t, l, s) -> Brush.pitch(t, l, s, 2, -2, true)))
        .line()
        .add("erase", "Erase", () -> edit(t -> Brush.erase(t, part(), place.stretch(t))));
    for (Brush.Level level : Brush.Level.values()) {
      menu.add(
          "without-" + level,
          "Without " + level.words(),
          () -> drum((t, l, s) -> Brush.without(t, l, s, level)));
    }
    menu.line().add("copy-bar", "This bar to the next  (C)", copyBar);
    for (Brush.Where where : Brush.Where.values()) {
      menu.add(
          "bar-" + where,
          "This bar to " + where.words(),
          () -> edit(t -> Brush.spread(t, section(), part(), place.bar(), where)));
    }
    return menu.line()
        .add("more-feel", "A quarter more of its feel", () -> feel(1.25))
        .add("less-feel", "A quarter less of its feel", () -> feel(0.75))
        .line()
        .add("pocket", "This bar is a pocket, or no more", this::pocket)
        .add("pockets", "Play this section from the pockets", this::pockets)
        .line()
        .add("answer", "Riff answers the bass in its gap", this::answer);
  }

  boolean everyBar() {
    return everyBar.isSelected();
  }

  private int section() {
    return selection.sectionProperty().get();
  }

  private Part part() {
    return selection.partProperty().get();
  }

  private void edit(Function<Template, Edits.Edited> how) {
    Template t = desk.templateProperty().get();
    if (t != null && section() >= 0) {
      desk.edit(how.apply(t));
    }
  }

  private interface OnDrum {
    Edits.Edited of(Template t, DrumPart drum, Stretch s);
  }

  private void drum(OnDrum how) {
    if (part() instanceof DrumPart drum) {
      edit(t -> how.of(t, drum, place.stretch(t)));
    } else {
      desk.say("Pick a drum first: this is for hits.");
    }
  }

  private void fill(int lines) {
    Grid grid = selection.gridProperty().get();
    if (grid == Grid.NONE) {
      desk.say("Choose lines first: 8ths, 16ths or another grid.");
      return;
    }
    drum((t, l, s) -> Brush.every(t, l, s, grid, lines, LOUD));
  }

  private void feel(double amount) {
    drum((t, l, s) -> Brush.feel(t, s.section(), l, amount));
  }

  private void pocket() {
    pockets = pockets.toggled(new Pockets.Bar(section(), place.bar()));
    int n = pockets.bars().size();
    desk.say(n == 1 ? "One bar is a pocket" : n + " bars are pockets");
  }

  /** Another draw each time. */
  private void pockets() {
    edit(t -> pockets.lay(t, section(), part(), draws++));
  }

  private void answer() {
    edit(
        t -> {
          Stretch here = place.stretch(t);
          return Gap.of(t, section(), Part.of(Line.BASS)).stream()
              .filter(g -> g.stretch().from() < here.to() && g.stretch().to() > here.from())
              .findFirst()
              .map(g -> g.answer(t, Part.of(Line.RIFF)))
              .orElse(new Edits.Edited(t, "The bass leaves no gap of a quarter here"));
        });
  }

  private void struck(UnaryOperator<Manner> how, String gesture, Function<Stroke, String> words) {
    Template t = desk.templateProperty().get();
    Optional<Cell> cell = t == null ? Optional.empty() : place.cell(t);
    cell.ifPresent(
        c -> desk.edit(Edits.change(t, c, h -> h.with(how.apply(h.manner())), gesture, words)));
  }

  private void ornament() {
    Template t = desk.templateProperty().get();
    if (t != null) {
      place.cell(t).ifPresent(c -> desk.edit(Edits.ornament(t, c)));
    }
  }

  private void flam(double wider) {
    struck(
        m -> m.flam(m.flamMs() + wider),
        "flam",
        h -> ": flam of " + Math.round(h.manner().flamMs()) + " ms");
  }

  private void pitch(double by) {
    struck(m -> m.pitched(m.pitch() + by, m.bend()), "pitch", StrokeTools::pitched);
  }

  private void bend() {
    Manner.Bend[] all = Manner.Bend.values();
    struck(
        m -> m.pitched(m.pitch(), all[(m.bend().ordinal() + 1) % all.length]),
        "",
        StrokeTools::pitched);
  }

  private static String pitched(Stroke h) {
    double pitch = h.manner().pitch();
    return pitch == 0
        ? ": as it is, pitched " + h.manner().bend().words()
        : ": "
            + Words.semitones(Math.abs(pitch))
            + (pitch > 0 ? " higher, " : " lower, ")
            + h.manner().bend().words();
  }

  private void reverse() {
    struck(
        m -> m.turned(!m.reversed()),
        "",
        h -> h.manner().reversed() ? " ends here, backwards" : " plays forwards");
  }

  private void thrown(boolean room) {
    struck(
        m ->
            room
                ? m.thrown(m.toRoom() > 0 ? 0 : 1, m.toDelay())
                : m.thrown(m.toRoom(), m.toDelay() > 0 ? 0 : 1),
        "",
        h -> h.manner().toRoom() + h.manner().toDelay() > 0 ? h.manner().words() : " is dry");
  }

  private void grid(int by) {
    Grid[] all = Grid.values();
    int next = Math.floorMod(selection.gridProperty().get().ordinal() + by, all.length);
    selection.gridProperty().set(all[next]);
    desk.say(desk.name(part()) + " on " + all[next].words());
  }

  /** True when the key was one of these tools'. */
  boolean key(KeyEvent e) {
    int way = e.isShiftDown() ? -1 : 1;
    switch (e.getCode()) {
      case V -> ornament();
      case L -> grid(way);
      case P -> pitch(way);
      case Y -> bend();
      case U -> flam(way * FLAM_STEP_MS);
      case W -> reverse();
      default -> {
        return false;
      }
    }
    return true;
  }
}
