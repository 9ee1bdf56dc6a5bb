package looseecho.desktop.session;

import java.util.concurrent.CompletableFuture;
import looseecho.audio.Audio;

/**
 * Largest absolute values of blocks of samples in several sizes, so that a wave of any zoom is
 * drawn from few values.
 */
public final class Peaks {
  private static final int BASE = 64;
  private static final int LEVELS = 12;
  private final int rate;
  private final int length;
  private final CompletableFuture<float[][]> measured = new CompletableFuture<>();

  public Peaks(Audio audio) {
    this(audio.length(), audio.sampleRate());
    measure(audio);
  }

  /** Flat until the sound that is so long is there and is measured. */
  Peaks(int length, int rate) {
    this.length = length;
    this.rate = rate;
  }

  /** Takes the sound; any thread. */
  void measure(Audio audio) {
    float[][] levels = new float[LEVELS][];
    levels[0] = new float[length / BASE + 1];
    audio.each(
        (from, l, r) -> {
          for (int i = 0; i < l.length; i++) {
            float v = Math.max(Math.abs(l[i]), Math.abs(r[i]));
            int at = (from + i) / BASE;
            levels[0][at] = Math.max(levels[0][at], v);
          }
        });
    for (int l = 1; l < LEVELS; l++) {
      float[] below = levels[l - 1];
      levels[l] = new float[below.length / 2 + 1];
      for (int i = 0; i < below.length; i++) {
        levels[l][i / 2] = Math.max(levels[l][i / 2], below[i]);
      }
    }
    measured.complete(levels);
  }

  /** False while it is flat, since the sound is still being read. */
  public boolean isMeasured() {
    return measured.isDone();
  }

  /** Tells when the sound is there and measured; on any thread, at once if it is by now. */
  void whenMeasured(Runnable then) {
    measured.thenRun(then);
  }

  /** Seconds. */
  public double duration() {
    return (double) length / rate;
  }

  /** The peak between two seconds, 0..1. */
  public float peak(double from, double to) {
    if (!isMeasured()) {
      return 0;
    }
    float[][] levels = measured.join();
    double samples = Math.max(1, (to - from) * rate);
    int level =
        (int)
            Math.max(
                0, Math.min(LEVELS - 1, Math.floor(Math.log(samples / (4 * BASE)) / Math.log(2))));
    double width = BASE * Math.pow(2, level);
    int a = (int) Math.max(0, from * rate / width);
    int b = (int) Math.min(levels[level].length - 1, to * rate / width);
    float p = 0;
    for (int i = a; i <= b; i++) {
      p = Math.max(p, levels[level][i]);
    }
    return p;
  }
}
