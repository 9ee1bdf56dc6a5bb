package looseecho.pulse;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import looseecho.activity.Activities;
import looseecho.activity.Lane;
import looseecho.dsp.Parabola;
import looseecho.reading.Progress;
import looseecho.reading.Reading;
import looseecho.reading.Reading.Alternative;
import looseecho.reading.Reading.Settled;

/**
 * Finds tempo, beats and bars.
 *
 * <p>Every tempo that the free decoding suggests, and its half and double, is decoded again on its
 * own and weighed by likelihood, by how common such a tempo is, and by where the snare falls. Then
 * a steady grid is fitted.
 */
public final class PulseFinder {
  private static final double NARROW = 0.08;
  private static final double USUAL_BPM = 118;
  private static final double USUAL_OCTAVES =
      0.75; // spread of the log-normal tempo prior (after Ellis 2007: 0.9)
  private static final double SHARPNESS = 30; // log likelihood per second to confidence
  private static final double EDGE_SECONDS = 0.05;

  private final PulseSettings settings;

  public PulseFinder(PulseSettings settings) {
    this.settings = settings;
  }

  /**
   * What a person has decided about the pulse; empty parts are measured. Bar one is a time in
   * seconds.
   */
  public record Wanted(Optional<Double> bpm, Optional<Double> barOneAt) {
    public static final Wanted NOTHING = new Wanted(Optional.empty(), Optional.empty());
  }

  private record Candidate(
      double bpm, int meter, BarTracker.Path path, double weight, String reason) {}

  /**
   * Finds the pulse of the music that lasts from {@code start} to {@code end}, in seconds; silence
   * around it gets no beats. Empty when there are fewer than four beats at any tempo.
   */
  public Optional<Pulse> find(
      Activities activity, double start, double end, Wanted wanted, Progress progress) {
    progress.step("Finding the beat", 0);
    List<Candidate> candidates = candidates(activity, wanted, progress);
    if (candidates.isEmpty()) {
      return Optional.empty();
    }
    Candidate best = candidates.get(0);
    if (wanted.bpm().isPresent()) {
      double bpm = wanted.bpm().get();
      best =
          candidates.stream()
              .min(Comparator.comparingDouble(c -> Math.abs(Math.log(c.bpm() / bpm))))
              .orElseThrow();
    }
    return Optional.of(settle(activity, new double[] {start, end}, best, candidates, wanted));
  }

  private List<Candidate> candidates(Activities activity, Wanted wanted, Progress progress) {
    List<Double> tempos = new ArrayList<>();
    BarTracker free = new BarTracker(activity, settings);
    BarTracker.Path path = free.decode(4);
    if (path.times().length < 4) {
      return List.of();
    }
    double base = medianBpm(path.times());
    for (double ratio : new double[] {1, 0.5, 2, 1.5, 2.0 / 3}) {
      double bpm = base * ratio;
      if (bpm >= settings.minBpm() * 0.98 && bpm <= settings.maxBpm() * 1.02) {
        tempos.add(bpm);
      }
    }
    wanted.bpm().ifPresent(tempos::add);
    List<Candidate> out = new ArrayList<>();
    for (int i = 0; i < tempos.size(); i++) {
      progress.step("Finding the beat", (i + 1.0) / (tempos.size() + 1));
      add(out, activity, tempos.get(i));
    }
    out.sort(Comparator.comparingDouble(c -> -c.weight()));
    return out;
  }

  private void add(List<Candidate> out, Activities activity, double bpm) {
    BarTracker tracker =
        new BarTracker(activity, settings.withRange(bpm * (1 - NARROW), bpm * (1 + NARROW)));
    BarTracker.Path four = tracker.decode(4);
    BarTracker.Path three = tracker.decode(3);
    boolean waltz = three.score() > four.score();
    BarTracker.Path path = waltz ? three : four;
    if (path.times().length < 4) {
      return;
    }
    double octaves = Math.log(bpm / USUAL_BPM) / Math.log(2) / USUAL_OCTAVES;
    double snare = backbeat(activity, path, waltz ? 3 : 4);
    double weight = SHARPNESS * path.score() - 0.5 * octaves * octaves + snare;
    String reason =
        snare > 0.3 ? "the snare falls on every second beat" : "the beats are strongest here";
    if (out.stream().noneMatch(c -> Math.abs(c.bpm() / bpm - 1) < 0.04)) {
      out.add(new Candidate(medianBpm(path.times()), waltz ? 3 : 4, path, weight, reason));
    }
  }

