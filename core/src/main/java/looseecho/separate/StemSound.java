package looseecho.separate;

import java.util.Set;
import looseecho.audio.Audio;
import looseecho.dsp.Fft;
import looseecho.reading.Progress;
import org.jtransforms.fft.FloatFFT_1D;

/**
 * Makes the sound of some groups together: the mix's own spectra, weighed by the groups' shares, by
 * overlapping (Griffin and Lim 1984), and the kick's wave. All groups together give the mix back.
 * Good enough to hear a layer better and to study it, and no more.
 */
public final class StemSound {
  private static final float[] WINDOW = Fft.hann(SpectrumBands.WINDOW);
  // Spectra carry 4 / window; squared Hann windows at a quarter's distance add up to 1.5.
  private static final float BACK = SpectrumBands.WINDOW / 4f / 1.5f;

  /** The sound of these groups, as long as the separator's. */
  public Audio of(Separator separator, Set<Stem> stems, Progress progress) {
    int length = separator.audio().length();
    float[][] out = new float[2][length];
    Object lock = new Object();
    separator.run(
        block -> {
          int from = block.first() * SpectrumBands.HOP - SpectrumBands.WINDOW / 2;
          float[][] x = block(block, stems);
          synchronized (lock) {
            for (int i = Math.max(0, -from); i < x[0].length && from + i < length; i++) {
              out[0][from + i] += x[0][i] + x[1][i];
              out[1][from + i] += x[0][i] - x[1][i];
            }
          }
        },
        progress);
    if (stems.contains(Stem.KICK)) {
      separator.addKick(0, out[0], 1);
      separator.addKick(0, out[1], 1);
    }
    return new Audio(out[0], out[1], SpectrumBands.RATE);
  }

  /** Middle and side of a block, from half a window before its first frame. */
  private static float[][] block(Separator.Block block, Set<Stem> stems) {
    int length = (block.count() - 1) * SpectrumBands.HOP + SpectrumBands.WINDOW;
    float[][] out = new float[2][length];
    FloatFFT_1D fft = new FloatFFT_1D(SpectrumBands.WINDOW);
    for (int n = 0; n < block.count(); n++) {
      for (int view = 0; view < 2; view++) {
        float[] x = (view == 0 ? block.middle() : block.side())[n];
        weigh(block, x, stems, view, n);
        fft.realInverse(x, true);
        for (int i = 0; i < x.length; i++) {
          out[view][n * SpectrumBands.HOP + i] += BACK * WINDOW[i] * x[i];
        }
      }
    }
    return out;
  }

  private static void weigh(
      Separator.Block block, float[] x, Set<Stem> stems, int view, int frame) {
    for (int b = 0; b < SpectrumBands.COUNT; b++) {
      float share = 0;
      for (Stem s : stems) {
        share += view == 0 ? block.middle(s, b, frame) : block.side(s, b, frame);
      }
      for (int k = SpectrumBands.from(b); k < SpectrumBands.to(b); k++) {
        if (k == 0) {
          x[0] *= share;
        } else if (k == SpectrumBands.WINDOW / 2) {
          x[1] *= share;
        } else {
          x[2 * k] *= share;
          x[2 * k + 1] *= share;
        }
      }
    }
  }
}
