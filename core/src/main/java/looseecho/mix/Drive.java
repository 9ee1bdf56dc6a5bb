package looseecho.mix;

import java.util.List;
import looseecho.dsp.Bend;

/** Soft saturation of a sum of sounds. */
public final class Drive {
  private Drive() {}

  /**
   * Bends loud peaks of a sum softly, and each of its parts by the gain that this comes to at every
   * sample, so that the parts still add up to the sum.
   *
   * @param drive 0 changes next to nothing
   * @param blend share of the driven sound, 0..1
   * @param parts of the sum; may be empty when they are not wanted
   */
  public static void bend(Bus sum, double drive, double blend, List<Bus> parts) {
    for (int c = 0; c < 2; c++) {
      float[] all = sum.sides()[c];
      for (int i = 0; i < all.length; i++) {
        double x = all[i] * (1 + drive);
        double bent = x == 0 ? 1 : Bend.tanh(x) / x;
        float gain = (float) (1 - blend + blend * bent * (1 + drive) / (1 + 0.6 * drive));
        all[i] *= gain;
        for (Bus part : parts) {
          part.sides()[c][i] *= gain;
        }
      }
    }
  }
}