  /**
   * How much more the snare or clap sounds on the beats 2 and 4 than on 1 and 3, -1..1 (common
   * practice).
   */
  private static double backbeat(Activities activity, BarTracker.Path path, int meter) {
    if (meter != 4) {
      return 0;
    }
    double[] sum = new double[2];
    for (int k = 0; k < path.times().length; k++) {
      int n = (int) Math.round(path.times()[k] * 100);
      double hit = 0;
      for (int m = Math.max(0, n - 3); m <= Math.min(activity.frames() - 1, n + 3); m++) {
        hit = Math.max(hit, Math.max(activity.lane(Lane.SNARE, m), activity.lane(Lane.CLAP, m)));
      }
      sum[path.positions()[k] % 2] += hit;
    }
    double all = sum[0] + sum[1];
    return all < 2 ? 0 : (sum[0] - sum[1]) / all;
  }

  private Pulse settle(
      Activities activity, double[] span, Candidate best, List<Candidate> all, Wanted wanted) {
    double[] times = refine(activity, best.path().times());
    SteadyGrid.Fit fit = SteadyGrid.fit(times, settings.steadyMs());
    boolean steady = fit.share() >= settings.steadyShare();
    List<Double> grid = steady ? grid(fit, times[times.length - 1]) : smooth(times);
    List<Integer> places = steady ? places(grid, times, best) : new ArrayList<>();
    for (int k = 0; !steady && k < times.length; k++) {
      places.add(best.path().positions()[k]);
    }
    fitTo(span, grid, places, best.meter());
    int one = wanted.barOneAt().map(t -> renumber(grid, places, best.meter(), t)).orElse(-1);
    double bpm = steady ? fit.bpm() : medianBpm(times);
    double spread = steady ? fit.rmsMs() : unevenness(times);
    return new Pulse(
        tempo(bpm, best, all, wanted),
        steady,
        spread,
        Reading.measured(best.meter(), 0.8, best.meter() + " beats between strong ones"),
        beats(grid, places, one));
  }

  /**
   * Moves each beat to the top of the activity's bump near it, by a parabola through three frames.
   */
  private static double[] refine(Activities a, double[] times) {
    double[] out = new double[times.length];
    for (int k = 0; k < times.length; k++) {
      int centre = (int) Math.round(times[k] * 100);
      int top = centre;
      for (int n = Math.max(1, centre - 4); n <= Math.min(a.frames() - 2, centre + 4); n++) {
        if (a.beat(n) > a.beat(Math.min(a.frames() - 1, top))) {
          top = n;
        }
      }
      if (top < 1 || top > a.frames() - 2 || a.beat(top) < 0.15) {
        out[k] = times[k];
        continue;
      }
      out[k] = (top + Parabola.offset(a.beat(top - 1), a.beat(top), a.beat(top + 1))) / 100;
    }
    return out;
  }

  private static List<Double> grid(SteadyGrid.Fit fit, double last) {
    List<Double> out = new ArrayList<>();
    for (int k = 0; fit.start() + k * fit.period() < last + fit.period() / 2; k++) {
      out.add(fit.start() + k * fit.period());
    }
    return out;
  }

  /**
   * Places in the bar for the lines of a steady grid: those of the tracked beats near them, counted
   * on where none is.
   */
  private static List<Integer> places(List<Double> grid, double[] times, Candidate best) {
    double near = 0.3 * (grid.get(1) - grid.get(0));
    List<Integer> out = new ArrayList<>();
    int known = -1;
    int k = 0;
    for (double line : grid) {
      while (k + 1 < times.length && Math.abs(times[k + 1] - line) <= Math.abs(times[k] - line)) {
        k++;
      }
      boolean tracked = Math.abs(times[k] - line) <= near;
      out.add(
          tracked
              ? best.path().positions()[k]
              : out.isEmpty() ? 1 : out.get(out.size() - 1) % best.meter() + 1);
      if (tracked && known < 0) {
        known = out.size() - 1;
        for (int i = known - 1; i >= 0; i--) {
          out.set(i, (out.get(i + 1) + best.meter() - 2) % best.meter() + 1);
        }
      }
    }
    return out;
  }

  /**
   * Played beats: each is drawn half-way to the middle of its neighbours, which halves single
   * errors.
   */
  private static List<Double> smooth(double[] t) {
    List<Double> out = new ArrayList<>();
    for (int k = 0; k < t.length; k++) {
      out.add(k == 0 || k == t.length - 1 ? t[k] : 0.5 * t[k] + 0.25 * (t[k - 1] + t[k + 1]));
    }
    return out;
  }

