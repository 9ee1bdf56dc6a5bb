package looseecho.echo;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
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
  private final List<LogLine> log = new ArrayList<>();
  private final BiFunction<T, T, String> change;
  private Moment<T> present;

  /**
   * Work that begins.
   *
   * @param change says what is another between two states
   */
  public History(T start, String words, BiFunction<T, T, String> change) {
    this(start, List.of(LogLine.now(words, "")), change);
  }

  /** Work taken up again, with the log that it has so far. */
  public History(T start, List<LogLine> log, BiFunction<T, T, String> change) {
    present = new Moment<>(start, log.isEmpty() ? "" : log.get(log.size() - 1).words(), "");
    this.log.addAll(log);
    this.change = change;
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
      T before = past.isEmpty() ? state : past.peek().state();
      log.set(log.size() - 1, LogLine.now(words, change.apply(before, state)));
      return;
    }
    past.push(present);
    if (past.size() > MAX_STATES) {
      past.removeLast();
    }
    future.clear();
    log.add(LogLine.now(words, change.apply(present.state(), state)));
    present = new Moment<>(state, words, gesture);
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
    log.add(LogLine.now("Undone: " + words, change.apply(future.peek().state(), before.state())));
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
    String what = change.apply(past.peek().state(), again.state());
    log.add(LogLine.now("Done again: " + present.words(), what));
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
  public List<LogLine> log() {
    return List.copyOf(log);
  }

  /** Gives the reason for a line of the log. */
  public void explain(int line, String why) {
    log.set(line, log.get(line).because(why));
  }
}
