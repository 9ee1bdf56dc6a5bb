package looseecho.layers;

import java.util.List;
import looseecho.analysis.Analysis;
import looseecho.form.Event;
import looseecho.hits.Hit;
import looseecho.notes.Note;
import looseecho.pulse.Pulse;

/**
 * What is known to play in a sound.
 *
 * @param bar seconds of a bar
 * @param beat seconds of a beat
 * @param events what happens once
 * @param hits in order of time
 * @param bass in order of time
 * @param chords the notes of all chords
 * @param riff in order of time
 */
public record Played(
    double bar,
    double beat,
    List<Event> events,
    List<Hit> hits,
    List<Note> bass,
    List<Note> chords,
    List<Note> riff) {
  private static final double USUAL_BEAT = 0.5; // where there is none

  /** As it was heard. */
  public static Played of(Analysis a) {
    Pulse p = a.pulse().orElse(null);
    double beat = p == null ? USUAL_BEAT : 60 / p.tempo().value();
    return new Played(
        p == null ? 4 * beat : beat * p.beatsPerBar(),
        beat,
        a.form().events(),
        a.hits(),
        a.tonality().bass(),
        a.tonality().voiced(),
        a.tonality().riff());
  }
}
