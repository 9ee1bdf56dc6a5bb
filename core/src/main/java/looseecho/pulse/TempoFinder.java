package looseecho.pulse;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import looseecho.activity.Activities;
import looseecho.reading.Progress;
import looseecho.reading.Together;

/**
 * Finds the tempos that a track could be felt at.
 *
 * <p>Every tempo that the free decoding suggests and those related to it by two and three are
 * decoded again on their own and weighed by likelihood, by how common such a tempo is, and by where
 * the snare falls. Long tracks are decoded freely in blocks, so that the memory stays bounded.
 */
final class TempoFinder {
  private static final double NARROW = 0.08;
  private static final double FAINT = 0.26; // beat activity: noise .15, speech .2, songs .4 to .9
  private static final double USUAL_BPM = 118;
  private static final double USUAL_OCTAVES =
      0.75; // spread of the log-normal tempo prior (after Ellis 2007: 0.9)
  private static final double BACKBEAT =
      0.5; // weight of a clear back beat against half an octave of unusualness
  private static final double SHARPNESS = 30; // log likelihood per second to confidence
  private static final double[] RELATED = {1, 0.5, 2, 1.5, 2.0 / 3, 3, 1.0 / 3};
  private static final double SAME = 0.04;
  private static final int BLOCK = 36000; // frames: six minutes
  private static final double DRIFT = 0.25; // blocks farther off are felt at another octave

  private final PulseSettings settings;

  TempoFinder(PulseSettings settings) {
    this.settings = settings;
  }

  /** All candidates, the likeliest first; none when no beat is to be heard. */
  Tempos find(Activities activity, Progress progress) {
    List<BarTracker.Path> paths = new ArrayList<>();
    for (int from = 0; from < activity.frames(); from += BLOCK) {
      progress.step("Finding the beat", 0.5 * from / activity.frames());
      int to = Math.min(activity.frames(), from + BLOCK);
      if (from == 0 || to - from > BLOCK / 4) {
        BarTracker.Path p = new BarTracker(activity, from, to, settings).decode(4);
        if (p.times().length >= 4 && strength(activity, p) >= FAINT) {
          paths.add(p);
        }
      }
    }
    if (paths.isEmpty()) {
      return new Tempos(List.of());
    }
    double[] tempos = paths.stream().mapToDouble(p -> bpm(p.times())).sorted().toArray();
    double base = tempos[tempos.length / 2];
    double[] near =
        Arrays.stream(tempos).filter(b -> Math.abs(Math.log(b / base)) < DRIFT).toArray();
    double low = near[0] / base;
    double high = near[near.length - 1] / base;
    progress.step("Finding the beat", 0.5);
    List<Double> possible =
        Arrays.stream(RELATED)
            .mapToObj(r -> r * base)
            .filter(t -> t >= settings.minBpm() * 0.98 && t <= settings.maxBpm() * 1.02)
            .toList();
    List<Optional<Candidate>> found =
        Together.map(
            possible, t -> progress.cancelled() ? Optional.empty() : at(activity, t, low, high));
    progress.step("Finding the beat", 1);
    List<Candidate> out = new ArrayList<>();
    for (Optional<Candidate> one : found) {
      one.filter(c -> out.stream().noneMatch(o -> Math.abs(o.bpm() / c.bpm() - 1) < SAME))
          .ifPresent(out::add);
    }
    out.sort(Comparator.comparingDouble(c -> -c.weight()));
    return new Tempos(out);
  }

  /** The candidate at one tempo that the person asks for. */
  Optional<Candidate> at(Activities activity, double bpm) {
    return at(activity, bpm, 1, 1);
  }

  private Optional<Candidate> at(Activities activity, double bpm, double low, double high) {
    MeterFinder.Found found = MeterFinder.find(activity, tracker(activity, bpm * low, bpm * high));
    BarTracker.Path path = found.path();
    if (path.times().length < 4) {
      return Optional.empty();
    }
    FeltPulse felt = new FeltPulse(activity, path, found.meter().value().beats());
    double octaves = Math.log(bpm / USUAL_BPM) / Math.log(2) / USUAL_OCTAVES;
    double weight = SHARPNESS * path.score() - 0.5 * octaves * octaves + BACKBEAT * felt.backbeat();
    return Optional.of(
        new Candidate(bpm(path.times()), found.meter(), path, weight, felt.reason()));
  }

  /** The path at a candidate's tempo with another number of beats to the bar. */
  BarTracker.Path path(Activities activity, double bpm, int beats) {
    return tracker(activity, bpm, bpm).decode(beats);
  }

  private BarTracker tracker(Activities activity, double low, double high) {
    return new BarTracker(
        activity,
        0,
        activity.frames(),
        settings.withRange(
            Math.max(PulseFinder.Wanted.SLOWEST_BPM, low * (1 - NARROW)),
            Math.min(PulseFinder.Wanted.FASTEST_BPM, high * (1 + NARROW))));
  }

  /** Mean beat activity at the tracked beats, 0..1. */
  private static double strength(Activities activity, BarTracker.Path path) {
    double sum = 0;
    for (double t : path.times()) {
      sum += activity.beat(Activities.FRAMES.nearest(t, activity.frames()));
    }
    return sum / path.times().length;
  }

  /** The mean of the middle half of the gaps: finer than the 10 ms frames. */
  static double bpm(double[] times) {
    double[] gaps = new double[times.length - 1];
    for (int i = 0; i < gaps.length; i++) {
      gaps[i] = times[i + 1] - times[i];
    }
    Arrays.sort(gaps);
    int a = gaps.length / 4;
    int b = Math.max(a + 1, gaps.length - a);
    double sum = 0;
    for (int i = a; i < b; i++) {
      sum += gaps[i];
    }
    return 60 * (b - a) / sum;
  }
}
