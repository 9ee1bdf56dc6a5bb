package looseecho.echo;

import looseecho.pulse.Meter;

/**
 * What has a place in a section: a stroke or a tone.
 *
 * @param <E> its own kind
 */
public interface Placed<E extends Placed<E>> {
  /** Place from the section's start, 960 to a quarter. */
  int tick();

  /** Late (positive) or early against it. */
  double offsetMs();

  /** The same at another place. */
  E at(int newTick, double newOffsetMs);

  /** The same, over by a place. */
  E endingBy(int end);

  /** The sixteenth from 0 that it lies on or behind, for counting and telling. */
  default int step() {
    return tick() / Meter.STEP;
  }

  /** How it stands in order: by its place, then by how late it is. */
  default double order() {
    return tick() + offsetMs() / 1e5;
  }
}
