package looseecho.echo;

import java.util.ArrayList;
import java.util.List;
import looseecho.activity.Lane;

/**
 * A part tapped in over a loop: every tap goes to the nearest step, and how early or late it came
 * is kept, as much of it as the person wants.
 *
 * @param hits the taps as hits of the section, in order
 * @param errorsMs how late (positive) or early each tap was, in the same order
 */
public record TapIn(List<StepHit> hits, List<Double> errorsMs) {
  /** One tap, in seconds of the music. */
  public record Tap(double time, int velocity) {}

  public TapIn {
    hits = List.copyOf(hits);
    errorsMs = List.copyOf(errorsMs);
  }

  /**
   * Places taps on the steps of a section; those outside it are left out. Of two on one step the
   * later stays.
   *
   * @param strength how far each is pulled to its step, 0 as tapped .. 1 on the grid
   */
  public static TapIn of(Template t, int section, List<Tap> taps, double strength) {
    int steps = t.sections().get(section).beats() * t.meter().stepsPerBeat();
    List<StepHit> hits = new ArrayList<>();
    List<Double> errors = new ArrayList<>();
    for (Tap tap : taps) {
      int best = 0;
      for (int s = 0; s < steps; s++) {
        double d = Math.abs(t.time(section, s, 0) - tap.time());
        best = d < Math.abs(t.time(section, best, 0) - tap.time()) ? s : best;
      }
      double error = 1000 * (tap.time() - t.time(section, best, 0));
      double half = 500 * (t.time(section, 1, 0) - t.time(section, 0, 0));
      if (Math.abs(error) > half + 1) {
        continue;
      }
      int step = best;
      for (int i = hits.size() - 1; i >= 0; i--) {
        if (hits.get(i).step() == step) {
          hits.remove(i);
          errors.remove(i);
        }
      }
      hits.add(new StepHit(step, error * (1 - strength), tap.velocity()));
      errors.add(error);
    }
    return new TapIn(hits, errors);
  }

  /** Mean lateness in milliseconds; 0 without taps. */
  public double meanMs() {
    return errorsMs.stream().mapToDouble(e -> e).average().orElse(0);
  }

  /** Standard deviation around the mean, in milliseconds. */
  public double spreadMs() {
    double mean = meanMs();
    return Math.sqrt(
        errorsMs.stream().mapToDouble(e -> (e - mean) * (e - mean)).average().orElse(0));
  }

  /** Puts the part into the template in place of what the lane had in the section. */
  public Edits.Edited into(Template t, int section, Lane lane) {
    return Edits.part(
        t, section, lane, hits, "Tapped in " + lane.words() + ", " + hits.size() + " hits");
  }
}
