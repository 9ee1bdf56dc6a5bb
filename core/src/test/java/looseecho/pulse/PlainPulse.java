package looseecho.pulse;

import java.util.List;
import java.util.stream.IntStream;
import looseecho.reading.Reading;

/** A steady pulse with a known answer. */
public final class PlainPulse {
  private PlainPulse() {}

  /** Four-four at 120, so many beats from a second on, of which the first is bar 1. */
  public static Pulse at120(double start, int beats) {
    List<Beat> all =
        IntStream.range(0, beats)
            .mapToObj(k -> new Beat(start + k * 0.5, k % 4 + 1, k / 4 + 1))
            .toList();
    return new Pulse(
        Reading.measured(120.0, 1, ""), true, 1, 1, Reading.measured(Meter.FOUR_FOUR, 1, ""), all);
  }
}
