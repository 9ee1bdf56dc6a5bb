package looseecho.sound;

/**
 * A small room: four damped combs in parallel, two all-passes in series per side. Source: M. R.
 * Schroeder, "Natural sounding artificial reverberation", JAES 1962, with J. A. Moorer's damped
 * combs (1979).
 */
public final class Room {
  private static final double[][] COMB_MS = {{29.7, 37.1, 41.1, 43.7}, {30.5, 36.3, 40.3, 44.9}};
  private static final double[] ALLPASS_MS = {5.0, 1.7};
  private static final double DAMPING = 0.35;

  /** The reverberation of a bus alone; {@code seconds} is the time to fall by 60 dB. */
  public Bus of(Bus in, double seconds) {
    Bus out = new Bus(in.length(), in.rate());
    float[][] wet = new float[2][];
    for (int c = 0; c < 2; c++) {
      float[] dry = new float[in.length()];
      for (int i = 0; i < dry.length; i++) {
        dry[i] = c == 0 ? in.left(i) : in.right(i);
      }
      wet[c] = side(dry, in.rate(), seconds, COMB_MS[c]);
    }
    for (int i = 0; i < in.length(); i++) {
      out.set(i, wet[0][i], wet[1][i]);
    }
    return out;
  }

  private static float[] side(float[] x, int rate, double seconds, double[] combs) {
    float[] sum = new float[x.length];
    for (double ms : combs) {
      float[] line = new float[(int) (ms * rate / 1000)];
      float feedback = (float) Math.pow(10, -3 * ms / 1000 / seconds);
      float damped = 0;
      for (int i = 0, p = 0; i < x.length; i++, p = (p + 1) % line.length) {
        float y = line[p];
        damped += (float) (1 - DAMPING) * (y - damped);
        line[p] = x[i] + feedback * damped;
        sum[i] += 0.25f * y;
      }
    }
    for (double ms : ALLPASS_MS) {
      float[] line = new float[(int) (ms * rate / 1000)];
      for (int i = 0, p = 0; i < sum.length; i++, p = (p + 1) % line.length) {
        float y = line[p] - 0.7f * sum[i];
        line[p] = sum[i] + 0.7f * y;
        sum[i] = y;
      }
    }
    return sum;
  }
}
