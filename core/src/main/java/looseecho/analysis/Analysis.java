package looseecho.analysis;

import java.util.List;
import java.util.Optional;
import looseecho.form.Form;
import looseecho.hits.Feel;
import looseecho.hits.Hit;
import looseecho.notes.Tonality;
import looseecho.pulse.Pulse;

/**
 * Everything heard in one reference.
 *
 * @param duration seconds
 * @param pulse empty when no beat could be found; then there are no hits and the form has no
 *     sections
 * @param hits in order of time
 * @param feel swing and grid of the hits
 * @param notes sentences for the person, such as "no beat could be found"
 */
public record Analysis(
    double duration,
    Optional<Pulse> pulse,
    Form form,
    List<Hit> hits,
    Feel feel,
    Tonality tonality,
    List<String> notes) {
  public Analysis {
    hits = List.copyOf(hits);
    notes = List.copyOf(notes);
  }
}
