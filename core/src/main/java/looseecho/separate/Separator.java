package looseecho.separate;

import java.util.List;
import looseecho.audio.Audio;
import looseecho.audio.Resampler;
import looseecho.hits.Hit;
import looseecho.reading.Progress;
import looseecho.reading.Together;
import org.jtransforms.fft.FloatFFT_1D;

/**
 * Runs the separator over a whole sound, block by block and in parallel; the outcome depends
 * neither on the cutting nor on the number of threads. A full-scale sine reads about 1 in the
 * spectra.
 */
public final class Separator {
  private static final int FRAMES = 512; // of a block
  private static final double SONG_RMS = 0.1;
  private static final double FLOOR = 1e-3;
  private static final float SCALE = 2.5f;
  private static final float[] WINDOW = looseecho.dsp.Fft.hann(SpectrumBands.WINDOW);
  private static final float WEIGHT = 4f / SpectrumBands.WINDOW; // 2 over the window's sum

  private final MaskNet net;
  private final Audio audio;
  private final KickWave kick;
  private final double gain;

  /**
   * Takes a sound, brought to 44.1 kHz where it is not.
   *
   * @param hits of its drums in order of time, by which kick and bass are told apart; may be empty
   */
  public Separator(Audio sound, List<Hit> hits) {
    net = MaskNet.load();
    audio = new Resampler().resample(sound, SpectrumBands.RATE);
    kick = KickWave.of(audio, hits);
    gain = gain(audio);
  }

  private Separator(Separator whole, int from, int to) {
    net = whole.net;
    audio = whole.audio.slice(from, to);
    kick = whole.kick.from(from);
    gain = gain(audio);
  }

  /** The same for some samples of the sound only, which is heard as loud as usual. */
  public Separator stretch(int from, int to) {
    return new Separator(this, from, to);
  }

  private static double gain(Audio audio) {
    double rms = Math.sqrt(audio.power());
    return rms > 1e-9 ? SONG_RMS / rms : 1;
  }

  /** The sound that is parted, at 44.1 kHz. */
  public Audio audio() {
    return audio;
  }

  /**
   * Adds what is known of the kick beforehand, its low end, to a stretch of the middle.
   *
   * @param from sample at which the stretch begins
   * @param factor -1 takes it away
   * @return whether any of it sounds there
   */
  public boolean addKick(int from, float[] middle, float factor) {
    return kick.add(from, middle, factor);
  }

  /** What is known of the kick beforehand. */
  KickWave kick() {
    return kick;
  }

  /** Number of frames. */
  public int frames() {
    return audio.length() / SpectrumBands.HOP + 1;
  }

  /**
   * Some frames of the sound.
   *
   * @param first frame
   * @param count frames
   * @param middle spectra of the middle without the kick's wave, per frame: real and imaginary
   *     parts in turn, the second number being the highest bin's
   * @param side the same of the side
   * @param kick the same of the kick's wave; null for frames in which it is silent
   * @param shares [group x 2 x bands][frame]
   */
  public record Block(
      int first, int count, float[][] middle, float[][] side, float[][] kick, float[][] shares) {
    /** A group's share of a band of the middle. */
    public float middle(Stem stem, int band, int frame) {
      return shares[stem.ordinal() * MaskNet.INPUTS + band][frame];
    }

    /** A group's share of a band of the side. */
    public float side(Stem stem, int band, int frame) {
      return shares[stem.ordinal() * MaskNet.INPUTS + SpectrumBands.COUNT + band][frame];
    }
  }

  /** Takes blocks, from several threads and in any order. */
  public interface Receiver {
    /** A block; its arrays are the receiver's. */
    void take(Block block);
  }

  /** Parts the whole sound. */
  public void run(Receiver to, Progress progress) {
    int blocks = (frames() + FRAMES - 1) / FRAMES;
    Together.each(
        blocks,
        b -> {
          if (!progress.cancelled()) {
            progress.at("Parting the layers", (double) b / blocks);
            to.take(block(b * FRAMES, Math.min(FRAMES, frames() - b * FRAMES)));
          }
        });
    progress.step("Parting the layers", 1);
  }

  private Block block(int first, int count) {
    int start = Math.max(0, first - MaskNet.REACH);
    int end = Math.min(frames(), first + count + MaskNet.REACH);
    float[][] middle = new float[count][];
    float[][] side = new float[count][];
    float[][] struck = new float[count][];
    float[][] inputs = new float[MaskNet.INPUTS][end - start];
    FloatFFT_1D fft = new FloatFFT_1D(SpectrumBands.WINDOW);
    for (int n = start; n < end; n++) {
      float[] m = new float[SpectrumBands.WINDOW];
      float[] s = new float[SpectrumBands.WINDOW];
      spectra(n, m, s, fft);
      read(m, inputs, 0, n - start);
      read(s, inputs, SpectrumBands.COUNT, n - start);
      if (n >= first && n < first + count) {
        middle[n - first] = m;
        side[n - first] = s;
        struck[n - first] = struck(n, fft);
      }
    }
    float[][] shares = net.run(inputs);
    int skip = first - start;
    for (int p = 0; p < shares.length; p++) {
      shares[p] = java.util.Arrays.copyOfRange(shares[p], skip, skip + count);
    }
    return new Block(first, count, middle, side, struck, shares);
  }

  private void spectra(int frame, float[] m, float[] s, FloatFFT_1D fft) {
    int from = from(frame);
    for (int i = Math.max(0, -from); i < m.length && from + i < audio.length(); i++) {
      float l = audio.left(from + i);
      float r = audio.right(from + i);
      m[i] = (l + r) / 2;
      s[i] = (l - r) / 2;
    }
    kick.add(from, m, -1);
    forward(m, fft);
    forward(s, fft);
  }

  private float[] struck(int frame, FloatFFT_1D fft) {
    float[] x = new float[SpectrumBands.WINDOW];
    if (!kick.add(from(frame), x, 1)) {
      return null;
    }
    forward(x, fft);
    return x;
  }

  private static int from(int frame) {
    return frame * SpectrumBands.HOP - SpectrumBands.WINDOW / 2;
  }

  private static void forward(float[] x, FloatFFT_1D fft) {
    for (int i = 0; i < x.length; i++) {
      x[i] *= WINDOW[i] * WEIGHT;
    }
    fft.realForward(x);
  }

  private void read(float[] spectrum, float[][] inputs, int plane, int frame) {
    for (int b = 0; b < SpectrumBands.COUNT; b++) {
      double sum = 0;
      for (int k = SpectrumBands.from(b); k < SpectrumBands.to(b); k++) {
        sum += magnitude(spectrum, k);
      }
      double mean = sum / (SpectrumBands.to(b) - SpectrumBands.from(b));
      inputs[plane + b][frame] = (float) Math.log(FLOOR + gain * mean) / SCALE;
    }
  }

  private static double magnitude(float[] x, int bin) {
    if (bin == 0) {
      return Math.abs(x[0]);
    }
    if (bin == SpectrumBands.WINDOW / 2) {
      return Math.abs(x[1]);
    }
    return Math.sqrt(x[2 * bin] * x[2 * bin] + x[2 * bin + 1] * x[2 * bin + 1]);
  }
}
