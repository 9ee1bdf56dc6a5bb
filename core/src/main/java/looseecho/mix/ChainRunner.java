package looseecho.mix;

import java.util.ArrayList;
import java.util.List;
import looseecho.dsp.Bend;
import looseecho.dsp.Biquad;

/** Runs one side of a layer through its chain, block after block. Belongs to one rendering. */
final class ChainRunner {

  private final Chain chain;
  private final List<Biquad> before;
  private final List<Biquad> after;
  private final Transients transients;

  ChainRunner(Chain chain, int rate) {
    this.chain = chain;
    before = cuts(chain.lowCutHz(), chain.highCutHz(), rate);
    after = cuts(chain.lowAfterHz(), chain.highAfterHz(), rate);
    transients = new Transients(chain.attackDb(), chain.sustainDb(), rate);
  }

  private static List<Biquad> cuts(double low, double high, int rate) {
    List<Biquad> out = new ArrayList<>();
    if (low > 0) {
      out.add(Biquad.highPass(rate, low, Biquad.BUTTERWORTH));
    }
    if (high > 0) {
      out.add(Biquad.lowPass(rate, high, Biquad.BUTTERWORTH));
    }
    return out;
  }

  /** Cuts and drive, in place. */
  void colour(float[] x) {
    before.forEach(f -> f.run(x));
    if (chain.drive() > 0 && chain.blend() > 0) {
      double in = 1 + chain.drive();
      double out = 1 / (1 + 0.6 * chain.drive());
      for (int i = 0; i < x.length; i++) {
        x[i] += (float) (chain.blend() * (Bend.tanh(in * x[i]) * out - x[i]));
      }
    }
    after.forEach(f -> f.run(x));
  }

  /** Attack and sustain, in place. */
  void shape(float[] x) {
    transients.run(x);
  }
}
