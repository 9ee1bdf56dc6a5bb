package looseecho.mix;

import java.util.List;
import looseecho.activity.Lane;

/**
 * What pushes a part down besides its first trigger, and how it comes back.
 *
 * @param also further lanes that push it down
 * @param everyBeat a silent kick on every beat
 * @param everyBar once at the beginning of each bar
 * @param shape of the way back
 * @param first whether the strokes of its own lane count
 */
public record Duck(List<Lane> also, boolean everyBeat, boolean everyBar, Shape shape, First first) {
  /** Only the first trigger, rounded. */
  public static final Duck PLAIN = new Duck(List.of(), false, false, Shape.ROUND, First.STROKES);

  /** Nothing but the beginning of each bar: a swell over it. */
  public static final Duck SWELL = new Duck(List.of(), false, true, Shape.ROUND, First.NONE);

  /** What its own lane does. */
  public enum First {
    STROKES,
    NONE
  }

  /** The way back. */
  public enum Shape {
    /** Half a cosine. */
    ROUND("round"),
    /** Even in gain. */
    STRAIGHT("straight"),
    /** Quick at first. */
    EARLY("quick at first"),
    /** Slow at first, like a swell. */
    LATE("a swell");

    private final String words;

    Shape(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }

    /** Share of the way back after a share of the time. */
    double at(double x) {
      return switch (this) {
        case ROUND -> 0.5 - 0.5 * Math.cos(Math.PI * x);
        case STRAIGHT -> x;
        case EARLY -> 1 - (1 - x) * (1 - x);
        case LATE -> x * x;
      };
    }
  }

  public Duck {
    also = also == null ? List.of() : List.copyOf(also);
    shape = shape == null ? Shape.ROUND : shape;
    first = first == null ? First.STROKES : first;
  }

  public Duck with(Shape other) {
    return new Duck(also, everyBeat, everyBar, other, first);
  }

  public Duck beats(boolean value) {
    return new Duck(also, value, everyBar, shape, first);
  }

  public Duck bars(boolean value) {
    return new Duck(also, everyBeat, value, shape, first);
  }

  public Duck also(List<Lane> lanes) {
    return new Duck(lanes, everyBeat, everyBar, shape, first);
  }
}
