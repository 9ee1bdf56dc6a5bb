package looseecho.layers;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import looseecho.layers.HeardLayer.Span;
import looseecho.separate.SpectrumBands;

/**
 * Measures how far each kick or snare pushes what is held down, and how long until it is back: its
 * level around the strokes that fall into it, the middle one in decibels. A loud drum hides what
 * sounds in its band: so what was parted from it must still be down once the drum is softer.
 */
final class DuckMeter {
  private static final double HOP = (double) SpectrumBands.HOP / SpectrumBands.RATE;
  private static final double BEFORE = 0.08; // seconds before the stroke
  private static final int FRAMES_BEFORE = 4; // whose level is the reference
  private static final double AFTER = 0.5;
  private static final double NEAR = 0.06;
  private static final int FEWEST = 6; // kicks inside held notes
  private static final int MOST = 32;
  private static final int COUNT = (int) ((BEFORE + AFTER) / HOP); // frames looked at
  private static final int STROKE = (int) (BEFORE / HOP); // its frame
  private static final int SOON = (int) (0.12 / HOP); // when it is lowest
  private static final int PAST = STROKE + 4; // when a window no longer reaches back to it
  private static final int FEWEST_SEEN = 5; // frames by which a way back is told
  private static final double LEAST_DB = 2;
  private static final double CLEAR_DB = 3; // that a drum is softer than what it pushes down
  private static final double CLEARLY_DB = 3; // down when the drum is that soft
  private static final double HIDDEN = 2.5; // times as far, at most, below the drum itself
  private static final double MOST_HIDDEN_DB = 15; // else nothing may play under the drum
  private static final double LEAST_SECONDS = 0.025;
  private static final double MOST_DB = 24; // what falls further is no longer there
  private static final double FURTHER = 1.6; // than it is pushed down at once
  private static final double BACK = 0.9; // of the way, in decibels

  private final float[] power;

  /** With a power in every frame of {@link SpectrumBands#HOP} samples. */
  DuckMeter(float[] power) {
    this.power = power.clone();
  }

  /**
   * What may push something down.
   *
   * @param by what it is called
   * @param times of its strokes, in order
   * @param power of it in every frame; empty where it hides nothing
   */
  record Drum(String by, double[] times, float[] power) {
    Drum without(Drum other) {
      double[] own =
          Arrays.stream(times)
              .filter(t -> Arrays.stream(other.times).noneMatch(o -> Math.abs(o - t) < NEAR))
              .toArray();
      return new Drum(by, own, power);
    }

    /** When it is struck again after a time. */
    double next(double time) {
      return Arrays.stream(times).filter(t -> t > time + 0.05).min().orElse(Double.MAX_VALUE);
    }
  }

  /**
   * What was found.
   *
   * @param duck as far as it is seen
   * @param back how it comes back
   */
  record Found(HeardLayer.Duck duck, WayBack back) {
    /** As far as it must have been down at the stroke itself, which the separator blurs. */
    HeardLayer.Duck fitted() {
      double depth = Math.max(duck.depthDb(), Math.min(MOST_DB, back.depthDb()));
      return new HeardLayer.Duck(duck.by(), depth, 1000 * back.seconds());
    }
  }

  /**
   * By one drum or another, whichever pushes further; strokes that fall together count for neither.
   */
  Optional<Found> find(List<Span> held, Drum one, Drum other) {
    Optional<Found> first = find(held, one.without(other));
    Optional<Found> second = find(held, other.without(one));
    boolean further =
        second.isPresent()
            && (first.isEmpty()
                || second.get().duck().depthDb() > first.get().duck().depthDb() + 2);
    return further ? second : first;
  }

  /** Empty where nothing pushes it down, or it can't be told. */
  private Optional<Found> find(List<Span> held, Drum drum) {
    List<double[]> curves = new ArrayList<>();
    List<double[]> over = new ArrayList<>();
    for (double time : drum.times()) {
      for (Span n : held) {
        boolean through = n.start() < time - BEFORE && n.end() > time + 0.2;
        if (through && curves.size() < MOST) {
          double end = Math.min(n.end(), drum.next(time));
          double reference = reference(time);
          curves.add(curve(power, time, end, reference));
          over.add(curve(drum.power(), time, end, reference));
        }
      }
    }
    return curves.size() < FEWEST
        ? Optional.empty()
        : of(drum.by(), curves, smooth(middle(curves)), middle(over));
  }

