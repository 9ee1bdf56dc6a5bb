package looseecho.echo;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import looseecho.reading.Limits;

/**
 * How something moves through a section.
 *
 * @param scope a part such as "KICK 2", or one of {@link #ALL}, {@link #DRUMS}, {@link #TONES}
 * @param target what moves
 * @param points in order of place; before the first and behind the last it stands still
 */
public record Course(String scope, Target target, List<Point> points) {
  public static final String ALL = "all";
  public static final String DRUMS = "drums";
  public static final String TONES = "tones";
  private static final int MOST = 1_000;

  /** What can move, from where to where, and its General MIDI or usual controller number. */
  public enum Target {
    LOW_CUT("low cut", "Hz", 20, 8000, 81),
    HIGH_CUT("high cut", "Hz", 60, 20_000, 74),
    LEVEL("level", "dB", -48, 12, 11),
    WIDTH("width", "", 0, 1, 77),
    ROOM("room", "", 0, 1, 91),
    DELAY("delay", "", 0, 1, 94),
    PITCH("pitch", "semitones", -24, 24, 75),
    DRIVE("drive", "", 0, 10, 76);

    private final String words;
    private final String unit;
    private final double least;
    private final double most;
    private final int controller;

    Target(String words, String unit, double least, double most, int controller) {
      this.words = words;
      this.unit = unit;
      this.least = least;
      this.most = most;
      this.controller = controller;
    }

    public String words() {
      return words;
    }

    public String unit() {
      return unit;
    }

    public double least() {
      return least;
    }

    public double most() {
      return most;
    }

    /** MIDI controller that it is written as. */
    public int controller() {
      return controller;
    }

    /** True for what is heard in ratios, so that it moves evenly in octaves. */
    public boolean inOctaves() {
      return this == LOW_CUT || this == HIGH_CUT;
    }

    /** Where a value lies between the least and the most, 0..1; in octaves where it moves so. */
    public double share(double value) {
      double x =
          inOctaves()
              ? Math.log(value / least) / Math.log(most / least)
              : (value - least) / (most - least);
      return Math.max(0, Math.min(1, x));
    }

    /** The value at a share of the way, in steps that can be read. */
    public double value(double share) {
      double x = Math.max(0, Math.min(1, share));
      double value = inOctaves() ? least * Math.pow(most / least, x) : least + x * (most - least);
      double step = inOctaves() ? Math.pow(10, Math.floor(Math.log10(value)) - 1) : finest();
      return Math.max(least, Math.min(most, Math.rint(value / step) * step));
    }

    private double finest() {
      return most - least > 2 ? 0.1 : 0.01;
    }

    /** The value at which it changes nothing. */
    public double rest() {
      return switch (this) {
        case LOW_CUT -> least;
        case HIGH_CUT -> most;
        case WIDTH -> 1;
        default -> 0;
      };
    }

    /** A value as a controller shows it, 0..127. */
    public int midi(double value) {
      return (int) Math.round(127 * share(value));
    }
  }

  /**
   * A point of a course.
   *
   * @param tick from the section's start
   * @param value in the target's unit
   */
  public record Point(int tick, double value) {
    public Point {
      Limits.within("tick", tick, 0, Limits.TICKS);
    }
  }

  public Course {
    Limits.text("scope", scope);
    Objects.requireNonNull(target, "target must not be null");
    points = points.stream().sorted(Comparator.comparingInt(Point::tick)).toList();
    Limits.within("points", points.size(), 1, MOST);
    for (Point p : points) {
      Limits.within(target.words(), p.value(), target.least(), target.most());
    }
  }

  /** A straight way between two values over so many ticks. */
  public static Course of(String scope, Target target, int ticks, double from, double to) {
    return new Course(scope, target, List.of(new Point(0, from), new Point(ticks, to)));
  }

  /** The same with one more point, which takes the place of one on the same tick. */
  public Course with(Point point) {
    List<Point> out = new ArrayList<>(points);
    out.removeIf(p -> p.tick() == point.tick());
    out.add(point);
    return new Course(scope, target, out);
  }

  /** Number of the last point at or before a tick. */
  public int indexAt(int tick) {
    int at = 0;
    for (int k = 0; k < points.size(); k++) {
      at = points.get(k).tick() <= tick ? k : at;
    }
    return at;
  }

  /** The value at a place, in ticks from the section's start. */
  public double at(double tick) {
    Point before = points.get(0);
    for (Point p : points) {
      if (p.tick() > tick) {
        double span = p.tick() - before.tick();
        double x = span <= 0 ? 1 : Math.max(0, (tick - before.tick()) / span);
        return target.inOctaves()
            ? before.value() * Math.pow(p.value() / before.value(), x)
            : before.value() + x * (p.value() - before.value());
      }
      before = p;
    }
    return before.value();
  }

  /** True when it moves the whole, or a group. */
  public boolean isShared() {
    return scope.equals(ALL) || scope.equals(DRUMS) || scope.equals(TONES);
  }

  /** True when it moves a part. */
  public boolean moves(Part part) {
    return switch (scope) {
      case ALL -> true;
      case DRUMS -> part.asDrum().isPresent();
      case TONES -> part.asLine().isPresent();
      default -> scope.equals(part.toString());
    };
  }

  /** In words: "low cut 30 to 900 Hz". */
  public String words() {
    String from = Words.number(points.get(0).value());
    String to = Words.number(points.get(points.size() - 1).value());
    return (target.words() + " " + from + " to " + to + " " + target.unit()).strip();
  }
}
