package looseecho.palette;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import looseecho.echo.Part;
import looseecho.echo.Placed;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;

/**
 * A stretch of a track in seconds, listened to for the sounds of its parts.
 *
 * @param from its start
 * @param seconds its length
 */
record Stretch(double from, double seconds) {
  private static final double LEAST_SECONDS = 1;
  private static final double PART_SECONDS = 4; // of a part that plays nowhere else
  private static final double OVER = 1.5; // times the wanted time, for those

  /**
   * Of every section that sounds unlike those before it the bars where most parts play, the first
   * of several; and of each part that plays in none of them the bars where it comes in.
   *
   * @param duration of the track
   * @param most seconds of one section
   * @param all seconds of all sections together, shared out evenly
   */
  static List<Stretch> of(Template t, double duration, double most, double all) {
    Map<Part, double[]> attacks = attacks(t);
    long letters = t.sections().stream().map(TemplateSection::label).distinct().count();
    double each = Math.max(LEAST_SECONDS, Math.min(most, all / letters));
    List<Stretch> out = new ArrayList<>();
    Set<String> seen = new HashSet<>();
    for (int s = 0; s < t.sections().size(); s++) {
      double to = Math.min(duration, t.time(s, t.ticks(s), 0));
      double from = Math.max(0, t.time(s, 0, 0));
      if (to - from > LEAST_SECONDS && seen.add(t.sections().get(s).label())) {
        out.add(fullest(t, s, to, Math.min(each, to - from), attacks));
      }
    }
    double left = OVER * all - out.stream().mapToDouble(Stretch::seconds).sum();
    for (double[] own : attacks.values()) {
      boolean heard = out.stream().anyMatch(x -> x.has(own));
      double seconds = Math.min(Math.min(PART_SECONDS, most), duration - own[0]);
      if (!heard && seconds > LEAST_SECONDS && seconds <= left) {
        out.add(new Stretch(Math.max(0, own[0]), seconds));
        left -= seconds;
      }
    }
    return out;
  }

  private static Stretch fullest(
      Template t, int s, double end, double seconds, Map<Part, double[]> attacks) {
    Stretch best = new Stretch(Math.max(0, t.time(s, 0, 0)), seconds);
    for (int tick = t.ticksPerBar(); tick < t.ticks(s); tick += t.ticksPerBar()) {
      Stretch other = new Stretch(t.time(s, tick, 0), seconds);
      if (other.from() >= 0
          && other.from() + seconds <= end
          && other.parts(attacks) > best.parts(attacks)) {
        best = other;
      }
    }
    return best;
  }

  private long parts(Map<Part, double[]> attacks) {
    return attacks.values().stream().filter(this::has).count();
  }

  /** True where one of these times, in order, lies inside. */
  private boolean has(double[] times) {
    int at = Arrays.binarySearch(times, from);
    int next = at < 0 ? -at - 1 : at;
    return next < times.length && times[next] < from + seconds;
  }

  /** When each part that plays begins a hit or a note, in order. */
  private static Map<Part, double[]> attacks(Template t) {
    Map<Part, double[]> out = new TreeMap<>();
    for (Part p : Part.of(t)) {
      double[] times =
          IntStream.range(0, t.sections().size())
              .boxed()
              .flatMapToDouble(k -> events(t.sections().get(k), p).mapToDouble(e -> t.time(k, e)))
              .sorted()
              .toArray();
      if (times.length > 0) {
        out.put(p, times);
      }
    }
    return out;
  }

  private static Stream<? extends Placed<?>> events(TemplateSection s, Part part) {
    return Stream.concat(
        part.asDrum().stream().flatMap(d -> s.hits(d).stream()),
        part.asLine().stream().flatMap(l -> s.notes(l).stream()));
  }
}
