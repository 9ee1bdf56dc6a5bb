package looseecho.layers;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import looseecho.audio.Audio;
import looseecho.layers.HeardLayer.Span;

/**
 * Hears a bed of noise that each kick or snare pushes down. It never stands still, but what most
 * strokes fall to at each moment after the drum, band by band, comes back along one smooth curve,
 * where hats and rooms die away. Our own rule.
 */
final class PushedBed {
  private static final int WINDOW = 16; // strokes that are laid over each other
  private static final int FEWEST = 12; // of them that last long enough
  private static final int TIMES = 2; // that it is found
  private static final double LONGEST = 0.62; // seconds looked at after each
  private static final double SHORTEST = 0.25;
  private static final double QUIET = 0.12; // of the strokes fall further
  private static final double CLICK = 0.15; // seconds in which the drum itself is over
  private static final double LEAST_DB = 4;
  private static final double MOST_DB = 24;
  private static final double OFF_DB = 0.7; // from the curve
  private static final double FIT = 0.95;
  private static final int ROUNDS = 6;
  private static final double KEPT = 0.6; // of the moments lie on the curve
  private static final double SAME_DB = 2; // depths of two bands
  private static final int BANDS = 2; // that must agree
  private static final double FAINT_DB = -40; // against the whole
  private static final double GONE_DB = 4;
  private static final double BACK = 0.6; // of the way to the next stroke it is nearly back
  private static final int SHORTEST_RUN = 4; // strokes
  private static final int MOMENTS = 60;
  private static final int STEPS = 50;

  private final Audio audio;
  private final List<StillLook> looks;
  private final int perLook;
  private final double hop;

  PushedBed(Audio audio, List<StillLook> looks) {
    this.audio = audio;
    this.looks = looks;
    this.perLook = StillLook.frames(audio);
    this.hop = StillLook.window(audio) / 2.0 / audio.sampleRate();
  }

  /** What was found. */
  record Found(NoiseFinder.Noise noise, HeardLayer.Duck duck) {}

  /** One band's way back. */
  private record Course(int band, WayBack way) {}

  /** A stroke, and when the same drum is struck again. */
  private record Stroke(double time, double next) {}

  /** Under one drum or else the other. */
  Optional<Found> find(DuckMeter.Drum one, DuckMeter.Drum other) {
    return under(one).or(() -> under(other));
  }

  private Optional<Found> under(DuckMeter.Drum drum) {
    List<Stroke> strokes =
        Arrays.stream(drum.times())
            .filter(t -> frame(t + LONGEST) < frames())
            .mapToObj(t -> new Stroke(t, drum.next(t)))
            .toList();
    if (strokes.size() < WINDOW) {
      return Optional.empty();
    }
    int seen = seen(strokes);
    List<List<Course>> all = new ArrayList<>(); // of some strokes each: it may rest elsewhere
    for (int k = 0; seen * hop > SHORTEST && k + WINDOW <= strokes.size(); k += WINDOW / 2) {
      all.add(agreeing(courses(strokes.subList(k, k + WINDOW), seen)));
    }
    all.removeIf(c -> c.size() < BANDS);
    return all.size() < TIMES
        ? Optional.empty()
        : all.stream()
            .min(Comparator.comparingDouble(c -> c.get(0).way().offDb()))
            .flatMap(c -> found(drum, strokes, seen * hop, c));
  }

  private List<Course> courses(List<Stroke> strokes, int frames) {
    return IntStream.range(0, StillLook.BANDS)
        .boxed()
        .flatMap(b -> course(b, strokes, frames).map(w -> new Course(b, w)).stream())
        .toList();
  }

  /** Frames after a stroke that half of them reach before the next. */
  private int seen(List<Stroke> strokes) {
    double[] gaps = strokes.stream().mapToDouble(s -> s.next() - s.time()).sorted().toArray();
    return (int) (Math.min(LONGEST, gaps[gaps.length / 2]) / hop) - 1;
  }

  /** The way back of one band, if it is smooth. */
  private Optional<WayBack> course(int band, List<Stroke> strokes, int frames) {
    double[] quiet = new double[frames];
    for (int k = 0; k < frames; k++) {
      int lag = k;
      double[] values =
          strokes.stream()
              .filter(s -> s.time() + (lag + 2) * hop < s.next())
              .mapToDouble(s -> decibels(band, frame(s.time()) + lag))
              .sorted()
              .toArray();
      if (values.length < FEWEST) {
        return Optional.empty();
      }
      quiet[k] = values[(int) (QUIET * values.length)];
    }
    double[] smooth = new double[frames];
    for (int k = 0; k < frames; k++) {
      smooth[k] = (quiet[Math.max(0, k - 1)] + quiet[k] + quiet[Math.min(frames - 1, k + 1)]) / 3;
    }
    int low = 0;
    for (int k = 0; k < Math.min(frames, CLICK / hop); k++) {
      low = smooth[k] < smooth[low] ? k : low;
    }
    return under(IntStream.range(low, frames).toArray(), smooth);
  }

