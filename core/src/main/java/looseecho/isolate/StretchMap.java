package looseecho.isolate;

import java.util.Arrays;

/**
 * Which second of a sound is heard at which second of its slowed copy. Around each attack the sound
 * runs at its own speed, so that it stays sharp; the stretches between make up for it, so that
 * every attack comes exactly at its time divided by the speed.
 */
final class StretchMap {
  private static final double BEFORE = 0.018;
  private static final double AFTER = 0.045;
  private static final double MOST = 0.25; // of the gap to the neighbouring attack

  private final double[] slow; // corner points, rising
  private final double[] own;
  private final boolean[] kept; // whether the stretch from this corner on runs at its own speed

  StretchMap(double[] attacks, double speed, double duration) {
    double[] times =
        Arrays.stream(attacks).filter(t -> t > 0 && t < duration).sorted().distinct().toArray();
    double[] s = new double[2 * times.length + 2];
    double[] o = new double[s.length];
    boolean[] k = new boolean[s.length];
    int n = 1;
    for (int i = 0; i < times.length; i++) {
      double before = i == 0 ? times[0] : times[i] - times[i - 1];
      double after = (i + 1 < times.length ? times[i + 1] : duration) - times[i];
      double a = Math.min(BEFORE, MOST * before);
      double b = Math.min(AFTER, MOST * after);
      o[n] = times[i] - a;
      s[n] = times[i] / speed - a;
      k[n++] = true;
      o[n] = times[i] + b;
      s[n++] = times[i] / speed + b;
    }
    o[n] = duration;
    s[n++] = duration / speed;
    slow = Arrays.copyOf(s, n);
    own = Arrays.copyOf(o, n);
    kept = k;
  }

  private int at(double slowSeconds) {
    int i = Arrays.binarySearch(slow, slowSeconds);
    return Math.max(0, Math.min(slow.length - 2, i >= 0 ? i : -i - 2));
  }

  /** The second of the sound itself. */
  double own(double slowSeconds) {
    int i = at(slowSeconds);
    double length = slow[i + 1] - slow[i];
    return length <= 0 ? own[i] : own[i] + (slowSeconds - slow[i]) * (own[i + 1] - own[i]) / length;
  }

  /** True where the sound runs at its own speed. */
  boolean kept(double slowSeconds) {
    return kept[at(slowSeconds)];
  }
}
