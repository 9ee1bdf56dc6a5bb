package looseecho.play;

import java.util.concurrent.locks.LockSupport;

/** A device without a loudspeaker: it takes blocks at the pace at which a card would play them. */
public final class SilentDevice implements OutputDevice {
  private final int rate;
  private volatile long due = System.nanoTime();

  public SilentDevice(int rate) {
    this.rate = rate;
  }

  @Override
  public void write(float[] interleaved, int samples) {
    long now = System.nanoTime();
    due = Math.max(due, now - 50_000_000L) + samples * 1_000_000_000L / rate;
    if (due > now) {
      LockSupport.parkNanos(due - now);
    }
  }

  @Override
  public long waiting() {
    return Math.max(0, due - System.nanoTime()) * rate / 1_000_000_000L;
  }

  @Override
  public String remark() {
    return "No sound card was found: playing runs silently.";
  }

  @Override
  public void close() {
    // nothing is held
  }
}