  /** Decibels just before a stroke. */
  private double reference(double time) {
    double sum = 0;
    for (int k = 0; k < FRAMES_BEFORE; k++) {
      sum += level(power, time - BEFORE + k * HOP) / FRAMES_BEFORE;
    }
    return sum;
  }

  /** Decibels over time; not a number once the note or the gap between strokes is over. */
  private static double[] curve(float[] power, double stroke, double end, double reference) {
    double[] out = new double[COUNT];
    for (int k = 0; k < COUNT; k++) {
      double time = stroke - BEFORE + k * HOP;
      out[k] = time > end ? Double.NaN : level(power, time) - reference;
    }
    return out;
  }

  private static double level(float[] power, double time) {
    int n = (int) Math.max(0, Math.min(power.length - 1, Math.round(time / HOP)));
    return 10 * Math.log10((power.length == 0 ? 0 : power[n]) + 1e-12);
  }

  /** The middle one of the curves, as long as half of the fewest go on. */
  private static double[] middle(List<double[]> curves) {
    double[] out = new double[COUNT];
    for (int k = 0; k < COUNT; k++) {
      double[] values = sorted(curves, k);
      if (values.length < FEWEST / 2) {
        return Arrays.copyOf(out, k);
      }
      out[k] = values[values.length / 2];
    }
    return out;
  }

  private static double[] sorted(List<double[]> curves, int at) {
    return curves.stream().mapToDouble(c -> c[at]).filter(v -> !Double.isNaN(v)).sorted().toArray();
  }

  private static Optional<Found> of(
      String by, List<double[]> curves, double[] middle, double[] drum) {
    int low = STROKE;
    for (int k = STROKE; k < Math.min(middle.length, STROKE + SOON); k++) {
      low = middle[k] < middle[low] ? k : low;
    }
    double depth = low < middle.length - 1 ? -middle[low] : 0;
    int clear = low;
    while (clear < drum.length && drum[clear] > -CLEAR_DB) {
      clear++;
    }
    double seen = clear < drum.length ? -middle[clear] : 0;
    if (depth < LEAST_DB || depth > MOST_DB || clear > low && seen < CLEARLY_DB) {
      return Optional.empty();
    }
    int back = low;
    while (back < middle.length && middle[back] < (BACK - 1) * depth) {
      if (middle[back] < -FURTHER * depth) {
        return Optional.empty(); // it dies away until the next note
      }
      back++;
    }
    double seconds = (back * HOP - BEFORE);
    boolean seenBack = back < middle.length && middle.length >= PAST + FEWEST_SEEN;
    if (!seenBack || seconds < LEAST_SECONDS || !isUsual(curves)) {
      return Optional.empty(); // what never comes back dies away
    }
    double far = clear > low ? Math.min(depth, HIDDEN * seen) : depth;
    if (clear > low && far > MOST_HIDDEN_DB) {
      return Optional.empty();
    }
    HeardLayer.Duck duck = new HeardLayer.Duck(by, far, 1000 * seconds);
    return Optional.of(new Found(duck, back(middle)));
  }

  /** The curve along which it comes back once the separator's window is past the stroke. */
  private static WayBack back(double[] middle) {
    double[] seconds = new double[middle.length - PAST];
    for (int k = 0; k < seconds.length; k++) {
      seconds[k] = (k + PAST) * HOP - BEFORE;
    }
    return WayBack.of(seconds, Arrays.copyOfRange(middle, PAST, middle.length));
  }

  /** True where three strokes of four push down. */
  private static boolean isUsual(List<double[]> curves) {
    double[] values =
        curves.stream()
            .mapToDouble(c -> Arrays.stream(c, STROKE + 1, STROKE + SOON).average().orElse(0))
            .filter(v -> !Double.isNaN(v))
            .sorted()
            .toArray();
    return values.length > 0 && values[3 * values.length / 4] < -LEAST_DB / 4;
  }

  /** Means of three: a dip of one frame is the separator's. */
  private static double[] smooth(double[] x) {
    double[] out = x.clone();
    for (int k = 1; k < x.length - 1; k++) {
      out[k] = (x[k - 1] + x[k] + x[k + 1]) / 3;
    }
    return out;
  }
}
