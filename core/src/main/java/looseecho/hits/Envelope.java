package looseecho.hits;

import java.util.EnumMap;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import looseecho.activity.Lane;
import looseecho.activity.MelSpectra;

/**
 * Levels of a lane's own band around a hit. Shared by what is measured on single hits; they do not
 * depend on the bars, so they are kept.
 */
public final class Envelope {
  private static final double FLOOR = 1e-2;
  private static final int BEFORE = 4; // frames of 10 ms
  private static final int AFTER = 4;

  /** The bands of each lane, first and behind the last. */
  private static final Map<Lane, int[]> LANES = lanes();

  private final MelSpectra mel;

  /** Decibels of every frame, 0 where nobody asked yet. */
  private final Map<Lane, float[]> levels = new ConcurrentHashMap<>();

  public Envelope(MelSpectra mel) {
    this.mel = mel;
  }

  private static Map<Lane, int[]> lanes() {
    Map<Lane, int[]> out = new EnumMap<>(Lane.class);
    for (Lane lane : Lane.values()) {
      double[] hertz = lane.band();
      int from = 0;
      while (from < MelSpectra.BANDS && MelSpectra.centreHz(from) < hertz[0]) {
        from++;
      }
      int to = from;
      while (to < MelSpectra.BANDS && MelSpectra.centreHz(to) <= hertz[1]) {
        to++;
      }
      out.put(lane, new int[] {from, to});
    }
    return out;
  }

  int frame(double seconds) {
    return MelSpectra.FRAMES.nearest(seconds);
  }

  /** Natural logarithm of how much a band's amplitude rises at a frame. */
  double rise(int frame, int band) {
    double before = 0;
    for (int n = frame - BEFORE; n < frame - 1; n++) {
      before += amplitude(n, band) / (BEFORE - 1);
    }
    return Math.log(FLOOR + Math.max(0, highest(frame, band) - before));
  }

  private double highest(int frame, int band) {
    double peak = 0;
    for (int n = frame; n < frame + AFTER; n++) {
      peak = Math.max(peak, amplitude(n, band));
    }
    return peak;
  }

  /** Mean amplitude of a lane's band at a frame, in decibels. */
  double decibels(Lane lane, int frame) {
    float[] kept = levels.computeIfAbsent(lane, l -> new float[mel.frames()]);
    int n = inside(frame);
    if (kept[n] == 0) {
      kept[n] = (float) measured(lane, n);
    }
    return kept[n];
  }

  private double measured(Lane lane, int frame) {
    int[] bands = LANES.get(lane);
    double sum = 1e-9;
    for (int b = bands[0]; b < bands[1]; b++) {
      double a = amplitude(frame, b);
      sum += a * a;
    }
    return 10 * Math.log10(sum / Math.max(1, bands[1] - bands[0]));
  }

  private int inside(int frame) {
    return Math.max(0, Math.min(mel.frames() - 1, frame));
  }

  private double amplitude(int frame, int band) {
    return mel.attackAmplitude(inside(frame), band);
  }
}
