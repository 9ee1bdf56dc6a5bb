package looseecho.play;

import java.util.Random;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;

/**
 * A player who strikes evenly, a little late and a little uneven, to try tapping in without an
 * instrument.
 */
public final class SimulatedInput implements StrokeInput {
  /** What it is called. */
  public static final String NAME = "simulated player";

  private static final double LATE_MS = 8;
  private static final double SPREAD_MS = 6;
  private final double gapSeconds;
  private final Random random;
  private ScheduledExecutorService thread;

  /** Strikes every {@code gapSeconds}; the same seed strikes alike. */
  public SimulatedInput(double gapSeconds, long seed) {
    this.gapSeconds = gapSeconds;
    this.random = new Random(seed);
  }

  @Override
  public void listen(Listener to) {
    thread =
        Executors.newSingleThreadScheduledExecutor(
            r -> {
              Thread t = new Thread(r, "simulated player");
              t.setDaemon(true);
              return t;
            });
    next(to, System.nanoTime(), 0);
  }

  private void next(Listener to, long start, int n) {
    double late = (LATE_MS + SPREAD_MS * random.nextGaussian()) / 1000;
    long due = start + (long) (1e9 * (n * gapSeconds + Math.max(0, late)));
    int velocity = 70 + random.nextInt(50);
    thread.schedule(
        () -> {
          to.struck(0, velocity);
          next(to, start, n + 1);
        },
        Math.max(0, due - System.nanoTime()),
        TimeUnit.NANOSECONDS);
  }

  @Override
  public String name() {
    return NAME;
  }

  @Override
  public void close() {
    if (thread != null) {
      thread.shutdownNow();
    }
  }
}
