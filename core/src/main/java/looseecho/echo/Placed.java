package looseecho.echo;

import looseecho.pulse.Meter;

/** What has a place in a section: a stroke or a tone. */
public interface Placed {
  /** Place from the section's start, 960 to a quarter. */
  int tick();

  /** Late (positive) or early against it. */
  double offsetMs();

  /** The sixteenth from 0 that it lies on or behind, for counting and telling. */
  default int step() {
    return tick() / Meter.STEP;
  }

  /** How it stands in order: by its place, then by how late it is. */
  default double order() {
    return tick() + offsetMs() / 1e5;
  }
}
