package looseecho.play;

import java.util.Random;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.function.DoubleSupplier;

/**
 * A player who plays along with what is heard, a little late and a little uneven, to try tapping in
 * without an instrument. Where the sound stalls or turns round, the player goes with it.
 */
public final class SimulatedInput implements StrokeInput {
  /** What it is called. */
  public static final String NAME = "simulated player";

  private static final double LATE_MS = 8;
  private static final double SPREAD_MS = 6;
  private static final int LISTEN_AGAIN_MS = 2;
  private final DoubleSupplier heard;
  private final double gapSeconds;
  private final Random random;
  private ScheduledExecutorService thread;
  private long struck = -1; // the beat last played
  private double late;

  /**
   * Strikes every {@code gapSeconds} of what is heard; the same seed strikes alike.
   *
   * @param heard the second that reaches the ear now, negative for none
   */
  public SimulatedInput(DoubleSupplier heard, double gapSeconds, long seed) {
    this.heard = heard;
    this.gapSeconds = gapSeconds;
    this.random = new Random(seed);
    late = nextLate();
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
    thread.scheduleWithFixedDelay(() -> follow(to), 0, LISTEN_AGAIN_MS, TimeUnit.MILLISECONDS);
  }

  private void follow(Listener to) {
    double at = heard.getAsDouble();
    long beat = (long) Math.floor(at / gapSeconds);
    if (at >= 0 && beat != struck && at - beat * gapSeconds >= late) {
      struck = beat;
      late = nextLate();
      to.struck(0, 70 + random.nextInt(50));
    }
  }

  private double nextLate() {
    return Math.max(0, LATE_MS + SPREAD_MS * random.nextGaussian()) / 1000;
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
