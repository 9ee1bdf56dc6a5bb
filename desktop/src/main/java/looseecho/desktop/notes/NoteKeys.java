package looseecho.desktop.notes;

import java.util.List;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import looseecho.echo.Tone;

/** What the keys do with the notes of the chosen line. */
final class NoteKeys {
  private final NoteEditor editor;
  private final Supplier<NotesView> view;
  private final Consumer<String> hint;

  NoteKeys(NoteEditor editor, Supplier<NotesView> view, Consumer<String> hint) {
    this.editor = editor;
    this.view = view;
    this.hint = hint;
  }

  /** True where a key means something here. */
  boolean take(KeyEvent e) {
    boolean shift = e.isShiftDown();
    KeyCode code = e.getCode();
    if (e.isShortcutDown() && code != KeyCode.A) {
      return false;
    }
    switch (code) {
      case LEFT, RIGHT -> sideways(shift, code == KeyCode.RIGHT ? 1 : -1);
      case UP, DOWN -> upwards(shift, e.isAltDown(), code == KeyCode.UP ? 1 : -1);
      case DELETE, BACK_SPACE -> editor.delete();
      case ESCAPE -> editor.select(List.of(), false);
      case COMMA -> step(-1);
      case PERIOD -> step(1);
      case ENTER -> addBeside();
      case A -> {
        if (!e.isShortcutDown()) {
          return false;
        }
        editor.selectAll();
      }
      default -> {
        return false;
      }
    }
    return true;
  }

  private void sideways(boolean shift, int by) {
    if (shift) {
      editor.lengthen(by);
    } else {
      editor.move(by, 0);
    }
  }

  private void upwards(boolean shift, boolean alt, int by) {
    if (shift) {
      editor.louder(6 * by);
    } else if (alt) {
      editor.semitone(by);
    } else {
      editor.move(0, by);
    }
    editor.hear();
  }

  private void step(int by) {
    editor.next(by);
    editor.hear();
    editor.selectedNotes().stream()
        .findFirst()
        .ifPresent(n -> hint.accept("echo: " + view.get().words(n)));
  }

  /** A note like the selected one, a beat later; on the home note when none is selected. */
  private void addBeside() {
    List<Tone> chosen = editor.selectedNotes();
    if (chosen.isEmpty()) {
      editor.add(
          view.get().from(),
          view.get().key().pitch(view.get().key().rung(NotesChart.isBass(editor.line()) ? 36 : 60)),
          view.get().beatTicks() / 2);
    } else {
      Tone n = chosen.get(chosen.size() - 1);
      editor.add(n.tick() + view.get().beatTicks(), n.pitch(), n.lengthTicks());
    }
  }
}
