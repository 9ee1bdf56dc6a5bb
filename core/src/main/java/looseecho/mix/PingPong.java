package looseecho.mix;

import java.util.ArrayList;
import java.util.List;
import looseecho.dsp.Biquad;
import looseecho.dsp.Faint;

/**
 * A delay whose repeats go from one side to the other, a little darker each time; fed block after
 * block.
 */
public final class PingPong {
  private static final double DARKER = 0.35;
  private static final double BUTTERWORTH = Math.sqrt(0.5);
  private final float[] left;
  private final float[] right;
  private final float feedback;
  private final boolean crossing;
  private final List<Biquad> cuts = new ArrayList<>();
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
    this(rate, seconds, new Repeats(1, feedback, true, 0, 0));
  }

  /** The same with all its settings; their beats last so many seconds. */
  PingPong(int rate, double seconds, Repeats settings) {
    int lag = Math.max(1, (int) Math.round(seconds * rate));
    left = new float[lag];
    right = new float[lag];
    feedback = (float) settings.feedback();
    crossing = settings.pingPong();
    for (int c = 0; c < 2; c++) {
      if (settings.lowCutHz() > 0) {
        cuts.add(Biquad.highPass(rate, settings.lowCutHz(), BUTTERWORTH));
      }
      if (settings.highCutHz() > 0) {
        cuts.add(Biquad.lowPass(rate, settings.highCutHz(), BUTTERWORTH));
      }
    }
  }

  /** The repeats alone of what follows in a bus. */
  public Bus of(Bus in) {
    Bus out = new Bus(in.length(), in.rate());
    for (int i = 0; i < in.length(); i++) {
      l = Faint.cut(l + (float) (1 - DARKER) * (left[at] - l));
      r = Faint.cut(r + (float) (1 - DARKER) * (right[at] - r));
      out.set(i, l, r);
      // The middle enters on the left; what comes out on the left goes round on the right.
      left[at] =
          crossing ? 0.5f * (in.left(i) + in.right(i)) + feedback * r : in.left(i) + feedback * l;
      right[at] = crossing ? feedback * l : in.right(i) + feedback * r;
      at = at + 1 == left.length ? 0 : at + 1;
    }
    for (int k = 0; k < cuts.size(); k++) {
      cuts.get(k).run(out.sides()[k < cuts.size() / 2 ? 0 : 1]);
    }
    return out;
  }
}
