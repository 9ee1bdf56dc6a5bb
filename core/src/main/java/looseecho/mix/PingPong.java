package looseecho.mix;

/**
 * A delay whose repeats go from one side to the other, a little darker each time; fed block after
 * block.
 */
public final class PingPong {
  private static final double DARKER = 0.35;
  private final float[] left;
  private final float[] right;
  private final float feedback;
  private float l;
  private float r;
  private int at;

  /**
   * A delay that is still silent.
   *
   * @param seconds between two repeats
   * @param feedback share of each that comes again, 0..0.9
   */
  public PingPong(int rate, double seconds, double feedback) {
    int lag = Math.max(1, (int) Math.round(seconds * rate));
    left = new float[lag];
    right = new float[lag];
    this.feedback = (float) feedback;
  }

  /** The repeats alone of what follows in a bus. */
  public Bus of(Bus in) {
    Bus out = new Bus(in.length(), in.rate());
    for (int i = 0; i < in.length(); i++) {
      l += (float) (1 - DARKER) * (left[at] - l);
      r += (float) (1 - DARKER) * (right[at] - r);
      out.set(i, l, r);
      // The middle enters on the left; what comes out on the left goes round on the right.
      left[at] = 0.5f * (in.left(i) + in.right(i)) + feedback * r;
      right[at] = feedback * l;
      at = at + 1 == left.length ? 0 : at + 1;
    }
    return out;
  }
}
