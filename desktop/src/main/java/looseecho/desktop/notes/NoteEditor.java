package looseecho.desktop.notes;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.EchoMaker;
import looseecho.desktop.session.Selection;
import looseecho.echo.ChordShape;
import looseecho.echo.Edits;
import looseecho.echo.LinePart;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.echo.Tone;
import looseecho.echo.Turn;
import looseecho.notes.Key;
import looseecho.notes.Line;
import looseecho.pulse.Grid;
import looseecho.pulse.Meter;

/** Changes the selected notes of a line of the section at work; every change can be undone. */
final class NoteEditor {
  private static final int USUAL_VELOCITY = 90;
  private final Desk desk;
  private final Selection selection;
  private final EchoMaker maker;
  private final Set<Integer> selected = new TreeSet<>(); // indices into the line's notes
  private LinePart line = Part.of(Line.BASS);

  NoteEditor(Desk desk, Selection selection, EchoMaker maker) {
    this.desk = desk;
    this.selection = selection;
    this.maker = maker;
  }

  String name(LinePart part) {
    return desk.name(part);
  }

  LinePart line() {
    return line;
  }

  void line(LinePart other) {
    if (!line.equals(other)) {
      line = other;
      selected.clear();
    }
  }

  /** All notes of the line in the section. */
  List<Tone> notes() {
    Template t = desk.templateProperty().get();
    int s = selection.sectionProperty().get();
    return t == null || s < 0 ? List.of() : t.sections().get(s).notes(line);
  }

  /** Forgets what is no longer there. */
  void refresh() {
    int size = notes().size();
    selected.removeIf(i -> i >= size);
  }

  Set<Integer> selected() {
    return selected;
  }

  List<Tone> selectedNotes() {
    List<Tone> all = notes();
    return selected.stream().map(all::get).toList();
  }

  void select(List<Integer> indices, boolean more) {
    if (!more) {
      selected.clear();
    }
    selected.addAll(indices);
  }

  void selectAll() {
    for (int i = 0; i < notes().size(); i++) {
      selected.add(i);
    }
  }

  /** Selects the note after or before the selection. */
  void next(int by) {
    int size = notes().size();
    if (size > 0) {
      int from = selected.isEmpty() ? (by > 0 ? -1 : 0) : selected.iterator().next();
      select(List.of(Math.floorMod(from + by, size)), false);
    }
  }

  private int ticks() {
    return desk.templateProperty().get().ticks(selection.sectionProperty().get());
  }

  /** Ticks that a note is moved by. */
  int cell() {
    return grid().cell();
  }

  /** The lines that the line of notes is written on. */
  Grid grid() {
    return selection.linesOf(line).get();
  }

  private Key key() {
    return desk.templateProperty().get().key();
  }

  /** Moves the selection by steps and rungs; what would leave the section or MIDI stays. */
  void move(int steps, int rungs) {
    int end = ticks();
    change(
        n -> {
          int pitch = key().moved(n.pitch(), rungs);
          int tick = n.tick() + steps * cell();
          return tick < 0 || tick >= end || pitch < 0 || pitch > 127
              ? n
              : n.at(tick, n.offsetMs()).pitched(pitch);
        },
        steps == 0
            ? amount(rungs, "degree") + (rungs > 0 ? " up" : " down")
            : amount(steps, "step")
                + (steps > 0 ? " later" : " earlier")
                + (rungs == 0
                    ? ""
                    : ", " + amount(rungs, "degree") + (rungs > 0 ? " up" : " down")));
  }

  private static String amount(int by, String unit) {
    return Math.abs(by) + " " + unit + (Math.abs(by) == 1 ? "" : "s");
  }

  void semitone(int by) {
    change(
        n -> n.pitched(Math.max(0, Math.min(127, n.pitch() + by))),
        "a semitone " + (by > 0 ? "up" : "down"));
  }

  void lengthen(int steps) {
    change(
        n -> n.lasting(Math.max(Meter.STEP / 4, n.lengthTicks() + steps * cell())),
        steps > 0 ? "a step longer" : "a step shorter",
        "length " + line + selected);
  }

