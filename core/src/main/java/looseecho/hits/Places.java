package looseecho.hits;

import looseecho.pulse.BarGrid;
import looseecho.pulse.Meter;
import looseecho.pulse.Pulse;

/** Finds where instants lie on the grid of sixteenths of a track. */
public final class Places {
  private final Pulse pulse;
  private final BarGrid grid;

  public Places(Pulse pulse) {
    this.pulse = pulse;
    this.grid = pulse.grid();
  }

  /** The place of a time in seconds; the bars go on beyond the first and last beat. */
  public Place at(double time) {
    int per = pulse.stepsPerBeat();
    long steps = Math.round(pulse.beatsAt(time) * per);
    double offset = 1000 * (time - pulse.timeAt((double) steps / per));
    BarGrid.Spot spot = grid.spot(steps * Meter.STEP);
    return new Place(spot.bar(), spot.inBar() / Meter.STEP + 1, offset);
  }
}
