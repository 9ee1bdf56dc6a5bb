package looseecho.mix;

import java.util.ArrayList;
import java.util.List;
import looseecho.echo.Template;
import looseecho.echo.Transition;

/**
 * What transitions do to everything that sounds: stops, tape-like slow-downs, half speed. All of it
 * is the same for the mix and for each stem, so that they still add up. Fed block after block; one
 * per bus.
 */
final class Breaks {
  private static final int RATE = EchoRenderer.RATE;
  private static final int FADE = RATE / 300;

  private record Break(Transition.Kind kind, int from, int to) {
    int length() {
      return Math.max(1, to - from);
    }

    /** The sample of the tape that is read so many samples after its begin. */
    double position(int since) {
      double x = (double) since / length();
      return kind == Transition.Kind.HALF_SPEED ? since / 2.0 : since - since * x / 2;
    }
  }

  private final List<Break> breaks = new ArrayList<>();
  private float[][] tape = new float[2][0];
  private Break taped;

  Breaks(Template t) {
    for (int s = 0; s < t.sections().size(); s++) {
      for (Transition x : t.sections().get(s).movement().transitions()) {
        switch (x.kind()) {
          case STOP, SLOW_DOWN, HALF_SPEED ->
              breaks.add(
                  new Break(
                      x.kind(),
                      LayerScore.at(t.time(s, x.tick() - x.before(), 0)),
                      LayerScore.at(t.time(s, x.tick() + x.after(), 0))));
          default -> {}
        }
      }
    }
  }

  void run(Bus bus, Window window) {
    for (Break b : breaks) {
      if (b.to() <= window.from() - FADE || b.from() >= window.end() + FADE) {
        continue;
      }
      if (b.kind() == Transition.Kind.STOP) {
        stop(bus, b, window);
      } else {
        slow(bus, b, window);
      }
    }
  }

  private static void stop(Bus bus, Break b, Window window) {
    float[] gain = new float[window.length()];
    for (int i = 0; i < gain.length; i++) {
      int at = window.from() + i;
      int outside = Math.max(b.from() - at, at - b.to());
      gain[i] = Math.max(0, Math.min(1, (float) outside / FADE));
    }
    bus.shape(gain);
  }

  /** Records what comes and plays it slower than it comes. */
  private void slow(Bus bus, Break b, Window window) {
    if (!b.equals(taped)) {
      tape = new float[2][b.length() + 1];
      taped = b;
    }
    int from = Math.max(b.from(), window.from());
    int to = Math.min(b.to(), window.end());
    for (int at = from; at < to; at++) {
      int since = at - b.from();
      int i = at - window.from();
      tape[0][since] = bus.left(i);
      tape[1][since] = bus.right(i);
      double p = b.position(since);
      int k = (int) p;
      float x = (float) (p - k);
      float end = Math.min(1, (float) (b.to() - at) / FADE);
      int next = Math.min(since, k + 1);
      bus.set(
          i,
          end * (tape[0][k] + x * (tape[0][next] - tape[0][k])),
          end * (tape[1][k] + x * (tape[1][next] - tape[1][k])));
    }
  }

  boolean isIdle() {
    return breaks.isEmpty();
  }
}
