package looseecho.hits;

import looseecho.activity.Lane;
import looseecho.activity.MelSpectra;

/** Levels of a lane's own band around a hit. Shared by what is measured on single hits. */
final class Envelope {
  private static final double FLOOR = 1e-2;
  private static final int BEFORE = 4; // frames of 10 ms
  private static final int AFTER = 4;
  private final MelSpectra mel;

  Envelope(MelSpectra mel) {
    this.mel = mel;
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
    double[] hertz = lane.band();
    double sum = 1e-9;
    int count = 0;
    for (int b = 0; b < MelSpectra.BANDS; b++) {
      double hz = MelSpectra.centreHz(b);
      if (hz >= hertz[0] && hz <= hertz[1]) {
        double a = amplitude(frame, b);
        sum += a * a;
        count++;
      }
    }
    return 10 * Math.log10(sum / Math.max(1, count));
  }

  private double amplitude(int frame, int band) {
    return mel.attackAmplitude(Math.max(0, Math.min(mel.frames() - 1, frame)), band);
  }
}
