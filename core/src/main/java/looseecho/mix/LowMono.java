package looseecho.mix;

import looseecho.dsp.Biquad;

/**
 * Keeps the low end in the middle: what differs between the sides is cut below an edge, by 24 dB
 * per octave (two Butterworth high-passes after each other; S. Linkwitz and R. Riley, "Active
 * crossover networks for noncoincident drivers", JAES 1976). Fed block after block.
 */
final class LowMono {
  private final Biquad first;
  private final Biquad second;
  private boolean wide; // until the sides differ there is nothing to do

  LowMono(int rate, double edgeHz) {
    first = Biquad.highPass(rate, edgeHz, Biquad.BUTTERWORTH);
    second = Biquad.highPass(rate, edgeHz, Biquad.BUTTERWORTH);
  }

  void run(Bus bus) {
    float[] left = bus.sides()[0];
    float[] right = bus.sides()[1];
    float[] side = new float[left.length];
    for (int i = 0; i < side.length; i++) {
      side[i] = 0.5f * (left[i] - right[i]);
      wide |= side[i] != 0;
    }
    if (!wide) {
      return;
    }
    first.run(side);
    second.run(side);
    for (int i = 0; i < side.length; i++) {
      float middle = 0.5f * (left[i] + right[i]);
      left[i] = middle + side[i];
      right[i] = middle - side[i];
    }
  }
}
