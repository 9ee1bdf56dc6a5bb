package looseecho.form;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import looseecho.activity.Lane;
import looseecho.activity.MelSpectra;
import looseecho.hits.Hit;
import looseecho.hits.Roll;
import looseecho.pulse.Pulse;

/** Gathers the events of a track: stops, rolls, sweeps, thinning out, half and double speed. */
final class EventFinder {
  private static final double SILENT_DB = -46; // below the loudest frame
  private static final double MIN_STOP_SECONDS = 0.2;
  private static final int LONGEST_THINNING = 2; // bars
  private static final int MOST_STEADY = 2; // bars of another back beat that make a passage

  private EventFinder() {}

  static List<Event> find(
      SectionFinder.Material m, BarFeatures bars, Layers layers, List<Section> sections) {
    Pulse pulse = m.pulse();
    List<Hit> hits = m.hits();
    List<Event> out = new ArrayList<>(lone(stops(m.mel(), pulse.timeAt(1), m.end()), pulse));
    for (Roll r : Roll.find(hits, pulse)) {
      double from = r.gathersFrom(hits, pulse);
      out.add(new Event(Event.Kind.ROLL, from, r.end(), r.words(), r.confidence()));
    }
    List<Event> builds =
        new BuildUpFinder(
                pulse, m.levels(), sections.stream().mapToDouble(Section::start).toArray())
            .find();
    out.addAll(builds);
    m.sweeps().stream()
        .filter(e -> builds.stream().noneMatch(b -> sameRise(e, b)))
        .forEach(out::add);
    thinning(bars, layers, out);
    passages(hits, bars, pulse, out);
    out.sort(Comparator.comparingDouble(Event::start));
    return out;
  }

  /** Noise that rises makes all of it rise. */
  private static boolean sameRise(Event level, Event build) {
    return level.kind() == Event.Kind.RISE
        && (build.kind() == Event.Kind.NOISE_RISES || build.kind() == Event.Kind.REVERSED)
        && build.start() < level.end()
        && level.start() < build.end();
  }

  /** Without gaps that come again and again within a bar: those are the beat's own rests. */
  private static List<Event> lone(List<Event> stops, Pulse pulse) {
    double bar = 60 / pulse.tempo().value() * pulse.beatsPerBar();
    return stops.stream()
        .filter(
            s ->
                stops.stream().filter(o -> o != s && Math.abs(o.start() - s.start()) < bar).count()
                    < 2)
        .toList();
  }

  private static List<Event> stops(MelSpectra mel, double start, double end) {
    List<Event> out = new ArrayList<>();
    int since = -1;
    int last = Math.min(mel.frames(), MelSpectra.FRAMES.before(end));
    for (int n = Math.max(0, MelSpectra.FRAMES.before(start)); n < last; n++) {
      boolean silent = mel.decibels(n) < SILENT_DB;
      if (silent && since < 0) {
        since = n;
      } else if (!silent && since >= 0) {
        if (MelSpectra.FRAMES.seconds(n - since) >= MIN_STOP_SECONDS) {
          out.add(
              new Event(
                  Event.Kind.STOP,
                  MelSpectra.FRAMES.seconds(since),
                  MelSpectra.FRAMES.seconds(n),
                  "everything stops",
                  1));
        }
        since = -1;
      }
    }
    return out;
  }

  /** A bar or two in which at most half of the layers go on, between fuller ones. */
  private static void thinning(BarFeatures bars, Layers layers, List<Event> out) {
    int n = bars.starts().length;
    for (int b = 1; b < n; b++) {
      int full = layers.count(b - 1);
      int e = b;
      while (e < n && full >= 3 && layers.count(e) > 0 && layers.count(e) <= full / 2) {
        e++;
      }
      if (e > b && e - b <= LONGEST_THINNING && e < n && layers.count(e) > full / 2) {
        out.add(
            new Event(
                Event.Kind.THINNING,
                bars.starts()[b],
                bars.ends()[e - 1],
                "only " + layers.count(b) + " of " + full + " layers go on",
                0.7));
      }
      b = Math.max(b, e);
    }
  }

  /** Stretches in which the back beat is half or twice as fast as in most of the track. */
  private static void passages(List<Hit> hits, BarFeatures bars, Pulse pulse, List<Event> out) {
    if (pulse.beatsPerBar() != 4) {
      return;
    }
    int n = bars.starts().length;
    int[] kind = new int[n]; // 1: on two and four, 2: on three alone
    int per = pulse.meter().value().ticksPerBeat();
    boolean[][] beats = new boolean[n][4];
    for (Hit h : hits) {
      Lane base = h.lane().base();
      boolean snare = base == Lane.SNARE || base == Lane.CLAP;
      int b = snare && h.tick() % per == 0 && h.tick() < 4 * per ? bars.at(h.time()) : -1;
      if (b >= 0) {
        beats[b][h.tick() / per] = true;
      }
    }
    for (int b = 0; b < n; b++) {
      boolean[] on = beats[b];
      kind[b] = on[1] && on[3] && !on[2] ? 1 : on[2] && !on[1] && !on[3] ? 2 : 0;
    }
    long back = java.util.Arrays.stream(kind).filter(k -> k == 1).count();
    long half = java.util.Arrays.stream(kind).filter(k -> k == 2).count();
    int rare = back >= half ? 2 : 1;
    for (int b = 0; b < n; b++) {
      int e = b;
      while (e < n && kind[e] == rare) {
        e++;
      }
      if (e - b >= MOST_STEADY && Math.min(back, half) < Math.max(back, half)) {
        out.add(
            new Event(
                rare == 2 ? Event.Kind.HALF_SPEED : Event.Kind.DOUBLE_SPEED,
                bars.starts()[b],
                bars.ends()[e - 1],
                rare == 2 ? "the snare goes to half speed" : "the snare goes to double speed",
                0.8));
      }
      b = Math.max(b, e);
    }
  }
}
