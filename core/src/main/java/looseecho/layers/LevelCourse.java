package looseecho.layers;

import java.util.List;
import java.util.stream.IntStream;
import looseecho.dsp.Loudness;

/** How loud a layer is from tenth to tenth of a second, as K-weighted power. */
final class LevelCourse {
  private static final double TENTH = 0.1;
  private static final double DECAY = 4.6; // time constants of power until a stroke is 20 dB down

  private final double[] power;

  /** Silence of so many seconds. */
  LevelCourse(double seconds) {
    power = new double[(int) Math.ceil(seconds / TENTH) + 1];
  }

  /** The share of a stroke's energy that is gone after a part of its length. */
  static double gone(double part) {
    return 1 - Math.exp(-DECAY * part);
  }

  /** Adds a stroke that dies away evenly, 20 dB within its length. */
  void stroke(double time, double length, double energy) {
    for (int k = tenth(time); k < Math.min(power.length, tenth(time + length) + 1); k++) {
      double from = Math.max(0, k * TENTH - time) / length;
      double to = ((k + 1) * TENTH - time) / length;
      power[k] += energy * (gone(to) - gone(from)) / TENTH;
    }
  }

  /** Adds what is even for a while. */
  void even(double from, double to, double even) {
    for (int k = tenth(from); k < Math.min(power.length, tenth(to) + 1); k++) {
      double seconds = Math.min(to, (k + 1) * TENTH) - Math.max(from, k * TENTH);
      power[k] += even * Math.max(0, seconds) / TENTH;
    }
  }

  /** The mean over some stretches, without the pauses that the gate leaves out. */
  double gated(List<HeardLayer.Span> spans) {
    return Loudness.gated(
        IntStream.range(0, power.length)
            .filter(k -> spans.stream().anyMatch(s -> s.has((k + 0.5) * TENTH)))
            .mapToDouble(k -> power[k])
            .toArray());
  }

  private static int tenth(double time) {
    return (int) Math.max(0, time / TENTH);
  }
}
