package looseecho.form;

import java.util.List;

/**
 * The track's shape.
 *
 * @param sections in order, without gaps
 * @param stops places where everything falls silent
 * @param energy loudness bar by bar; a pick-up counts as a bar
 */
public record Form(List<Section> sections, List<Stop> stops, List<BarEnergy> energy) {
  /** One bar, in seconds, and its loudness in decibels below the loudest bar. */
  public record BarEnergy(double start, double end, double decibels) {}

  /** A silence of the whole track, in seconds. */
  public record Stop(double start, double end) {}

  public Form {
    sections = List.copyOf(sections);
    stops = List.copyOf(stops);
    energy = List.copyOf(energy);
  }
}
