package looseecho.play;

/**
 * Which place reaches the ear now: what has been made lies ahead of it by all that waits in the
 * device. Remembers the last blocks that were made. Thread-safe.
 */
final class HeardPlace {
  private static final int BLOCKS = 128; // 1.5 s: more than any device holds
  private final Made[] made = new Made[BLOCKS];
  private final int block;
  private long count; // blocks that were made

  /**
   * A block that was made.
   *
   * @param from place in the music, in samples, at its beginning
   * @param to place behind its end; {@code from} while paused, before it when a loop turned round
   * @param shot sample of a single sound at its beginning; -1 for none
   */
  record Made(int from, int to, int shot) {}

  /** {@code block} is the length of each in samples. */
  HeardPlace(int block) {
    this.block = block;
  }

  synchronized void made(Made one) {
    made[(int) (count++ % BLOCKS)] = one;
  }

  /** The place was left for another: what was made before it counts no more. */
  synchronized void jumped() {
    count = 0;
  }

  /** The place in the music with so many samples waiting; -1 before anything was made. */
  synchronized int place(long waiting) {
    Made m = at(waiting);
    if (m == null) {
      return -1;
    }
    int within = within(waiting);
    return m.to < m.from ? m.from + within : Math.min(m.from + within, m.to);
  }

  /** The sample of a single sound that is heard; -1 for none. */
  synchronized int shot(long waiting) {
    Made m = at(waiting);
    return m == null || m.shot < 0 ? -1 : m.shot + within(waiting);
  }

  /** The block that is heard, the oldest known where it is older; null for none. */
  private Made at(long waiting) {
    long back = (Math.max(1, waiting) - 1) / block;
    long known = Math.min(count, BLOCKS);
    return known == 0 ? null : made[(int) ((count - 1 - Math.min(back, known - 1)) % BLOCKS)];
  }

  /** Where in the block; its beginning where it is older than all that are known. */
  private int within(long waiting) {
    long back = (Math.max(1, waiting) - 1) / block;
    if (back >= Math.min(count, BLOCKS)) {
      return 0;
    }
    return (int) (block * (back + 1) - Math.max(0, waiting));
  }
}
