package looseecho.form;

import java.util.List;

/**
 * The track's shape.
 *
 * @param sections in order, without gaps
 * @param stops places where everything falls silent
 * @param energy loudness per bar in decibels below the loudest bar, in order of the bars
 */
public record Form(List<Section> sections, List<Stop> stops, List<Double> energy) {
  /** A silence of the whole track, in seconds. */
  public record Stop(double start, double end) {}

  public Form {
    sections = List.copyOf(sections);
    stops = List.copyOf(stops);
    energy = List.copyOf(energy);
  }
}
