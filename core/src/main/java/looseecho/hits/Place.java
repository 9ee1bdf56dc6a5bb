package looseecho.hits;

import looseecho.pulse.Beat;
import looseecho.pulse.Pulse;

/**
 * Where an instant lies on the grid of sixteenths.
 *
 * @param bar number of the bar
 * @param step from 1, the nearest sixteenth; an instant just before bar one of the next bar belongs
 *     to that bar
 * @param offsetMs late (positive) or early against the step
 */
public record Place(int bar, int step, double offsetMs) {
  /** The place of a time in seconds. */
  public static Place of(double time, Pulse pulse) {
    int per = pulse.stepsPerBeat();
    double beats = pulse.beatsAt(time);
    long steps = Math.round(beats * per);
    double offset = 1000 * (time - pulse.timeAt((double) steps / per));
    int last = pulse.beats().size() - 1;
    int index = (int) Math.floorDiv(steps, (long) per);
    Beat beat = pulse.beats().get(Math.min(Math.max(0, index), last));
    int meter = pulse.beatsPerBar();
    int ahead =
        beat.position()
            - 1
            + index
            - Math.min(Math.max(0, index), last); // beyond either end of the beats
    int bar = beat.bar() + Math.floorDiv(ahead, meter);
    int step = Math.floorMod(ahead, meter) * per + (int) Math.floorMod(steps, (long) per) + 1;
    return new Place(bar, step, offset);
  }
}
