package looseecho.layers;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.ToDoubleFunction;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.dsp.Biquad;
import looseecho.dsp.LineFit;
import looseecho.dsp.Quantile;
import looseecho.echo.HeardDrums;
import looseecho.echo.Part;
import looseecho.hits.Hit;
import looseecho.reading.Ordered;

/**
 * Hears the room behind strokes that stand in the middle: they come back from the sides, where they
 * have nothing themselves. Its length is that of the even fall (Schroeder, "New method of measuring
 * reverberation time", JASA 1965) which, set off by every moment of the stroke itself, comes
 * nearest to the levels there. A room in mono, or one behind what stands wide itself, is not told.
 */
public final class RoomMeter {
  private static final double FRAME = 0.006; // seconds
  private static final int LONGEST = 200; // frames
  private static final double BEFORE = 0.03; // seconds that tell what sounds on
  private static final double LEAD = 0.002;
  private static final double SETTLES = 0.02; // seconds that the filters take
  private static final double NEAR = 0.04; // struck together
  private static final double EDGE = 0.012; // before the next stroke
  private static final int FEWEST = 6; // strokes that a moment is told by
  private static final int MOST = 60;
  private static final double TYPICAL = 0.4; // others only add
  private static final int ATTACK = 5; // frames of the stroke itself
  private static final int SHORTEST = 8; // frames of a fall
  private static final double FALL_DB = 6; // that must be seen
  private static final double STANDS_OUT = 0.5; // of what sounds on, that the rest is told by
  private static final double MOST_OFF_DB = 1.5;
  private static final double STEP = 1.05; // from one length to the next that is tried
  private static final double LEAST_SECONDS = 0.2; // what is gone sooner is the sound's own tail
  private static final double MOST_SECONDS = 6;
  private static final double WIDE = 0.1; // share of the sides in what is left
  private static final double POINT = 0.25; // share of the sides in a stroke with its room
  private static final double WIDER = 0.06; // than the stroke

  private final Audio audio;
  private final List<Hit> all;

  /** With all strokes, in order of time. */
  RoomMeter(Audio audio, List<Hit> all) {
    this.audio = audio;
    this.all = List.copyOf(all);
  }

  /** Behind the drums of a sound, for those that stand in one; strokes in order of time. */
  public static Map<Part, HeardLayer.Room> behind(Audio audio, List<Hit> all) {
    RoomMeter meter = new RoomMeter(audio, all);
    Map<Part, HeardLayer.Room> out = new TreeMap<>();
    HeardDrums.of(all)
        .hits()
        .forEach((part, own) -> meter.find(part.lane(), own).ifPresent(r -> out.put(part, r)));
    return out;
  }

  private record Stroke(double time, int frames) {}

  /**
   * Powers of a stroke by frame, and what sounded before it.
   *
   * @param middle by frame
   * @param side by frame
   */
  private record Course(double[] middle, double[] side, double middleBefore, double sideBefore) {}

  /** Of a lane's strokes; empty where none is heard. */
  Optional<HeardLayer.Room> find(Lane lane, List<Hit> hits) {
    return switch (lane.base()) {
      case CYMBAL -> Optional.empty(); // which ring on by themselves, and wide
      case HAT_CLOSED, HAT_OPEN -> find(hits, 4000, 15_000);
      case KICK, TOM -> find(hits, 200, 5000);
      default -> find(hits, 700, 9000);
    };
  }

  private Optional<HeardLayer.Room> find(List<Hit> hits, double lowHz, double highHz) {
    List<Course> courses =
        hits.stream()
            .map(h -> new Stroke(h.time(), free(h)))
            .filter(s -> s.frames() > ATTACK + SHORTEST)
            .sorted(Comparator.comparingInt(s -> -s.frames()))
            .limit(MOST)
            .map(s -> course(s, lowHz, highHz))
            .toList();
    if (courses.size() < FEWEST) {
      return Optional.empty();
    }
    int seen = courses.get(FEWEST - 1).side().length; // the longest come first
    double floor = typical(courses, Course::sideBefore);
    double middleFloor = typical(courses, Course::middleBefore);
    double[] side = new double[seen];
    double[] middle = new double[seen];
    for (int k = 0; k < seen; k++) {
      int n = k;
      List<Course> reaching = courses.stream().filter(c -> c.side().length > n).toList();
      side[k] = Math.max(1e-14, typical(reaching, c -> c.side()[n]) - floor);
      middle[k] = Math.max(0, typical(reaching, c -> c.middle()[n]) - middleFloor);
    }
    return of(side, middle, floor);
  }

