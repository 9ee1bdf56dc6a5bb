package looseecho.play;

import java.util.Arrays;
import looseecho.mix.EchoRenderer;

/**
 * A click on every beat, higher on the first of a bar.
 *
 * @param at samples of the clicks in the time of what is played, rising
 * @param accent whether the click is the first of a bar
 */
public record Click(int[] at, boolean[] accent) {
  static final Click NONE = new Click(new int[0], new boolean[0]);
  private static final double SECONDS = 0.04;
  private static final double DECAY = 0.008;
  private static final double HIGH_HZ = 1760;
  private static final double LOW_HZ = 1174.66;
  private static final float LEVEL = 0.3f;

  static Click of(double[] seconds, boolean[] accents, double samplesPerSecond) {
    return new Click(
        Arrays.stream(seconds).mapToInt(t -> (int) Math.round(t * samplesPerSecond)).toArray(),
        accents.clone());
  }

  /** A bar of clicks to count in with, as one sound. */
  static float[] countIn(int beats, double beatSeconds) {
    double[] times = new double[beats];
    boolean[] accents = new boolean[beats];
    for (int b = 0; b < beats; b++) {
      times[b] = b * beatSeconds;
      accents[b] = b == 0;
    }
    Click click = of(times, accents, EchoRenderer.RATE);
    float[] out = new float[(int) (beats * beatSeconds * EchoRenderer.RATE)];
    for (int i = 0; i < out.length; i++) {
      out[i] = click.sample(i, click.before(i));
    }
    return out;
  }

  /** Index of the last click at or before a sample; -1 before the first. */
  int before(int sample) {
    int i = Arrays.binarySearch(at, sample);
    return i >= 0 ? i : -i - 2;
  }

  /** The click's sound at a sample, {@code index} being the last click before it. */
  float sample(int sample, int index) {
    double t = (double) (sample - at[index]) / EchoRenderer.RATE;
    return t < 0 || t > SECONDS
        ? 0
        : (float)
            (LEVEL
                * Math.exp(-t / DECAY)
                * Math.sin(2 * Math.PI * (accent[index] ? HIGH_HZ : LOW_HZ) * t));
  }
}
