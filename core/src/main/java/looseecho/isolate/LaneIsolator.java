package looseecho.isolate;

import java.util.List;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.dsp.Biquad;
import looseecho.hits.Hit;
import looseecho.reading.Progress;

/**
 * Brings one drum of a reference forward: its band alone, open only while its hits ring. Good
 * enough to hear a part better, and no more: what else sounds in the band at that moment stays.
 */
public final class LaneIsolator {
  private static final double OPEN_BEFORE = 0.006;
  private static final double LEAST_OPEN = 0.06;
  private static final double MOST_OPEN = 0.6;
  private static final double FADE = 0.03;
  private static final double Q = 0.7071;
  private static final int REPORT = 1 << 20;

  /** The reference with everything but the lane's hits taken out, as well as can be. */
  public Audio isolate(Audio audio, Lane lane, List<Hit> hits, Progress progress) {
    int rate = audio.sampleRate();
    float[] gate = gate(audio, lane, hits);
    double[] hertz = lane.band();
    float[][] out = new float[2][audio.length()];
    for (int c = 0; c < 2; c++) {
      Biquad low = Biquad.highPass(rate, hertz[0], Q);
      Biquad high = Biquad.lowPass(rate, hertz[1], Q);
      for (int i = 0; i < audio.length(); i++) {
        out[c][i] =
            (float) (gate[i] * high.next(low.next(c == 0 ? audio.left(i) : audio.right(i))));
        if (i % REPORT == 0) {
          progress.step("Bringing out the " + lane.words(), (c + (double) i / out[c].length) / 2);
        }
      }
    }
    return new Audio(out[0], out[1], rate);
  }

  private static float[] gate(Audio audio, Lane lane, List<Hit> hits) {
    int rate = audio.sampleRate();
    float[] gate = new float[audio.length()];
    int fade = (int) (FADE * rate);
    for (Hit h : hits) {
      if (h.lane() != lane) {
        continue;
      }
      int from = (int) ((h.time() - OPEN_BEFORE) * rate);
      double open = Math.max(LEAST_OPEN, Math.min(MOST_OPEN, h.lengthMs() / 1000));
      int to = (int) ((h.time() + open) * rate);
      int rise = (int) (OPEN_BEFORE * rate);
      for (int i = Math.max(0, from); i < Math.min(gate.length, to + fade); i++) {
        float in = Math.min(1, (i - from + 1f) / rise);
        float down = i < to ? 1 : 1 - (float) (i - to) / fade;
        gate[i] = Math.max(gate[i], Math.min(in, down));
      }
    }
    return gate;
  }
}