  private static Optional<HeardLayer.Room> of(double[] side, double[] middle, double floor) {
    int end = ATTACK;
    while (end < side.length && side[end] > STANDS_OUT * floor + 1e-12) {
      end++;
    }
    double early = wide(side, middle, 0, ATTACK);
    double late = wide(side, middle, ATTACK, end);
    if (end - ATTACK < SHORTEST || early > POINT || late < Math.max(WIDE, early + WIDER)) {
      return Optional.empty();
    }
    // A room answers on both sides alike and independently: as much in the middle as at the sides.
    double[] direct = new double[end];
    double[] course = new double[end];
    for (int k = 0; k < end; k++) {
      direct[k] = Math.max(0, middle[k] - side[k]);
      course[k] = 10 * Math.log10(side[k]);
    }
    Fall best = null;
    for (double t = LEAST_SECONDS; t < MOST_SECONDS; t *= STEP) {
      Fall one = Fall.of(t, direct, course);
      best = best == null || one.offDb() < best.offDb() ? one : best;
    }
    double seen = LineFit.of(course, ATTACK, end).change();
    boolean clear = seen < -FALL_DB && best.offDb() < MOST_OFF_DB;
    return clear && best.seconds() > LEAST_SECONDS
        ? Optional.of(new HeardLayer.Room(best.seconds(), best.share()))
        : Optional.empty();
  }

  /**
   * What an even fall behind a stroke leaves at the sides.
   *
   * @param seconds for 60 dB
   * @param share of all energy that is the room's
   * @param offDb root mean square of the difference
   */
  private record Fall(double seconds, double share, double offDb) {
    static Fall of(double seconds, double[] direct, double[] course) {
      double left = Math.pow(10, -6 * FRAME / seconds); // of the power, a frame later
      double[] db = new double[course.length];
      double answer = 0;
      double mean = 0;
      for (int k = 0; k < db.length; k++) {
        answer = left * answer + direct[k];
        db[k] = course[k] - 10 * Math.log10(answer + 1e-15);
        mean += k < ATTACK ? 0 : db[k] / (db.length - ATTACK);
      }
      double square = 0;
      for (int k = ATTACK; k < db.length; k++) {
        square += (db[k] - mean) * (db[k] - mean) / (db.length - ATTACK);
      }
      double room = 2 * Math.pow(10, mean / 10) / (1 - left); // of what was direct
      return new Fall(seconds, room / (1 + room), Math.sqrt(square));
    }
  }

  private static double wide(double[] side, double[] middle, int from, int to) {
    double s = sum(side, from, to);
    return s / (s + sum(middle, from, to) + 1e-15);
  }

  private static double sum(double[] x, int from, int to) {
    double sum = 0;
    for (int k = from; k < to; k++) {
      sum += x[k];
    }
    return sum;
  }

  /** Frames until something else is struck. */
  private int free(Hit h) {
    int next = Ordered.first(all, Hit::time, h.time() + NEAR);
    double end = next < all.size() ? all.get(next).time() - EDGE : audio.duration();
    return (int) Math.min(LONGEST, (end - h.time() + LEAD) / FRAME);
  }

  private Course course(Stroke stroke, double lowHz, double highHz) {
    int rate = audio.sampleRate();
    double start = stroke.time() - LEAD - BEFORE;
    int from = (int) ((start - SETTLES) * rate);
    float[] left = audio.channel(0, from, (int) ((LONGEST * FRAME + BEFORE + SETTLES) * rate) + 1);
    float[] right = audio.channel(1, from, left.length);
    double[][] power = new double[2][stroke.frames()];
    double[] before = new double[2];
    int begin = (int) ((SETTLES + BEFORE) * rate);
    int frame = (int) (FRAME * rate);
    for (int v = 0; v < 2; v++) {
      Biquad low = Biquad.highPass(rate, lowHz, Biquad.BUTTERWORTH);
      Biquad high = Biquad.lowPass(rate, Math.min(highHz, 0.45 * rate), Biquad.BUTTERWORTH);
      for (int i = 0; i < begin + stroke.frames() * frame; i++) {
        double x = 0.5 * (v == 0 ? left[i] + right[i] : left[i] - right[i]);
        double y = high.next(low.next(x));
        if (i >= begin) {
          power[v][(i - begin) / frame] += y * y / frame;
        } else if (i >= begin - (int) (BEFORE * rate)) {
          before[v] += y * y / (BEFORE * rate);
        }
      }
    }
    return new Course(power[0], power[1], before[0], before[1]);
  }

  private static double typical(List<Course> courses, ToDoubleFunction<Course> of) {
    double[] x = courses.stream().mapToDouble(of).toArray();
    return Quantile.of(x, x.length, (int) (TYPICAL * x.length));
  }
}
