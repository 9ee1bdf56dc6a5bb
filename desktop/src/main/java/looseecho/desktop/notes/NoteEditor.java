package looseecho.desktop.notes;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import looseecho.desktop.session.Session;
import looseecho.echo.Edits;
import looseecho.echo.StepNote;
import looseecho.echo.Template;
import looseecho.echo.Turn;
import looseecho.notes.Key;
import looseecho.notes.Line;

/** Changes the selected notes of a line of the section at work; every change can be undone. */
final class NoteEditor {
  private static final int USUAL_VELOCITY = 90;
  private final Session session;
  private final Set<Integer> selected = new TreeSet<>(); // indices into the line's notes
  private Line line = Line.BASS;

  NoteEditor(Session session) {
    this.session = session;
  }

  Line line() {
    return line;
  }

  void line(Line other) {
    if (line != other) {
      line = other;
      selected.clear();
    }
  }

  /** All notes of the line in the section. */
  List<StepNote> notes() {
    Template t = session.templateProperty().get();
    int s = session.sectionProperty().get();
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

  List<StepNote> selectedNotes() {
    List<StepNote> all = notes();
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

  private int steps() {
    Template t = session.templateProperty().get();
    return t.sections().get(session.sectionProperty().get()).beats() * t.meter().stepsPerBeat();
  }

  private Key key() {
    return session.templateProperty().get().key();
  }

  /** Moves the selection by steps and rungs; what would leave the section or MIDI stays. */
  void move(int steps, int rungs) {
    int end = steps();
    change(
        n -> {
          int pitch = key().moved(n.pitch(), rungs);
          int step = n.step() + steps;
          return step < 0 || step >= end || pitch < 0 || pitch > 127
              ? n
              : n.at(step, n.offsetMs()).pitched(pitch);
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
        n -> n.lasting(Math.max(0.5, n.lengthSteps() + steps)),
        steps > 0 ? "a step longer" : "a step shorter",
        "length " + line + selected);
  }

  void louder(int by) {
    change(
        n -> n.loud(n.velocity() + by),
        by > 0 ? "louder" : "softer",
        "loudness " + line + selected);
  }

  private void change(UnaryOperator<StepNote> how, String words) {
    change(how, words, "");
  }

  private void change(UnaryOperator<StepNote> how, String words, String gesture) {
    if (selected.isEmpty()) {
      session.messageProperty().set("Pick a note first: click it, or step to it with , and .");
      return;
    }
    List<StepNote> all = new ArrayList<>(notes());
    List<StepNote> changed = new ArrayList<>();
    for (int i : selected) {
      StepNote n = how.apply(all.get(i));
      all.set(i, n);
      changed.add(n);
    }
    put(all, changed, count() + " of the " + line.words() + " " + words, gesture);
  }

  void delete() {
    List<StepNote> all = new ArrayList<>(notes());
    List<StepNote> gone = selectedNotes();
    if (!gone.isEmpty()) {
      all.removeAll(gone);
      put(all, List.of(), "Took out " + count() + " of the " + line.words());
    }
  }

  void add(int step, int pitch, double length) {
    if (step < 0 || step >= steps() || pitch < 0 || pitch > 127) {
      return;
    }
    StepNote n = new StepNote(step, 0, length, pitch, USUAL_VELOCITY);
    List<StepNote> all = new ArrayList<>(notes());
    all.add(n);
    put(all, List.of(n), "Put " + key().noteName(pitch) + " into the " + line.words());
    session.maker().audition(line, List.of(pitch), USUAL_VELOCITY);
  }

  /** Turns the selection, or the whole line when nothing is selected. */
  void turn(Turn turn) {
    List<StepNote> chosen = selected.isEmpty() ? notes() : selectedNotes();
    List<StepNote> all = new ArrayList<>(notes());
    all.removeAll(chosen);
    List<StepNote> turned = turn.apply(chosen, key(), steps());
    all.addAll(turned);
    put(all, selected.isEmpty() ? List.of() : turned, line.words() + ": " + turn.words());
  }

  /** Gives the line other notes. */
  void replace(List<StepNote> notes, String words) {
    put(notes, List.of(), words);
  }

  private void put(List<StepNote> all, List<StepNote> nowSelected, String words) {
    put(all, nowSelected, words, "");
  }

  private void put(List<StepNote> all, List<StepNote> nowSelected, String words, String gesture) {
    Template t = session.templateProperty().get();
    selected.clear();
    session.edit(Edits.line(t, session.sectionProperty().get(), line, all, words).move(gesture));
    List<StepNote> sorted = notes();
    for (StepNote n : nowSelected) {
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
                  line != Line.CHORDS
                      ? List.of(n.pitch())
                      : notes().stream()
                          .filter(m -> m.step() == n.step())
                          .map(StepNote::pitch)
                          .toList();
              session.maker().audition(line, pitches, n.velocity());
            });
  }
}
