package looseecho.mix;

import java.util.List;
import looseecho.dsp.Faint;

/**
 * A small room, fed block after block: four damped combs in parallel, two all-passes in series per
 * side. Source: M. R. Schroeder, "Natural sounding artificial reverberation", JAES 1962, with J. A.
 * Moorer's damped combs (1979).
 */
public final class Room {
  private static final double[][] COMB_MS = {{29.7, 37.1, 41.1, 43.7}, {30.5, 36.3, 40.3, 44.9}};
  private static final double[] ALLPASS_MS = {5.0, 1.7};

  private final Side[] sides = new Side[2];
  private final double drive;

  /** A room that is still silent; {@code seconds} is the time to fall by 60 dB. */
  public Room(int rate, double seconds) {
    this(rate, new Space(seconds, Space.USUAL_DAMPING, 0));
  }

  /** A room with all its settings. */
  Room(int rate, Space space) {
    drive = space.drive();
    for (int c = 0; c < 2; c++) {
      sides[c] = new Side(rate, space, COMB_MS[c]);
    }
  }

  /** The reverberation alone of what follows in a bus. */
  public Bus of(Bus in) {
    Bus out = new Bus(in.length(), in.rate());
    for (int c = 0; c < 2; c++) {
      sides[c].run(in.sides()[c], out.sides()[c]);
    }
    if (drive > 0) {
      Drive.bend(out, drive, 1, List.of());
    }
    return out;
  }

  /** Energy of what comes back on each side from a single sample of 1 on both. */
  public static double answer(Space space) {
    int rate = EchoRenderer.RATE;
    Bus in = new Bus((int) (Math.min(10, 1.2 * space.seconds() + 0.2) * rate), rate);
    in.set(0, 1, 1);
    double sum = 0;
    for (float[] side : new Room(rate, space).of(in).sides()) {
      for (float v : side) {
        sum += v * v / 2;
      }
    }
    return sum;
  }

  /** One side's delay lines and where they are read. */
  private static final class Side {
    private final float[][] combs;
    private final float open;
    private final float[] feedback;
    private final float[] damped;
    private final float[][] allPasses = new float[ALLPASS_MS.length][];
    private final int[] at;

    Side(int rate, Space space, double[] ms) {
      open = (float) (1 - space.damping());
      combs = new float[ms.length][];
      feedback = new float[ms.length];
      damped = new float[ms.length];
      at = new int[ms.length + ALLPASS_MS.length];
      for (int k = 0; k < ms.length; k++) {
        combs[k] = new float[(int) (ms[k] * rate / 1000)];
        feedback[k] = (float) Math.pow(10, -3 * ms[k] / 1000 / space.seconds());
      }
      for (int k = 0; k < ALLPASS_MS.length; k++) {
        allPasses[k] = new float[(int) (ALLPASS_MS[k] * rate / 1000)];
      }
    }

    void run(float[] x, float[] out) {
      for (int k = 0; k < combs.length; k++) {
        float[] line = combs[k];
        float low = damped[k];
        int p = at[k];
        for (int i = 0; i < x.length; i++, p = p + 1 == line.length ? 0 : p + 1) {
          float y = line[p];
          low = Faint.cut(low + open * (y - low));
          line[p] = x[i] + feedback[k] * low;
          out[i] += 0.25f * y;
        }
        damped[k] = low;
        at[k] = p;
      }
      for (int k = 0; k < allPasses.length; k++) {
        float[] line = allPasses[k];
        int p = at[combs.length + k];
        for (int i = 0; i < out.length; i++, p = p + 1 == line.length ? 0 : p + 1) {
          float y = line[p] - 0.7f * out[i];
          line[p] = Faint.cut(out[i] + 0.7f * y);
          out[i] = y;
        }
        at[combs.length + k] = p;
      }
    }
  }
}
