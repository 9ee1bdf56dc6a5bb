package looseecho.form;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import looseecho.dsp.ThirdOctaves;
import looseecho.pulse.Pulse;

/**
 * Finds what leads into a place: the low end cut away step by step or for a moment, the sides drawn
 * in, a dip of the level, noise that rises and sounds turned round. Each is a run in one direction
 * that snaps back where it ends; our own rule.
 */
final class BuildUpFinder {
  private static final double LOW_OCTAVES = 1.3;
  private static final double LEAST_HZ = 190; // that a growing cut reaches
  private static final double NARROW = 0.5; // of the share of the sides
  private static final double DIP_DB = 5;
  private static final double DEEPEST_DB = 30; // below it is silence and no dip
  private static final double RISE_DB = 14;
  private static final double NOISE_DB = 18; // of noise over more than a bar
  private static final double CUT_DB = 25;
  private static final double BEGUN = 0.1; // of a rise: what lies flat before it is none of it
  private static final double FLAT_DB = 1;
  private static final int HELD = 2; // bars that the low end is away at most
  private static final double AWAY_DB = 9;
  private static final double TURNED = 1.25; // bars up to which a rise is a sound turned round
  private static final double MOSTLY = 0.6; // of a rise, in its last bar
  private static final double SNAP = 0.5; // of a rise, back at once
  private static final double LEAST_BUILD = 1.4; // bars
  private static final double STAYS_DB = 6;
  private static final double SURE = 0.9;

  private final Pulse pulse;
  private final BandLevels.Course c;
  private final int bar;
  private final int halves;
  private final double[] edges;

  /**
   * Over what was measured.
   *
   * @param edges where sections begin, in seconds
   */
  BuildUpFinder(Pulse pulse, BandLevels levels, double[] edges) {
    this.edges = edges.clone();
    this.pulse = pulse;
    this.c = levels.over(pulse);
    this.bar = 2 * pulse.beatsPerBar();
    this.halves = c.level().length;
  }

  List<Event> find() {
    List<Event> out = new ArrayList<>();
    List<Runs.Run> builds = new ArrayList<>();
    for (Runs.Run seen : Runs.up(c.lowEdge(), LOW_OCTAVES, bar)) {
      if (hertz(seen.to()) >= LEAST_HZ) {
        Runs.Run r = fromBelow(seen);
        out.add(
            event(
                Event.Kind.LOW_CUT, r, "the low end is cut away", hertz(r.from()), hertz(r.to())));
        builds.add(r);
      }
    }
    heldCuts(out);
    List<Runs.Run> cuts = List.copyOf(builds);
    for (Runs.Run rise : rises()) {
      boolean turned = isTurned(rise) && cuts.stream().noneMatch(cut -> endTogether(cut, rise));
      Runs.Run r = turned ? rise : together(rise, cuts);
      String words = turned ? "a sound turned round leads in" : "noise rises";
      out.add(
          event(
              turned ? Event.Kind.REVERSED : Event.Kind.NOISE_RISES,
              r,
              words,
              r.from() - r.to(),
              0));
      builds.add(r);
    }
    for (Runs.Run r : builds) {
      if (r.end() - r.start() >= LEAST_BUILD * bar) {
        narrowing(r, out);
        dip(r, out);
      }
    }
    return out;
  }

  /**
   * A cut is seen only once it reaches what sounds lowest. Where that lies high it has begun
   * before: in a straight line of octaves from the low end on, as far as nothing sounded below it.
   */
  private Runs.Run fromBelow(Runs.Run r) {
    double slope = (r.to() - r.from()) / (r.end() - 1 - r.start());
    int s = r.start();
    double at = r.from();
    while (s > 0
        && r.end() - s < Runs.LONGEST * bar
        && at - slope >= 0
        && c.lowEdge()[s - 1] >= at - slope) {
      s--;
      at -= slope;
    }
    return new Runs.Run(s, r.end(), at, r.to());
  }

  /** A rise begins below what is heard: not after the cut with which it ends. */
  private Runs.Run together(Runs.Run rise, List<Runs.Run> cuts) {
    int from =
        cuts.stream()
            .filter(cut -> endTogether(cut, rise))
            .mapToInt(Runs.Run::start)
            .filter(s -> s < rise.start())
            .max()
            .orElse(rise.start());
    return new Runs.Run(from, rise.end(), rise.from(), rise.to());
  }

  private boolean endTogether(Runs.Run cut, Runs.Run rise) {
    return Math.abs(cut.end() - rise.end()) <= bar / 2;
  }

  /** What a value comes to before a run, at its end and behind it. */
  private record Way(double before, double last, double after) {}

  private Way way(double[] y, Runs.Run r) {
    return new Way(
        Runs.mean(y, r.start() - bar, r.start() + 1),
        Runs.mean(y, r.end() - bar / 4, r.end()),
        Runs.mean(y, r.end(), r.end() + bar));
  }

  /** The sides drawn in on the way to a place. */
  private void narrowing(Runs.Run r, List<Event> out) {
    Way width = way(c.width(), r);
    boolean drawn = width.last < NARROW * width.before && width.last < NARROW * width.after;
    if (drawn && isNew(out, Event.Kind.NARROWING, r)) {
      out.add(event(Event.Kind.NARROWING, r, "the sides are drawn in", width.before, width.last));
    }
  }

  private void dip(Runs.Run r, List<Event> out) {
    Way level = way(c.level(), r);
    boolean sounds = level.last > level.before - DEEPEST_DB;
    boolean dips = level.last < Math.min(level.before, level.after) - DIP_DB;
    if (sounds && dips && isNew(out, Event.Kind.DIP, r)) {
      Way upper = way(c.upper(), r); // what the low cut takes off is no dip
      double by = Math.min(-1, upper.last - upper.before);
      out.add(event(Event.Kind.DIP, r, "the level dips", 0, by));
    }
  }

