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
  private static final double FAINT =
      0.04; // beat activity below which there is no beat to speak of
  private static final double USUAL_BPM = 118;
  private static final double USUAL_OCTAVES =
      0.75; // spread of the log-normal tempo prior (after Ellis 2007: 0.9)
  private static final double BACKBEAT =
      0.5; // weight of a clear back beat against half an octave of unusualness
  private static final double SHARPNESS = 30; // log likelihood per second to confidence

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
    if (path.times().length < 4 || strength(activity, path) < FAINT) {
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

  /** Mean beat activity at the tracked beats, 0..1. */
  private static double strength(Activities activity, BarTracker.Path path) {
    double sum = 0;
    for (double t : path.times()) {
      sum += activity.beat(Math.min(activity.frames() - 1, (int) Math.round(t * 100)));
    }
    return sum / path.times().length;
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
    double weight = SHARPNESS * path.score() - 0.5 * octaves * octaves + BACKBEAT * snare;
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
    int[] positions = best.path().positions();
    BeatGrid grid =
        steady
            ? BeatGrid.steady(fit, times, positions, best.meter())
            : BeatGrid.played(times, positions, best.meter());
    grid.fitTo(span[0], span[1]);
    wanted.barOneAt().ifPresent(grid::barOneAt);
    double bpm = steady ? fit.bpm() : medianBpm(times);
    double spread = steady ? fit.rmsMs() : unevenness(times);
    return new Pulse(
        tempo(bpm, best, all, wanted),
        steady,
        spread,
        Reading.measured(best.meter(), 0.8, best.meter() + " beats between strong ones"),
        grid.beats());
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
