package looseecho.palette;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import looseecho.dsp.Biquad;
import looseecho.dsp.Fft;
import looseecho.dsp.ThirdOctaves;
import looseecho.mix.Job;

/**
 * Looks over a stack of layers as one does by ear and trial: one job twice, two low ends, what the
 * layers take from each other when they sound together, and where to part them. Thresholds: common
 * practice.
 */
public final class StackAdvisor {
  private static final int SIZE = 16_384;
  private static final double LOW_HZ = 120;
  private static final double LOW_DB = 8; // below the louder one: still a low end
  private static final double LOST_DB = 1.5;
  private static final double GAINED_DB = 1; // that a shift has to bring
  private static final double LONGEST_SHIFT = 0.006; // seconds

  private StackAdvisor() {}

  /**
   * A layer of the stack.
   *
   * @param name as the person knows it
   * @param sound alone, mono, from the stroke on
   */
  public record Sounding(String name, Job job, float[] sound) {}

  /** Sentences, the gravest first; none for a single layer or where nothing is wrong. */
  public static List<String> look(List<Sounding> layers, int rate) {
    List<String> out = new ArrayList<>();
    for (int a = 0; a < layers.size(); a++) {
      for (int b = a + 1; b < layers.size(); b++) {
        Sounding x = layers.get(a);
        Sounding y = layers.get(b);
        cancelled(x, y, rate, out);
        lowEnds(x, y, rate, out);
      }
    }
    jobs(layers, rate, out);
    return out;
  }

  /** What is lost of the low end when both sound, and the shift that gives most of it back. */
  private static void cancelled(Sounding x, Sounding y, int rate, List<String> out) {
    float[] a = below(x.sound(), 200, rate);
    float[] b = below(y.sound(), 200, rate);
    double apart = energy(a) + energy(b);
    double together = together(a, b, 0);
    double lost = 10 * Math.log10((apart + 1e-12) / (together + 1e-12));
    boolean both = Math.min(energy(a), energy(b)) > 0.1 * Math.max(energy(a), energy(b));
    if (!both || lost < LOST_DB) {
      return;
    }
    int best = 0;
    int most = (int) (LONGEST_SHIFT * rate);
    for (int shift = -most; shift <= most; shift++) {
      best = together(a, b, shift) > together(a, b, best) ? shift : best;
    }
    double gained = 10 * Math.log10(together(a, b, best) / (together + 1e-12));
    String remedy =
        gained > GAINED_DB
            ? String.format(
                Locale.ROOT,
                ": %s %.1f ms later gives %.0f dB back",
                best > 0 ? y.name() : x.name(),
                1000.0 * Math.abs(best) / rate,
                gained)
            : ": cut the low end of one";
    out.add(
        String.format(
            Locale.ROOT,
            "%s and %s take %.0f dB from each other below 200 Hz%s",
            x.name(),
            y.name(),
            lost,
            remedy));
  }

  private static void lowEnds(Sounding x, Sounding y, int rate, List<String> out) {
    double a = share(x.sound(), rate);
    double b = share(y.sound(), rate);
    double apart = Math.abs(10 * Math.log10((a + 1e-12) / (b + 1e-12)));
    boolean low = Math.min(a, b) > 0.05 * (energy(x.sound()) + energy(y.sound())) / 2;
    if (low && apart < LOW_DB) {
      out.add(
          String.format(
              Locale.ROOT,
              "%s and %s both play below %.0f Hz: one low end is enough",
              x.name(),
              y.name(),
              LOW_HZ));
    }
  }

  private static void jobs(List<Sounding> layers, int rate, List<String> out) {
    Map<Job, Sounding> seen = new HashMap<>();
    for (Sounding l : layers) {
      Sounding other = l.job() == Job.NONE ? null : seen.putIfAbsent(l.job(), l);
      if (other != null) {
        out.add(
            String.format(
                Locale.ROOT,
                "%s and %s are both %s: drop one, or part them near %.0f Hz",
                other.name(),
                l.name(),
                l.job().words(),
                crossing(other.sound(), l.sound(), rate)));
      }
    }
    boolean told = layers.size() > 1 && layers.stream().noneMatch(l -> l.job() == Job.NONE);
    if (told && !seen.containsKey(Job.BODY)) {
      out.add("Nobody is the body");
    }
  }

  /** Where the lower one's third octaves fall below the higher one's, in hertz. */
  static double crossing(float[] x, float[] y, int rate) {
    double[] a = octaves(x, rate);
    double[] b = octaves(y, rate);
    boolean lower = centre(a) < centre(b);
    double[] down = lower ? a : b;
    double[] up = lower ? b : a;
    int at = ThirdOctaves.COUNT / 2;
    double sumDown = 0;
    double least = Double.MAX_VALUE;
    double all = Arrays.stream(up).sum();
    double total = Arrays.stream(down).sum();
    double sumUp = 0;
    for (int k = 0; k < ThirdOctaves.COUNT; k++) {
      sumUp += up[k];
      sumDown += down[k];
      double wrong = sumUp / (all + 1e-12) + (total - sumDown) / (total + 1e-12);
      if (wrong < least) {
        least = wrong;
        at = k;
      }
    }
    return ThirdOctaves.high(at);
  }

  private static double centre(double[] bands) {
    double sum = 0;
    double weight = 1e-12;
    for (int k = 0; k < bands.length; k++) {
      sum += k * bands[k];
      weight += bands[k];
    }
    return sum / weight;
  }

  private static double[] octaves(float[] x, int rate) {
    Fft fft = new Fft(SIZE, SIZE);
    float[] m = new float[fft.bins()];
    fft.magnitudes(x, SIZE / 4, m);
    double[] out = new double[ThirdOctaves.COUNT];
    for (int k = 1; k < m.length; k++) {
      int band = ThirdOctaves.band((double) k * rate / SIZE);
      if (band >= 0) {
        out[band] += m[k] * m[k];
      }
    }
    return out;
  }

  private static double share(float[] x, int rate) {
    return energy(below(x, LOW_HZ, rate));
  }

  private static float[] below(float[] x, double hz, int rate) {
    float[] out = x.clone();
    Biquad.lowPass(rate, hz, Biquad.BUTTERWORTH).run(out);
    return out;
  }

  private static double energy(float[] x) {
    double sum = 0;
    for (float v : x) {
      sum += v * v;
    }
    return sum;
  }

  /** Energy of both when the second comes so many samples later. */
  private static double together(float[] a, float[] b, int shift) {
    double sum = 0;
    int end = Math.max(a.length, b.length + Math.max(0, shift));
    for (int i = Math.min(0, shift); i < end; i++) {
      double x = i >= 0 && i < a.length ? a[i] : 0;
      double y = i - shift >= 0 && i - shift < b.length ? b[i - shift] : 0;
      sum += (x + y) * (x + y);
    }
    return sum;
  }
}
