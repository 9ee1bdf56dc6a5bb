package looseecho.echo;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;

/**
 * The template with undo and redo, and the log of what was done. States are immutable, so keeping
 * them is cheap. Not thread-safe: it belongs to the thread that edits.
 */
public final class History {
  private static final int MAX_STATES = 500;
  private final Deque<Edits.Edited> past = new ArrayDeque<>();
  private final Deque<Edits.Edited> future = new ArrayDeque<>();
  private final List<String> log = new ArrayList<>();
  private Edits.Edited present;

  public History(Template start) {
    present = new Edits.Edited(start, "Template made from what was heard");
    log.add(present.words());
  }

  public Template template() {
    return present.template();
  }

  /** Makes the edit the present state; redo is forgotten. */
  public void apply(Edits.Edited edit) {
    past.push(present);
    if (past.size() > MAX_STATES) {
      past.removeLast();
    }
    future.clear();
    present = edit;
    log.add(edit.words());
  }

  /** What was undone, in words; empty when there is nothing to undo. */
  public Optional<String> undo() {
    if (past.isEmpty()) {
      return Optional.empty();
    }
    String words = present.words();
    future.push(present);
    present = past.pop();
    log.add("Undone: " + words);
    return Optional.of(words);
  }

  /** What was done again, in words; empty when there is nothing to redo. */
  public Optional<String> redo() {
    if (future.isEmpty()) {
      return Optional.empty();
    }
    past.push(present);
    present = future.pop();
    log.add("Done again: " + present.words());
    return Optional.of(present.words());
  }

  /** All that was done, in order. */
  public List<String> log() {
    return List.copyOf(log);
  }
}
