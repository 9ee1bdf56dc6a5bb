package looseecho.desktop;

import java.io.IOException;
import java.lang.management.CompilationMXBean;
import java.lang.management.ManagementFactory;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.function.LongSupplier;

/**
 * Lets Java's compilers come to rest at the end of a first start, when what Java made of the
 * classes is kept for later ones. Java 17 keeps with each method that it waits to be compiled, and
 * one that is kept waiting is never compiled again: it stays ten times slower in every later start.
 * The mark says that none was; what was kept without it is not used.
 */
final class Settled {
  /** Names the mark; set by the start files where classes are kept at the end. */
  static final String PROPERTY = "looseecho.settled";

  private static final int LOOK_AGAIN_MS = 500;
  private static final int LOOKS = 20;
  private static final int STILL = 4; // looks in a row without a change: a long one takes a second

  private Settled() {}

  /** Sees to it when the program ends, whichever way, if it was asked for. */
  static void atTheEnd() {
    String mark = System.getProperty(PROPERTY);
    if (mark != null) {
      Runtime.getRuntime().addShutdownHook(new Thread(() -> mark(Path.of(mark)), "settling"));
    }
  }

  private static void mark(Path mark) {
    CompilationMXBean compilers = ManagementFactory.getCompilationMXBean();
    try {
      if (comesToRest(compilers::getTotalCompilationTime, LOOK_AGAIN_MS)) {
        Files.write(mark, new byte[0]);
      }
    } catch (IOException | InterruptedException e) {
      System.getLogger(Settled.class.getName()).log(System.Logger.Level.DEBUG, "no mark", e);
    }
  }

  /** True once what was done stays the same for some looks, false if it goes on for too long. */
  static boolean comesToRest(LongSupplier done, int lookAgainMs) throws InterruptedException {
    long before = done.getAsLong();
    int still = 0;
    for (int i = 0; i < LOOKS && still < STILL; i++) {
      Thread.sleep(lookAgainMs);
      long now = done.getAsLong();
      still = now == before ? still + 1 : 0;
      before = now;
    }
    return still == STILL;
  }
}
