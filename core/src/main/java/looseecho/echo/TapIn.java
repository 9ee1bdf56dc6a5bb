package looseecho.echo;

import java.util.ArrayList;
import java.util.List;
import looseecho.pulse.Grid;

/**
 * A part tapped in over a loop: every tap goes to the nearest line of the grid, and how early or
 * late it came is kept, as much of it as the person wants.
 *
 * @param hits the taps as hits of the section, in order
 * @param errorsMs how late (positive) or early each tap was, in the same order
 */
public record TapIn(List<Stroke> hits, List<Double> errorsMs) {
  /** One tap, in seconds of the music. */
  public record Tap(double time, int velocity) {}

  public TapIn {
    hits = List.copyOf(hits);
    errorsMs = List.copyOf(errorsMs);
  }

  /**
   * Places taps on the grid of a section; those outside it are left out. Of two on one place the
   * later stays.
   *
   * @param strength how far each is pulled to its step, 0 as tapped .. 1 on the grid
   */
  public static TapIn of(Template t, int section, List<Tap> taps, Grid grid, double strength) {
    int end = t.ticks(section);
    List<Stroke> hits = new ArrayList<>();
    List<Double> errors = new ArrayList<>();
    for (Tap tap : taps) {
      double at = t.tick(section, tap.time());
      int tick = grid.nearest(at);
      if (tick < 0 || tick >= end) {
        continue;
      }
      double error = 1000 * (tap.time() - t.time(section, tick, 0));
      for (int i = hits.size() - 1; i >= 0; i--) {
        if (hits.get(i).tick() == tick) {
          hits.remove(i);
          errors.remove(i);
        }
      }
      hits.add(new Stroke(tick, error * (1 - strength), tap.velocity()));
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

  /**
   * Puts the taps into a lane of the section.
   *
   * @param over true to lay them over what is there, false to put them in its place
   */
  public Edits.Edited into(Template t, int section, DrumPart drum, boolean over) {
    List<Stroke> all = new ArrayList<>(hits);
    if (over) {
      t.sections().get(section).hits(drum).stream()
          .filter(h -> hits.stream().noneMatch(tap -> tap.tick() == h.tick()))
          .forEach(all::add);
    }
    String words = over ? "Tapped over the " : "Tapped in ";
    return Edits.part(t, section, drum, all, words + t.name(drum) + ", " + hits.size() + " hits");
  }
}
