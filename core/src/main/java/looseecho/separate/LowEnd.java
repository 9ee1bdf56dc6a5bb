package looseecho.separate;

import looseecho.audio.Audio;
import looseecho.dsp.Fft;
import looseecho.dsp.ThirdOctaves;
import org.jtransforms.fft.FloatFFT_1D;

/**
 * The third octaves up to 200 Hz are narrower than the separator's bins: their powers come from a
 * transform four times as long, weighed by the shares that the groups have at each frequency.
 */
final class LowEnd {
  static final int BANDS = ThirdOctaves.band(200) + 1;
  private static final int LONG = 4 * SpectrumBands.WINDOW;
  private static final float[] WINDOW = Fft.hann(LONG);
  private static final float WEIGHT = 4f / LONG;
  private static final int TOP = (int) (ThirdOctaves.high(BANDS - 1) * LONG / SpectrumBands.RATE);

  private final Audio audio;
  private final KickWave kick;

  LowEnd(Separator separator) {
    audio = separator.audio();
    kick = separator.kick();
  }

  /** Takes the power of a group in a slot, view and band. */
  interface Sink {
    void put(int stem, int slot, int view, int band, float power);
  }

  /** Measures the slots of a block; both begin together. */
  void add(Separator.Block block, int perSlot, Sink to) {
    FloatFFT_1D fft = new FloatFFT_1D(LONG);
    for (int n = 0; n < block.count(); n += perSlot) {
      int slot = (block.first() + n) / perSlot;
      int count = Math.min(perSlot, block.count() - n);
      int centre = (block.first() + n) * SpectrumBands.HOP + count * SpectrumBands.HOP / 2;
      float[][] x = spectra(centre, fft);
      for (Stem stem : Stem.values()) {
        float[][] sums = sums(block, stem, n, count, x);
        for (int view = 0; view < sums.length; view++) {
          for (int band = 0; band < BANDS; band++) {
            to.put(stem.ordinal(), slot, view, band, sums[view][band]);
          }
        }
      }
    }
  }

  /** Of the middle without the kick's wave, of the side, and of the kick's wave. */
  private float[][] spectra(int centre, FloatFFT_1D fft) {
    float[][] x = new float[3][LONG];
    int from = centre - LONG / 2;
    for (int i = Math.max(0, -from); i < LONG && from + i < audio.length(); i++) {
      float l = audio.left(from + i);
      float r = audio.right(from + i);
      x[0][i] = (l + r) / 2;
      x[1][i] = (l - r) / 2;
    }
    kick.add(from, x[0], -1);
    kick.add(from, x[2], 1);
    for (float[] row : x) {
      for (int i = 0; i < LONG; i++) {
        row[i] *= WINDOW[i] * WEIGHT;
      }
      fft.realForward(row);
    }
    return x;
  }

  private static float[][] sums(
      Separator.Block block, Stem stem, int frame, int count, float[][] x) {
    float[][] out = new float[4][BANDS];
    for (int k = 1; k <= TOP; k++) {
      int band = ThirdOctaves.band((double) k * SpectrumBands.RATE / LONG);
      if (band < 0 || band >= BANDS) {
        continue;
      }
      int coarse = Math.round((float) k * SpectrumBands.WINDOW / LONG); // bins are bands down here
      float a = 0;
      float c = 0;
      for (int n = frame; n < frame + count; n++) {
        a += block.middle(stem, coarse, n) / count;
        c += block.side(stem, coarse, n) / count;
      }
      float own = stem == Stem.KICK ? 1 : 0;
      float mr = a * x[0][2 * k] + own * x[2][2 * k];
      float mi = a * x[0][2 * k + 1] + own * x[2][2 * k + 1];
      float sr = c * x[1][2 * k];
      float si = c * x[1][2 * k + 1];
      out[0][band] += (mr + sr) * (mr + sr) + (mi + si) * (mi + si);
      out[1][band] += (mr - sr) * (mr - sr) + (mi - si) * (mi - si);
      out[2][band] += mr * mr + mi * mi;
      out[3][band] += sr * sr + si * si;
    }
    return out;
  }
}
