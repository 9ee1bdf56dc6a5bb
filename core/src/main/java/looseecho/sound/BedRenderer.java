package looseecho.sound;

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

  BedRenderer(Bed bed) {
    this.bed = bed;
  }

  Bus render(Template t, PartRenderer.Window window, int[] kicks) {
    int n = window.length();
    float[] level = presence(t, window);
    float[] duck = new Ducking(bed.duckDb(), bed.duckMs()).envelope(kicks, n, RATE);
    float gain = (float) Math.pow(10, bed.levelDb() / 20);
    Bus out = new Bus(n, RATE);
    float[][] sides = out.sides();
    for (int c = 0; c < 2; c++) {
      double low = pole(bed.lowHz());
      double high = pole(bed.highHz());
      double rumble = 0;
      double smooth = 0;
      for (int i = 0; i < n; i++) {
        smooth += high * (noise(window.from() + i, c) - smooth);
        rumble += low * (smooth - rumble);
        sides[c][i] = (float) (smooth - rumble) * gain * level[i] * duck[i];
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

  /** 1 in the sections that play anything, 0 elsewhere, faded. */
  private static float[] presence(Template t, PartRenderer.Window window) {
    float[] out = new float[window.length()];
    for (int s = 0; s < t.sections().size(); s++) {
      TemplateSection section = t.sections().get(s);
      boolean plays =
          section.drums().values().stream().anyMatch(h -> !h.isEmpty())
              || section.lines().values().stream().anyMatch(n -> !n.isEmpty());
      if (plays) {
        int first = t.firstBeat(s);
        int from = window.at(t.beats().get(first).time());
        int to = window.at(t.beats().get(first + section.beats()).time());
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
