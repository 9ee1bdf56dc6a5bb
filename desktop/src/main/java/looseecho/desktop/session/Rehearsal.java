package looseecho.desktop.session;

import java.io.IOException;
import java.util.concurrent.CompletableFuture;
import looseecho.reading.Progress;

/**
 * Opening the last project once for nothing, while a fresh window rests: Java then has compiled the
 * way, and the next opening takes a second less. It shows nothing and keeps nothing, and makes room
 * as soon as something is opened in earnest.
 */
final class Rehearsal implements Progress {
  private static final int TIMES = 2; // once for either of Java's compilers
  private static final double LONGEST = 5; // seconds; the way is known by then

  private final CompletableFuture<Boolean> end = new CompletableFuture<>();
  private volatile long began;
  private volatile boolean stopped;

  /** A way that is gone for nothing. */
  interface Way {
    void go(Progress p) throws IOException;
  }

  /** Begins on a thread of its own. */
  void begin(Way way) {
    began = System.nanoTime();
    Thread thread = new Thread(() -> end.complete(went(way)), "rehearsing");
    thread.setDaemon(true);
    thread.start();
  }

  private boolean went(Way way) {
    try {
      for (int i = 0; i < TIMES; i++) {
        way.go(this);
      }
      return true;
    } catch (IOException | RuntimeException e) {
      // What is wrong with the project is said when it is opened.
      System.getLogger(Rehearsal.class.getName())
          .log(System.Logger.Level.DEBUG, "not rehearsed", e);
      return false;
    }
  }

  /** Makes room. */
  void stop() {
    stopped = true;
  }

  /** True when it went through. */
  CompletableFuture<Boolean> end() {
    return end;
  }

  @Override
  public void at(String stage, double fraction) {}

  @Override
  public boolean cancelled() {
    return stopped || System.nanoTime() - began > LONGEST * 1e9;
  }
}
