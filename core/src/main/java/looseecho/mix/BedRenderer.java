package looseecho.mix;

import looseecho.echo.Template;
import looseecho.echo.TemplateSection;

/**
 * Renders the bed of noise. Every sample's noise depends on its place in the song alone, so that an
 * excerpt has the same noise as the whole.
 */
final class BedRenderer {
  private static final int RATE = EchoRenderer.RATE;
  private static final double FADE_SECONDS = 0.02;

  private final Bed bed;
  private final int[] kicks;
  private final boolean[] sections;
  private final double[] rumble = new double[2];
  private final double[] smooth = new double[2];

  /**
   * For a bed.
   *
   * @param sections those that it lies under
   */
  BedRenderer(Bed bed, int[] kicks, boolean[] sections) {
    this.bed = bed;
    this.kicks = kicks;
    this.sections = sections.clone();
  }

  /** The bed in the window that follows the one before. */
  Bus render(Template t, Window window) {
    int n = window.length();
    float[] level = presence(t, window);
    int reach = (int) (bed.duckMs() * RATE / 1000) + RATE;
    float[] duck =
        new Ducking(bed.duckDb(), bed.duckMs()).envelope(window.near(kicks, reach), n, RATE);
    float gain = (float) Math.pow(10, bed.levelDb() / 20);
    Bus out = new Bus(n, RATE);
    double low = pole(bed.lowHz());
    double high = pole(bed.highHz());
    for (int c = 0; c < 2; c++) {
      float[] side = out.sides()[c];
      for (int i = 0; i < n; i++) {
        smooth[c] += high * (noise(window.from() + i, c) - smooth[c]);
        rumble[c] += low * (smooth[c] - rumble[c]);
        side[i] = (float) (smooth[c] - rumble[c]) * gain * level[i] * duck[i];
      }
    }
    return out;
  }

  private static double pole(double hz) {
    return 1 - Math.exp(-2 * Math.PI * hz / RATE);
  }

  /** -1..1, by the mixing function of SplitMix64 (Steele, Lea and Flood, OOPSLA 2014). */
  private static double noise(int sample, int channel) {
    long z = (2L * sample + channel + 1) * 0x9E3779B97F4A7C15L;
    z = (z ^ (z >>> 30)) * 0xBF58476D1CE4E5B9L;
    z = (z ^ (z >>> 27)) * 0x94D049BB133111EBL;
    return (z ^ (z >>> 31)) / 0x1p63;
  }

  private static int at(Window window, double seconds) {
    return (int) (Math.round(seconds * RATE) - window.from());
  }

  /** 1 in the sections that play anything, 0 elsewhere, faded. */
  private float[] presence(Template t, Window window) {
    float[] out = new float[window.length()];
    for (int s = 0; s < t.sections().size(); s++) {
      TemplateSection section = t.sections().get(s);
      boolean plays =
          sections[s]
              && (section.drums().values().stream().anyMatch(h -> !h.isEmpty())
                  || section.lines().values().stream().anyMatch(n -> !n.isEmpty()));
      if (plays) {
        int first = t.firstBeat(s);
        int from = at(window, t.beats().get(first).time());
        int to = at(window, t.beats().get(first + section.beats()).time());
        int fade = (int) (FADE_SECONDS * RATE);
        for (int i = Math.max(0, from - fade); i < Math.min(out.length, to + fade); i++) {
          float in = Math.min(1, (i - from + fade) / (float) fade);
          out[i] = Math.max(out[i], Math.min(in, (to + fade - i) / (float) fade));
        }
      }
    }
    return out;
  }
}
