package looseecho.audio;

import java.nio.FloatBuffer;

/**
 * Samples of one side, in memory or in stretches of a mapped file: a single mapping ends at 2 GB,
 * which is less than two hours at 96 kHz. Immutable.
 */
final class Samples implements Side {
  /** Usual length of a stretch, as a power of two: 1 GB. */
  static final int SHIFT = 28;

  private final FloatBuffer[] stretches;
  private final int shift;
  private final int from;
  private final int length;

  /** Takes ownership of the array. */
  static Samples of(float[] all) {
    return new Samples(new FloatBuffer[] {FloatBuffer.wrap(all)}, 31, 0, all.length);
  }

  /**
   * Of stretches that each hold 2 to the power of {@code shift} samples, but for the last.
   *
   * @param length of all of them
   */
  Samples(FloatBuffer[] stretches, int shift, int length) {
    this(stretches, shift, 0, length);
  }

  private Samples(FloatBuffer[] stretches, int shift, int from, int length) {
    this.stretches = stretches;
    this.shift = shift;
    this.from = from;
    this.length = length;
  }

  @Override
  public int length() {
    return length;
  }

  @Override
  public float get(int i) {
    int at = from + i;
    return stretches[at >>> shift].get(at & (1 << shift) - 1);
  }

  @Override
  public float[] copy(int first, int count) {
    float[] out = new float[count];
    int end = (int) Math.min(count, (long) length - first);
    for (int done = Math.max(0, -first); done < end; ) {
      int at = from + first + done;
      FloatBuffer stretch = stretches[at >>> shift];
      int inside = at & (1 << shift) - 1;
      int some = Math.min(end - done, stretch.limit() - inside);
      stretch.get(inside, out, done, some);
      done += some;
    }
    return out;
  }

  @Override
  public Samples slice(int first, int count) {
    if (first < 0 || count < 0 || first + (long) count > length) {
      throw new IndexOutOfBoundsException(
          "need 0 <= first <= first + count <= " + length + " (was: " + first + ", " + count + ")");
    }
    return new Samples(stretches, shift, from + first, count);
  }
}
