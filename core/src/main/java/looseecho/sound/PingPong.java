package looseecho.sound;

/** A delay whose repeats go from one side to the other, a little darker each time. */
public final class PingPong {
  private static final double DARKER = 0.35;

  /**
   * The repeats alone.
   *
   * @param seconds between two repeats
   * @param feedback share of each that comes again, 0..0.9
   */
  public Bus of(Bus in, double seconds, double feedback) {
    Bus out = new Bus(in.length(), in.rate());
    int lag = Math.max(1, (int) Math.round(seconds * in.rate()));
    float[] left = new float[lag];
    float[] right = new float[lag];
    float l = 0;
    float r = 0;
    for (int i = 0, p = 0; i < in.length(); i++, p = (p + 1) % lag) {
      l += (float) (1 - DARKER) * (left[p] - l);
      r += (float) (1 - DARKER) * (right[p] - r);
      out.set(i, l, r);
      // The middle enters on the left; what comes out on the left goes round on the right.
      left[p] = 0.5f * (in.left(i) + in.right(i)) + (float) feedback * r;
      right[p] = (float) feedback * l;
    }
    return out;
  }
}