  /** Continues the beats to both ends of the music and drops those outside it. */
  private static void fitTo(double[] span, List<Double> grid, List<Integer> places, int meter) {
    double lead = grid.get(1) - grid.get(0);
    while (grid.get(0) - lead > span[0] - EDGE_SECONDS) {
      grid.add(0, grid.get(0) - lead);
      places.add(0, (places.get(0) + meter - 2) % meter + 1);
    }
    double tail = grid.get(grid.size() - 1) - grid.get(grid.size() - 2);
    while (grid.get(grid.size() - 1) + tail < span[1]) {
      grid.add(grid.get(grid.size() - 1) + tail);
      places.add(places.get(places.size() - 1) % meter + 1);
    }
    while (grid.size() > 2 && grid.get(0) < span[0] - EDGE_SECONDS) {
      grid.remove(0);
      places.remove(0);
    }
    while (grid.size() > 2 && grid.get(grid.size() - 1) > span[1]) {
      grid.remove(grid.size() - 1);
      places.remove(places.size() - 1);
    }
  }

  /** Puts a first beat of the bar on the beat nearest to a time; returns that beat's index. */
  private static int renumber(List<Double> grid, List<Integer> places, int meter, double barOneAt) {
    int one = 0;
    for (int k = 0; k < grid.size(); k++) {
      if (Math.abs(grid.get(k) - barOneAt) < Math.abs(grid.get(one) - barOneAt)) {
        one = k;
      }
    }
    int shift = Math.floorMod(1 - places.get(one), meter);
    for (int k = 0; k < places.size(); k++) {
      places.set(k, (places.get(k) - 1 + shift) % meter + 1);
    }
    return one;
  }

  /**
   * Numbers the bars so that the one at index {@code one}, or without it the first whole one, is
   * bar 1.
   */
  private static List<Beat> beats(List<Double> grid, List<Integer> places, int one) {
    int bar = 0;
    for (int k = 0; k <= one; k++) {
      bar -= places.get(k) == 1 ? 1 : 0;
    }
    bar += one >= 0 ? 1 : 0;
    List<Beat> out = new ArrayList<>();
    for (int k = 0; k < grid.size(); k++) {
      bar += places.get(k) == 1 ? 1 : 0;
      out.add(new Beat(grid.get(k), places.get(k), bar));
    }
    return out;
  }

  private static Reading<Double> tempo(
      double bpm, Candidate best, List<Candidate> all, Wanted wanted) {
    double top = all.get(0).weight();
    double sum = all.stream().mapToDouble(c -> Math.exp(c.weight() - top)).sum();
    List<Alternative<Double>> others = new ArrayList<>();
    for (Candidate c : all) {
      if (c != best) {
        double exact = exactly(bpm, best.bpm(), c.bpm());
        others.add(new Alternative<>(exact, Math.exp(c.weight() - top) / sum, c.reason()));
      }
    }
    boolean set = wanted.bpm().isPresent();
    double confidence = set ? 1 : Math.exp(best.weight() - top) / sum;
    return new Reading<>(
        bpm,
        confidence,
        set ? "set by you" : best.reason(),
        others,
        set ? Settled.CORRECTED : Settled.MEASURED);
  }

  /** A related tempo from the exact one, when the ratio of both is a simple one. */
  private static double exactly(double exact, double base, double other) {
    for (double ratio : new double[] {0.5, 2, 1.5, 2.0 / 3, 1 / 3.0, 3}) {
      if (Math.abs(other / base / ratio - 1) < 0.03) {
        return exact * ratio;
      }
    }
    return other;
  }

  private static double medianBpm(double[] times) {
    double[] gaps = new double[times.length - 1];
    for (int i = 0; i < gaps.length; i++) {
      gaps[i] = times[i + 1] - times[i];
    }
    java.util.Arrays.sort(gaps);
    // The mean of the middle half resolves finer than the 10 ms frames.
    int a = gaps.length / 4;
    int b = Math.max(a + 1, gaps.length - a);
    double sum = 0;
    for (int i = a; i < b; i++) {
      sum += gaps[i];
    }
    return 60 * (b - a) / sum;
  }

  private static double unevenness(double[] t) {
    double sum = 0;
    for (int k = 1; k < t.length - 1; k++) {
      double d = t[k] - 0.5 * (t[k - 1] + t[k + 1]);
      sum += d * d;
    }
    return 1000 * Math.sqrt(sum / Math.max(1, t.length - 2));
  }
}