  /** Through what lies lowest: other strokes that fall in regularly stick out above. */
  private Optional<WayBack> under(int[] frames, double[] decibels) {
    int[] own = frames;
    for (int round = 0; round < ROUNDS && own.length >= KEPT * frames.length; round++) {
      WayBack way =
          WayBack.of(
              Arrays.stream(own).mapToDouble(k -> (k + 0.5) * hop).toArray(),
              Arrays.stream(own).mapToDouble(k -> decibels[k]).toArray());
      boolean near = way.offDb() < OFF_DB && way.fit() > FIT;
      boolean back = way.seconds() < (own[own.length - 1] + 1) * hop;
      if (near && back && way.depthDb() > LEAST_DB && way.depthDb() < MOST_DB) {
        return Optional.of(way);
      }
      double most = Math.max(OFF_DB, way.offDb());
      own =
          Arrays.stream(own)
              .filter(k -> decibels[k] - way.restDb() + way.left((k + 0.5) * hop) < most)
              .toArray();
    }
    return Optional.empty();
  }

  /** Bands that are pushed down as far as the clearest of them, which comes first. */
  private static List<Course> agreeing(List<Course> courses) {
    List<Course> clearest =
        courses.stream().sorted(Comparator.comparingDouble(c -> c.way().offDb())).toList();
    return clearest.stream()
        .filter(c -> Math.abs(c.way().depthDb() - clearest.get(0).way().depthDb()) < SAME_DB)
        .toList();
  }

  private Optional<Found> found(
      DuckMeter.Drum drum, List<Stroke> strokes, double gap, List<Course> courses) {
    double rest = courses.stream().mapToDouble(c -> Math.pow(10, c.way().restDb() / 10)).sum();
    double whole = looks.stream().mapToDouble(StillLook::whole).average().orElse(0);
    if (StillLook.decibels(rest, whole) < FAINT_DB) {
      return Optional.empty();
    }
    List<Span> active = new ArrayList<>();
    List<Double> moments = new ArrayList<>();
    double from = -1;
    int run = 0;
    for (double t : steps(strokes, gap)) {
      int quiet = quietest(courses, frame(t + BACK * gap), frame(t + gap));
      if (isThere(courses, quiet)) {
        from = run == 0 ? t : from;
        run++;
        moments.add(quiet * hop);
      } else {
        close(active, run, from, t);
        run = 0;
      }
    }
    close(active, run, from, audio.duration());
    if (active.isEmpty()) {
      return Optional.empty();
    }
    WayBack way = courses.get(0).way();
    int every = Math.max(1, moments.size() / MOMENTS);
    double[] some =
        IntStream.range(0, moments.size())
            .filter(k -> k % every == 0)
            .mapToDouble(moments::get)
            .toArray();
    BandPowers powers = new QuietMeter(audio).at(some).times(kept(way, gap));
    return Optional.of(
        new Found(
            new NoiseFinder.Noise(active, powers),
            new HeardLayer.Duck(drum.by(), way.depthDb(), 1000 * way.seconds())));
  }

  /** Mean of what is left of its power between two strokes. */
  private static double kept(WayBack way, double gap) {
    return IntStream.range(0, STEPS)
        .mapToDouble(k -> Math.pow(10, -way.left((k + 0.5) / STEPS * gap) / 10))
        .average()
        .orElse(1);
  }

  private static void close(List<Span> active, int run, double from, double to) {
    if (run >= SHORTEST_RUN) {
      active.add(new Span(from, to));
    }
  }

  /** The strokes, and steps of the usual gap where none fall. */
  private double[] steps(List<Stroke> strokes, double gap) {
    List<Double> out = new ArrayList<>();
    double first = strokes.get(0).time();
    for (double t = first - Math.floor(first / gap) * gap; t < first - gap / 2; t += gap) {
      out.add(t);
    }
    double end = audio.duration() - gap;
    for (Stroke s : strokes) {
      for (double t = s.time(); t < Math.min(end, s.next() - gap / 2); t += gap) {
        out.add(t);
      }
    }
    return out.stream().mapToDouble(t -> t).toArray();
  }

  private int quietest(List<Course> courses, int from, int to) {
    int least = from;
    for (int n = from; n < Math.min(frames(), to); n++) {
      least = sum(courses, n) < sum(courses, least) ? n : least;
    }
    return least;
  }

  private double sum(List<Course> courses, int frame) {
    return courses.stream().mapToDouble(c -> decibels(c.band(), frame)).sum();
  }

  private boolean isThere(List<Course> courses, int frame) {
    return courses.stream().allMatch(c -> decibels(c.band(), frame) > c.way().restDb() - GONE_DB);
  }

  private int frame(double time) {
    return (int) Math.max(0, Math.round(time / hop));
  }

  private int frames() {
    return looks.size() * perLook;
  }

  private double decibels(int band, int frame) {
    int n = Math.min(frame, frames() - 1);
    return StillLook.decibels(looks.get(n / perLook).power()[band][n % perLook], 1);
  }
}
