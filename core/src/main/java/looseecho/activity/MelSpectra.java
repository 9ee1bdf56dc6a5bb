package looseecho.activity;

import java.util.stream.IntStream;
import looseecho.dsp.FrameFft;
import looseecho.dsp.FrameGrid;
import looseecho.reading.Progress;
import looseecho.reading.Together;

/**
 * The network's input: per 10 ms frame 80 mel bands from 30 Hz to 16 kHz in two window lengths, as
 * logarithms less each band's mean.
 *
 * <p>Input: mono at {@link #RATE}. Frame n is centred on sample n * {@link #HOP}. The scale is that
 * of {@code training/features.py}, and a test holds the two together. Mel scale: O'Shaughnessy
 * 1987.
 */
public final class MelSpectra {
  public static final int RATE = 44100;
  public static final int HOP = 441;
  public static final int BANDS = 80;

  /** Frame n means the instant n / 100 s. */
  public static final FrameGrid FRAMES = new FrameGrid(RATE / HOP);

  private static final double SILENCE =
      1e-11; // mean power of a band below which there is no sound at all

  private static final int CHUNK =
      24 * FrameFft.AT_ONCE; // frames worked on by one thread at a time
  private static final int[] WINDOWS = {2048, 640};
  private static final int[] FFT_SIZES = {2048, 1024};
  private static final double LOW_HZ = 30;
  private static final double HIGH_HZ = 16000;
  private static final double[] CENTRES = centres();
  private static final double FLOOR = 1e-4;
  private static final double SONG_RMS = 0.1;
  private static final float SCALE = 2.5f;
  private static final float AUDIBLE = 3f; // natural-log units below the loudest frame

  private final float[] values; // [(frame * BANDS + band) * 2 + window]
  private final float[] decibels; // per frame, below the loudest
  private final int frames;

  private MelSpectra(float[] values, float[] decibels) {
    this.values = values;
    this.decibels = decibels;
    this.frames = decibels.length;
  }

  /** Computes all frames of a whole sound. */
  public static MelSpectra of(float[] mono, Progress progress) {
    double power = 0;
    for (float x : mono) {
      power += (double) x * x;
    }
    Builder all = new Builder(mono.length, Math.sqrt(power / Math.max(1, mono.length)));
    all.add(mono, 0, 0, mono.length + HOP, progress);
    return all.done();
  }

  /** Takes a sound block by block. Holds work arrays: one per thread. */
  public static final class Builder {
    private final float[] values;
    private final double[] power;
    private final float gain;

    /**
     * Prepares for a sound.
     *
     * @param samples length of the whole sound
     * @param rms its root mean square
     */
    public Builder(int samples, double rms) {
      int frames = samples / HOP + 1;
      values = new float[frames * BANDS * 2];
      power = new double[frames];
      gain = rms > 1e-9 ? (float) (SONG_RMS / rms) : 1f;
    }

    /**
     * Adds the frames centred on the samples {@code from} to before {@code to} of the whole sound.
     *
     * @param mono these samples and some around them
     * @param first index in the whole sound of {@code mono[0]}, a multiple of {@link #HOP}
     */
    public void add(float[] mono, int first, int from, int to, Progress progress) {
      int start = (from + HOP - 1) / HOP;
      int end = Math.min(power.length, (to + HOP - 1) / HOP);
      Together.each(
          (end - start + CHUNK - 1) / CHUNK,
          c -> {
            int a = start + c * CHUNK;
            if (!progress.cancelled()) {
              progress.at("Listening", (double) a / power.length);
              fill(mono, first, a, Math.min(end, a + CHUNK));
            }
          });
      progress.step("Listening", (double) end / power.length);
    }

    private void fill(float[] mono, int first, int start, int end) {
      for (int w = 0; w < 2; w++) {
        FrameFft fft = new FrameFft(FFT_SIZES[w], WINDOWS[w]);
        Triangle[] bank = bank(FFT_SIZES[w]);
        for (int n = start; n < end; n += FrameFft.AT_ONCE) {
          float[][] magnitudes = fft.magnitudes(mono, n * HOP - first, HOP);
          int count = Math.min(FrameFft.AT_ONCE, end - n);
          for (int b = 0; b < BANDS; b++) {
            float[] sums = bank[b].sums(magnitudes);
            for (int f = 0; f < count; f++) {
              double m = gain * sums[f];
              values[((n + f) * BANDS + b) * 2 + w] = (float) Math.log(FLOOR + m);
              power[n + f] += w == 1 ? m * m : 0; // the short window shows stops sharply
            }
          }
        }
      }
    }

