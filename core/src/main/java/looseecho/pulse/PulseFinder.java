package looseecho.pulse;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import looseecho.activity.Activities;
import looseecho.dsp.Chroma;
import looseecho.dsp.Parabola;
import looseecho.reading.Limits;
import looseecho.reading.Progress;
import looseecho.reading.Reading;
import looseecho.reading.Reading.Alternative;
import looseecho.reading.Reading.Settled;

/**
 * Settles tempo, beats and bars: the felt tempo among the candidates, then a steady grid where one
 * explains the beats, else the beats as played.
 */
public final class PulseFinder {
  private static final double[] SIMPLE_RATIOS = {0.5, 2, 1.5, 2.0 / 3, 1 / 3.0, 3};
  private final PulseSettings settings;
  private final TempoFinder tempos;

  public PulseFinder(PulseSettings settings) {
    this.settings = settings;
    this.tempos = new TempoFinder(settings);
  }

  /**
   * What a person has decided about the pulse; empty parts are measured.
   *
   * @param barOneAt seconds of the first beat of bar 1
   * @param nudge seconds by which the whole grid is moved
   */
  public record Wanted(
      Optional<Double> bpm, Optional<Double> barOneAt, Optional<Meter> meter, double nudge) {
    public static final double SLOWEST_BPM = Limits.SLOWEST_BPM;
    public static final double FASTEST_BPM = Limits.FASTEST_BPM;
    private static final double MOST_SECONDS = 86_400;
    private static final double MOST_NUDGE = 10;

    public static final Wanted NOTHING =
        new Wanted(Optional.empty(), Optional.empty(), Optional.empty(), 0);

    public Wanted {
      bpm.ifPresent(v -> check("bpm", v, SLOWEST_BPM, FASTEST_BPM));
      barOneAt.ifPresent(v -> check("bar one", v, -MOST_SECONDS, MOST_SECONDS));
      check("nudge", nudge, -MOST_NUDGE, MOST_NUDGE);
    }

    private static void check(String what, double value, double low, double high) {
      if (!(value >= low && value <= high)) {
        throw new IllegalArgumentException(
            what + " must be " + low + ".." + high + " (was: " + value + ")");
      }
    }

    public Wanted withBpm(double value) {
      return new Wanted(Optional.of(value), barOneAt, meter, nudge);
    }

    public Wanted withBarOneAt(double seconds) {
      return new Wanted(bpm, Optional.of(seconds), meter, nudge);
    }

    public Wanted withMeter(Meter value) {
      return new Wanted(bpm, barOneAt, Optional.of(value), nudge);
    }

    /** The same with the grid moved on, as far as it goes. */
    public Wanted nudgedBy(double seconds) {
      return withNudge(Math.max(-MOST_NUDGE, Math.min(MOST_NUDGE, nudge + seconds)));
    }

    public Wanted withNudge(double seconds) {
      return new Wanted(bpm, barOneAt, meter, seconds);
    }
  }

  /** The long step: the tempos that the track could be felt at, whatever a person wants. */
  public Tempos hear(Activities activity, Progress progress) {
    return tempos.find(activity, progress);
  }

  /**
   * The pulse of the music. Empty when there are fewer than four beats at any tempo.
   *
   * @param chroma tells where chords change; {@link Chroma#NONE} where nothing is known of them
   * @param span first and last second of the music; silence around it gets no beats
   */
  public Optional<Pulse> find(
      Activities activity, Chroma chroma, Tempos heard, double[] span, Wanted wanted) {
    List<Candidate> all = heard.candidates();
    if (all.isEmpty()) {
      return Optional.empty();
    }
    Candidate best = all.get(0);
    if (wanted.bpm().isPresent()) {
      double bpm = wanted.bpm().get();
      best =
          all.stream()
              .min(Comparator.comparingDouble(c -> Math.abs(Math.log(c.bpm() / bpm))))
              .filter(c -> Math.abs(c.bpm() / bpm - 1) < 0.04)
              .or(() -> tempos.at(activity, bpm))
              .orElse(best);
    }
    return Optional.of(settle(activity, chroma, span, best, all, wanted));
  }

  private Pulse settle(
      Activities activity,
      Chroma chroma,
      double[] span,
      Candidate best,
      List<Candidate> all,
      Wanted wanted) {
    Reading<Meter> meter = wanted.meter().map(best.meter()::corrected).orElse(best.meter());
    int beats = meter.value().beats();
    BarTracker.Path path = best.path();
    if (beats != best.meter().value().beats()) {
      path = tempos.path(activity, best.bpm(), beats);
    }
    double[] times = refine(activity, path.times());
    SteadyGrid.Fit fit = SteadyGrid.fit(times, settings.steadyMs());
    int[] places = path.positions();
    var mended =
        PhaseSlip.mend(activity, times, settings.steadyMs(), settings.steadyShare(), beats);
    if (mended.isPresent()) {
      times = mended.get().times();
      places = mended.get().places();
      fit = SteadyGrid.fit(times, settings.steadyMs());
    }
    places = BarCount.settle(activity, chroma, times, places, beats);
    boolean steady = fit.share() >= settings.steadyShare();
    BeatGrid grid =
        steady ? BeatGrid.steady(fit, times, places, beats) : BeatGrid.played(times, places, beats);
    grid.fitTo(span[0], span[1]);
    grid.move(wanted.nudge());
    wanted.barOneAt().ifPresent(grid::barOneAt);
    double bpm = steady ? fit.bpm() : TempoFinder.bpm(times);
    double spread = steady ? fit.rmsMs() : unevenness(times);
    return new Pulse(
        tempo(bpm, best, all, wanted), steady, spread, fit.share(), meter, grid.beats());
  }

  /**
   * Moves each beat to the top of the activity's bump near it, by a parabola through three frames.
   */
  private static double[] refine(Activities a, double[] times) {
    double[] out = new double[times.length];
    for (int k = 0; k < times.length; k++) {
      int centre = Activities.FRAMES.nearest(times[k]);
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
      out[k] =
          Activities.FRAMES.seconds(
              top + Parabola.offset(a.beat(top - 1), a.beat(top), a.beat(top + 1)));
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
    for (double ratio : SIMPLE_RATIOS) {
      if (Math.abs(other / base / ratio - 1) < 0.03) {
        return exact * ratio;
      }
    }
    return other;
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