  private boolean isNew(List<Event> events, Event.Kind kind, Runs.Run r) {
    return events.stream()
        .noneMatch(e -> e.kind() == kind && e.start() < time(r.end()) && time(r.start()) < e.end());
  }

  /** Bars without the low end, while all else goes on as before and after. */
  private void heldCuts(List<Event> out) {
    int[] bars = IntStream.range(0, halves).filter(this::atBar).toArray();
    for (int b = 2; b < bars.length - 2; b++) {
      int n = 0;
      while (n <= HELD && b + n + 1 < bars.length && isAway(bars, b, b + n)) {
        n++;
      }
      if (n > 0 && n <= HELD && steady(bars[b], bars[b + n])) {
        Runs.Run r = new Runs.Run(bars[b], bars[b + n], 0, 0);
        if (isNew(out, Event.Kind.LOW_CUT, r)) {
          out.add(event(Event.Kind.LOW_CUT, r, "the low end is away", 0, 0));
        }
      }
      b += Math.max(0, n - 1);
    }
  }

  /** True where a bar has next to none of the low end of the two bars before a place. */
  private boolean isAway(int[] bars, int place, int b) {
    double before = Runs.median(c.low(), bars[place - 2], bars[place]);
    return Runs.median(c.low(), bars[b], bars[b + 1]) < before - AWAY_DB;
  }

  /** True where what lies high goes on as before and after. */
  private boolean steady(int s, int e) {
    double before = Runs.median(c.low(), s - 2 * bar, s);
    if (Runs.median(c.low(), e, e + 2 * bar) < before - AWAY_DB / 2) {
      return false;
    }
    for (double[] floor : c.floor()) {
      double inside = Runs.median(floor, s, e);
      if (Math.abs(inside - Runs.median(floor, s - bar, s)) > STAYS_DB
          || Math.abs(inside - Runs.median(floor, e, e + bar)) > STAYS_DB) {
        return false;
      }
    }
    return true;
  }

  private List<Runs.Run> rises() {
    List<Runs.Run> all = new ArrayList<>();
    for (double[] floor : c.floor()) {
      swells(floor).stream().filter(r -> leads(r, floor)).forEach(all::add);
    }
    all.sort(Comparator.comparingDouble(r -> r.from() - r.to()));
    List<Runs.Run> out = new ArrayList<>();
    for (Runs.Run r : all) {
      if (out.stream().noneMatch(o -> o.start() < r.end() && r.start() < o.end())) {
        out.add(r);
      }
    }
    return out;
  }

  private boolean leads(Runs.Run r, double[] floor) {
    return isTurned(r)
        ? atEdge(r.end()) || isCut(r) || snaps(r, floor)
        : r.to() - r.from() >= NOISE_DB && (atEdge(r.end()) || isCut(r));
  }

  /** A sound turned round ends as it once began: from its loudest at once. */
  private boolean snaps(Runs.Run r, double[] floor) {
    int last = r.end() - 1;
    return atBar(r.end()) && floor[r.end()] < floor[last] - SNAP * (r.to() - r.from());
  }

  private boolean isTurned(Runs.Run r) {
    return r.end() - r.start() <= TURNED * bar;
  }

  private boolean isCut(Runs.Run r) {
    int next = Math.min(halves - 1, r.end() + 1);
    return c.level()[next] < c.level()[r.end() - 1] - CUT_DB;
  }

  private boolean atEdge(int half) {
    double beat = time(half + 2) - time(half);
    return Arrays.stream(edges).anyMatch(t -> Math.abs(t - time(half)) < beat);
  }

  /** Runs upwards that end at a bar line, or are cut off. */
  private List<Runs.Run> swells(double[] raw) {
    double[] y = Runs.smooth(raw);
    List<Runs.Run> out = new ArrayList<>();
    for (int e = bar - 1; e < halves - 1; e++) {
      boolean cut = raw[e + 1] < raw[e] - CUT_DB;
      if (!cut && !atBar(e + 1) && !atBar(e + 2)) {
        continue;
      }
      int s = e;
      while (s > 0 && e - s < Runs.LONGEST * bar && y[s - 1] <= y[s] + FLAT_DB) {
        s--;
      }
      s = sudden(y, s, e);
      s = Runs.lastBelow(y, s, e, y[s] + BEGUN * (y[e] - y[s]));
      double change = y[e] - y[s];
      boolean even = Runs.steepest(y, s, e) < Runs.STEP * change;
      if (change >= RISE_DB && e - s >= bar / 4 && even) {
        out.add(new Runs.Run(s, e + 1, y[s], y[e]));
      }
    }
    return out;
  }

  /** Where most of a long rise lies in its last bar, that is a sound of its own. */
  private int sudden(double[] y, int from, int to) {
    int late = to - bar;
    boolean most = late > from && y[to] - y[late] >= MOSTLY * (y[to] - y[from]);
    return most && y[to] - y[late] >= RISE_DB ? late : from;
  }

  private boolean atBar(int half) {
    return half % 2 == 0
        && half / 2 < pulse.beats().size()
        && pulse.beats().get(half / 2).position() == 1;
  }

  private Event event(Event.Kind kind, Runs.Run r, String words, double from, double to) {
    return new Event(kind, time(r.start()), time(r.end()), words, SURE, from, to);
  }

  private double time(int half) {
    return pulse.timeAt(half / 2.0);
  }

  private static double hertz(double octaves) {
    return ThirdOctaves.centre((int) Math.round(3 * octaves));
  }
}