  void louder(int by) {
    change(
        n -> n.loud(n.velocity() + by),
        by > 0 ? "louder" : "softer",
        "loudness " + line + selected);
  }

  private void change(UnaryOperator<Tone> how, String words) {
    change(how, words, "");
  }

  private void change(UnaryOperator<Tone> how, String words, String gesture) {
    if (selected.isEmpty()) {
      desk.messageProperty().set("Pick a note first: click it, or step to it with , and .");
      return;
    }
    List<Tone> all = new ArrayList<>(notes());
    List<Tone> changed = new ArrayList<>();
    for (int i : selected) {
      Tone n = how.apply(all.get(i));
      all.set(i, n);
      changed.add(n);
    }
    put(all, changed, count() + " of the " + desk.name(line) + " " + words, gesture);
  }

  void delete() {
    List<Tone> all = new ArrayList<>(notes());
    List<Tone> gone = selectedNotes();
    if (!gone.isEmpty()) {
      all.removeAll(gone);
      put(all, List.of(), "Took out " + count() + " of the " + desk.name(line));
    }
  }

  void add(int tick, int pitch, int length) {
    if (tick < 0 || tick >= ticks() || pitch < 0 || pitch > 127) {
      return;
    }
    Tone n = new Tone(tick, 0, length, pitch, USUAL_VELOCITY);
    List<Tone> all = new ArrayList<>(notes());
    all.add(n);
    put(all, List.of(n), "Put " + key().noteName(pitch) + " into the " + desk.name(line));
    maker.audition(line, List.of(pitch), USUAL_VELOCITY);
  }

  /** Turns the selection, or the whole line when nothing is selected. */
  void turn(Turn turn) {
    List<Tone> chosen = selected.isEmpty() ? notes() : selectedNotes();
    List<Tone> all = new ArrayList<>(notes());
    all.removeAll(chosen);
    List<Tone> turned = turn.apply(chosen, key(), ticks());
    all.addAll(turned);
    put(all, selected.isEmpty() ? List.of() : turned, desk.name(line) + ": " + turn.words());
  }

  /** Plays the selection, or the whole line when nothing is selected, in another shape. */
  void shape(ChordShape shape, Grid grid) {
    if (grid == Grid.NONE) {
      desk.say("Choose lines first: 8ths, 16ths or another grid.");
      return;
    }
    List<Tone> chosen = selected.isEmpty() ? notes() : selectedNotes();
    List<Tone> all = new ArrayList<>(notes());
    all.removeAll(chosen);
    List<Tone> shaped = shape.apply(chosen, grid);
    all.addAll(shaped);
    put(all, List.of(), desk.name(line) + ": " + shape.words() + " in " + grid.words());
  }

  /** Gives the line other notes. */
  void replace(List<Tone> notes, String words) {
    put(notes, List.of(), words);
  }

  private void put(List<Tone> all, List<Tone> nowSelected, String words) {
    put(all, nowSelected, words, "");
  }

  private void put(List<Tone> all, List<Tone> nowSelected, String words, String gesture) {
    Template t = desk.templateProperty().get();
    selected.clear();
    desk.edit(Edits.line(t, selection.sectionProperty().get(), line, all, words).move(gesture));
    List<Tone> sorted = notes();
    for (Tone n : nowSelected) {
      selected.add(sorted.indexOf(n));
    }
    selected.remove(-1);
  }

  private String count() {
    return selected.size() == 1 ? "1 note" : selected.size() + " notes";
  }

  /** Lets the first picked note be heard, of the chords the whole chord. */
  void hear() {
    selectedNotes().stream()
        .findFirst()
        .ifPresent(
            n -> {
              List<Integer> pitches =
                  line.line() != Line.CHORDS
                      ? List.of(n.pitch())
                      : notes().stream()
                          .filter(m -> m.tick() == n.tick())
                          .map(Tone::pitch)
                          .toList();
              maker.audition(line, pitches, n.velocity());
            });
  }
}
