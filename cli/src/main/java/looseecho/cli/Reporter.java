package looseecho.cli;

import java.io.PrintWriter;
import java.util.HashSet;
import java.util.Set;
import looseecho.reading.Progress;

/** Prints each stage once, when it begins. */
final class Reporter implements Progress {
  private final String name;
  private final PrintWriter to;
  private final Set<String> told = new HashSet<>(); // stages run side by side

  Reporter(String name, PrintWriter to) {
    this.name = name;
    this.to = to;
  }

  /** One line, never mixed with another thread's. */
  static synchronized void say(PrintWriter to, String line) {
    to.println(line);
    to.flush();
  }

  @Override
  public synchronized void at(String stage, double fraction) {
    if (told.add(stage)) {
      say(to, name + ": " + stage);
    }
  }
}
