package looseecho.form;

import java.util.List;

/**
 * The track's shape.
 *
 * @param sections in order, without gaps
 * @param events what happens once, in order of time
 * @param energy loudness bar by bar; a pick-up counts as a bar
 */
public record Form(List<Section> sections, List<Event> events, List<BarEnergy> energy) {
  /** One bar, in seconds, and its loudness in decibels below the loudest bar. */
  public record BarEnergy(double start, double end, double decibels) {}

  public Form {
    sections = List.copyOf(sections);
    events = List.copyOf(events);
    energy = List.copyOf(energy);
  }

  /** The events of one kind. */
  public List<Event> events(Event.Kind kind) {
    return events.stream().filter(e -> e.kind() == kind).toList();
  }
}
