package looseecho.desktop;

import java.util.Arrays;
import java.util.Locale;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;
import looseecho.desktop.control.TimeWindow;
import looseecho.desktop.ground.WaveChart;

/**
 * Measures how smoothly the wave is drawn: zooms from the whole track to single samples and back,
 * scrolls at several zooms, and reports the time between frames.
 */
final class FrameMeter extends AnimationTimer {
  private static final int FRAMES = 900;
  private static final int WARM_UP = 60;
  private final WaveChart wave;
  private final double[] gaps = new double[FRAMES];
  private final double[] draws = new double[FRAMES];
  private int frame = -WARM_UP;
  private long last;

  FrameMeter(WaveChart wave) {
    this.wave = wave;
    wave.window().whole();
  }

  @Override
  public void handle(long now) {
    if (frame >= 0) {
      gaps[frame] = (now - last) / 1e6;
    }
    last = now;
    TimeWindow w = wave.window();
    int phase = Math.max(0, frame) % 300;
    if (phase < 100) {
      w.zoom(0.9, 0.37);
    } else if (phase < 200) {
      w.move(phase % 2 == 0 ? 0.3 : -0.2);
    } else {
      w.zoom(1 / 0.9, 0.37);
    }
    long before = System.nanoTime();
    wave.drawNow();
    if (frame >= 0) {
      draws[frame] = (System.nanoTime() - before) / 1e6;
    }
    if (++frame == FRAMES) {
      stop();
      report("time between frames", gaps);
      report("drawing a frame", draws);
      Platform.exit();
    }
  }

  private static void report(String what, double[] ms) {
    double[] sorted = ms.clone();
    Arrays.sort(sorted);
    System.out.printf(
        Locale.ROOT,
        "%s: mean %.2f ms, 95 of 100 within %.2f ms, longest %.2f ms%n",
        what,
        Arrays.stream(ms).average().orElse(0),
        sorted[(int) (0.95 * ms.length)],
        sorted[ms.length - 1]);
  }
}
