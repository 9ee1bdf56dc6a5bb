package looseecho.hits;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.dsp.Fft;
import looseecho.dsp.ThirdOctaves;
import looseecho.reading.Ordered;

/**
 * Judges doubtful closed hats once more by their own sound: hats are what is left of drums and
 * notes at the top, so that a stroke at which next to nothing sounds there is none. Where no drum
 * around reaches so high, as before a filter opens, nothing is told.
 */
public final class HatSense {
  private static final int FEWEST = 16; // hats that tell what a hat is
  private static final double DOUBTFUL = 0.65; // confidence below which a hat is judged
  private static final double NOTHING = 0.06; // of the usual power: 12 dB down
  private static final double MUFFLED = 0.25; // no drum around has more
  private static final double AROUND = 4; // seconds
  private static final double LOWEST_HZ = 7700;
  private static final int BANDS = 4; // third octaves from there on
  private static final double HIGHEST = 0.45; // of the sampling rate
  private static final double BEFORE = 0.004; // seconds ahead of the hit
  private static final double LENGTH = 0.04;

  private final Audio audio;
  private final int window;
  private final int size;

  public HatSense(Audio audio) {
    this.audio = audio;
    this.window = (int) (LENGTH * audio.sampleRate());
    this.size = 2 * Integer.highestOneBit(window);
  }

  /**
   * The hits without doubtful hats that have none of a hat's sound.
   *
   * @param hits of all drums in order of time
   */
  public List<Hit> judge(List<Hit> hits) {
    int[] hats =
        IntStream.range(0, hits.size())
            .filter(i -> hits.get(i).lane() == Lane.HAT_CLOSED)
            .toArray();
    if (hats.length < FEWEST || HIGHEST * audio.sampleRate() < LOWEST_HZ) {
      return hits;
    }
    Fft fft = new Fft(size, window);
    double[][] powers = hits.stream().map(h -> powers(fft, h.time())).toArray(double[][]::new);
    double[] usual = new double[powers[0].length];
    Arrays.setAll(usual, b -> median(Arrays.stream(hats).mapToDouble(i -> powers[i][b]).toArray()));
    double[] loud = Arrays.stream(powers).mapToDouble(p -> against(p, usual)).toArray();
    List<Hit> out = new ArrayList<>(hits);
    out.removeIf(h -> isNone(h, hits, loud));
    return out;
  }

  private static boolean isNone(Hit h, List<Hit> hits, double[] loud) {
    int at = Ordered.first(hits, Hit::time, h.time());
    if (h.lane() != Lane.HAT_CLOSED || h.confidence() >= DOUBTFUL || loud[at] >= NOTHING) {
      return false;
    }
    int from = Ordered.first(hits, Hit::time, h.time() - AROUND);
    int to = Ordered.first(hits, Hit::time, h.time() + AROUND);
    return Arrays.stream(loud, from, to).max().orElse(0) > MUFFLED;
  }

  /** In the middle of the bands, 1 for a usual hat. */
  private static double against(double[] powers, double[] usual) {
    double[] shares = new double[usual.length];
    Arrays.setAll(shares, b -> powers[b] / usual[b]);
    return median(shares);
  }

  private double[] powers(Fft fft, double seconds) {
    int from = (int) Math.round((seconds - BEFORE) * audio.sampleRate());
    int start = Math.min(audio.length(), Math.max(0, from));
    int end = Math.max(start, Math.min(audio.length(), from + window));
    float[] magnitudes = new float[fft.bins()];
    fft.magnitudes(audio.mono(start, end), from - start + window / 2, magnitudes);
    double binHz = (double) audio.sampleRate() / size;
    double[] out = new double[BANDS];
    for (int b = 0; b < BANDS; b++) {
      int third = ThirdOctaves.band(LOWEST_HZ) + b;
      out[b] = 1e-12;
      for (int k = (int) (ThirdOctaves.low(third) / binHz);
          k < Math.min(magnitudes.length, ThirdOctaves.high(third) / binHz);
          k++) {
        out[b] += magnitudes[k] * magnitudes[k];
      }
    }
    return out;
  }

  private static double median(double... x) {
    Arrays.sort(x);
    return x[x.length / 2];
  }
}
