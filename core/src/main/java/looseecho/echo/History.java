package looseecho.echo;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * Work with undo and redo, and the log of what was done. States are immutable, so keeping them is
 * cheap. Not thread-safe: it belongs to the thread that edits.
 */
public final class History<T> {
  private static final int MAX_STATES = 500;

  /** A state, what led to it, in words, and by which gesture. */
  private record Moment<T>(T state, String words, String gesture) {}

  private final Deque<Moment<T>> past = new ArrayDeque<>();
  private final Deque<Moment<T>> future = new ArrayDeque<>();
  private final List<String> log = new ArrayList<>();
  private Moment<T> present;

  public History(T start, String words) {
    present = new Moment<>(start, words, "");
    log.add(words);
  }

  /** Work taken up again, with the log that it has so far. */
  public History(T start, List<String> log) {
    present = new Moment<>(start, log.isEmpty() ? "" : log.get(log.size() - 1), "");
    this.log.addAll(log);
  }

  public T present() {
    return present.state();
  }

  /** Makes a state the present one; redo is forgotten. */
  public void apply(T state, String words) {
    apply(state, words, "");
  }

  /**
   * The same for one move of a gesture, such as making one hit louder key by key: moves that follow
   * each other are one step of undo and one line of the log.
   *
   * @param gesture what is done to what; empty for work that stands alone
   */
  public void apply(T state, String words, String gesture) {
    if (!gesture.isEmpty() && gesture.equals(present.gesture()) && future.isEmpty()) {
      present = new Moment<>(state, words, gesture);
      log.set(log.size() - 1, words);
      return;
    }
    past.push(present);
    if (past.size() > MAX_STATES) {
      past.removeLast();
    }
    future.clear();
    present = new Moment<>(state, words, gesture);
    log.add(words);
  }

  /** What was undone, in words; empty when there is nothing to undo. */
  public Optional<String> undo() {
    if (past.isEmpty()) {
      return Optional.empty();
    }
    String words = present.words();
    future.push(present);
    Moment<T> before = past.pop();
    present = new Moment<>(before.state(), before.words(), ""); // a gesture ends with its undo
    log.add("Undone: " + words);
    return Optional.of(words);
  }

  /** What was done again, in words; empty when there is nothing to redo. */
  public Optional<String> redo() {
    if (future.isEmpty()) {
      return Optional.empty();
    }
    past.push(present);
    Moment<T> again = future.pop();
    present = new Moment<>(again.state(), again.words(), "");
    log.add("Done again: " + present.words());
    return Optional.of(present.words());
  }

  /** Changes all states alike, those that undo and redo lead to, too. */
  public void rewrite(UnaryOperator<T> how) {
    present = rewritten(present, how);
    for (Deque<Moment<T>> moments : List.of(past, future)) {
      List<Moment<T>> old = List.copyOf(moments);
      moments.clear();
      old.forEach(m -> moments.addLast(rewritten(m, how)));
    }
  }

  private static <T> Moment<T> rewritten(Moment<T> m, UnaryOperator<T> how) {
    return new Moment<>(how.apply(m.state()), m.words(), m.gesture());
  }

  /** All that was done, in order. */
  public List<String> log() {
    return List.copyOf(log);
  }
}