    /** All frames, less each band's mean; nothing may be added afterwards. */
    public MelSpectra done() {
      float[] level = new float[power.length];
      for (int n = 0; n < level.length; n++) {
        double sum = 0;
        for (int b = 0; b < BANDS; b++) {
          sum += values[(n * BANDS + b) * 2];
        }
        level[n] = (float) (sum / BANDS);
      }
      centre(values, level);
      return new MelSpectra(values, decibels(power));
    }
  }

  private static float[] decibels(double[] power) {
    double top = 0;
    for (double p : power) {
      top = Math.max(top, p);
    }
    float[] out = new float[power.length];
    if (top < SILENCE) {
      java.util.Arrays.fill(out, -120);
      return out;
    }
    for (int n = 0; n < out.length; n++) {
      out[n] = (float) (10 * Math.log10((power[n] + 1e-12) / top));
    }
    return out;
  }

  private static void centre(float[] values, float[] level) {
    float top = Float.NEGATIVE_INFINITY;
    for (float l : level) {
      top = Math.max(top, l);
    }
    double[] mean = new double[BANDS * 2];
    int count = 0;
    for (int n = 0; n < level.length; n++) {
      if (level[n] > top - AUDIBLE) {
        count++;
        for (int k = 0; k < mean.length; k++) {
          mean[k] += values[n * mean.length + k];
        }
      }
    }
    for (int i = 0; i < values.length; i++) {
      values[i] = (float) ((values[i] - mean[i % mean.length] / Math.max(1, count)) / SCALE);
    }
  }

  /** Number of frames, one per 10 ms. */
  public int frames() {
    return frames;
  }

  /** Level of a frame in decibels below the loudest one, 0 down to about -120. */
  public float decibels(int frame) {
    return decibels[frame];
  }

  /** Centred log energy of a band in the long window. */
  public float band(int frame, int band) {
    return values[(frame * BANDS + band) * 2];
  }

  /** Amplitude of a band in the short window, relative to the band's mean over the song. */
  public double attackAmplitude(int frame, int band) {
    return Math.exp(SCALE * values[(frame * BANDS + band) * 2 + 1]);
  }

  private static double[] centres() {
    double low = mel(LOW_HZ);
    double step = (mel(HIGH_HZ) - low) / (BANDS + 1);
    return IntStream.range(0, BANDS).mapToDouble(b -> hertz(low + (b + 1) * step)).toArray();
  }

  /** Middle of a band in hertz. */
  public static double centreHz(int band) {
    return CENTRES[band];
  }

  /** Frames [from, from + count) as planes, [band * 2 + window][frame]. */
  float[][] planes(int from, int count) {
    float[][] out = new float[BANDS * 2][count];
    for (int n = 0; n < count; n++) {
      for (int p = 0; p < out.length; p++) {
        out[p][n] = values[(from + n) * out.length + p];
      }
    }
    return out;
  }

  /** One mel filter: weights over a run of bins that sum to one. */
  private record Triangle(int first, float[] weights) {
    /** Of magnitudes by bin and frame, for every frame. */
    float[] sums(float[][] magnitudes) {
      float[] out = new float[FrameFft.AT_ONCE];
      for (int i = 0; i < weights.length; i++) {
        float weight = weights[i];
        float[] row = magnitudes[first + i];
        for (int f = 0; f < FrameFft.AT_ONCE; f++) {
          out[f] += weight * row[f];
        }
      }
      return out;
    }
  }

  private static Triangle[] bank(int fftSize) {
    double binHz = (double) RATE / fftSize;
    double low = mel(LOW_HZ);
    double step = (mel(HIGH_HZ) - low) / (BANDS + 1);
    Triangle[] bank = new Triangle[BANDS];
    for (int b = 0; b < BANDS; b++) {
      double mid = hertz(low + (b + 1) * step);
      double from = Math.min(hertz(low + b * step), mid - binHz);
      double to = Math.max(hertz(low + (b + 2) * step), mid + binHz);
      int first = Math.max(0, (int) Math.ceil(from / binHz));
      int last = Math.min(fftSize / 2, (int) Math.floor(to / binHz));
      float[] weights = new float[last - first + 1];
      double sum = 0;
      for (int k = first; k <= last; k++) {
        double f = k * binHz;
        weights[k - first] =
            (float) Math.max(0, Math.min((f - from) / (mid - from), (to - f) / (to - mid)));
        sum += weights[k - first];
      }
      for (int i = 0; i < weights.length; i++) {
        weights[i] /= (float) sum;
      }
      bank[b] = new Triangle(first, weights);
    }
    return bank;
  }

  private static double mel(double hz) {
    return 2595 * Math.log10(1 + hz / 700);
  }

  private static double hertz(double mel) {
    return 700 * (Math.pow(10, mel / 2595) - 1);
  }
}
